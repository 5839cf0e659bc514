export { WireListScreen as default } from '../../../src/wirelist/WireListScreen';
