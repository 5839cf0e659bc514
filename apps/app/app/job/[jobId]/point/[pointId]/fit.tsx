export { FitScreen as default } from '../../../../../src/fit/FitScreen';
