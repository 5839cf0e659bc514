export { SetScreen as default } from '../../../../../src/set/SetScreen';
