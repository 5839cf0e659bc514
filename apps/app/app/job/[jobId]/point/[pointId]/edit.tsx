export { EditPointScreen as default } from '../../../../../src/point/EditPointScreen';
