export { TablesScreen as default } from '../../../../../../src/scale/TablesScreen';
