export { ProveScreen as default } from '../../../../../src/prove/ProveScreen';
