export { RelayScreen as default } from '../../../../../src/relay/RelayScreen';
