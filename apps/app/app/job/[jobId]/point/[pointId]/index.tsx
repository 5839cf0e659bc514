export { LandScreen as default } from '../../../../../src/land/LandScreen';
