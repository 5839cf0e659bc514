export { SetupScreen as default } from '../../../../../../src/scale/SetupScreen';
