export { PartsScreen as default } from '../../../../../src/parts/PartsScreen';
