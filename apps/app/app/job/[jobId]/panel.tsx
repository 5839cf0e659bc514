export { PanelScreen as default } from '../../../src/panel/PanelScreen';
