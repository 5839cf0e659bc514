export { LiveScreen as default } from '../../../src/live/LiveScreen';
