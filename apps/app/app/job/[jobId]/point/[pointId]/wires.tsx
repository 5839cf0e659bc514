export { AsFoundScreen as default } from '../../../../../src/asfound/AsFoundScreen';
