export { PointLogScreen as default } from '../../../../../src/log/PointLogScreen';
