export { DisplaysScreen as default } from '../../../../../../src/scale/DisplaysScreen';
