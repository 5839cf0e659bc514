export { KindsScreen as default } from '../../../src/kinds/KindsScreen';
