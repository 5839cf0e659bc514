export { CalibrateScreen as default } from '../../../../../../src/scale/CalibrateScreen';
