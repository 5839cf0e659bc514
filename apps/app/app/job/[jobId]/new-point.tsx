export { NewPointScreen as default } from '../../../src/point/NewPointScreen';
