export { ScaleScreen as default } from '../../../../../../src/scale/ScaleScreen';
