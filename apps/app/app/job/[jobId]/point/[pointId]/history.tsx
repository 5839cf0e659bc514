export { HistoryScreen as default } from '../../../../../src/set/HistoryScreen';
