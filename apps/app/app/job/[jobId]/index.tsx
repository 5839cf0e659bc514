export { BoardScreen as default } from '../../../src/board/BoardScreen';
