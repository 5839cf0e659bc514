export { AllocateScreen as default } from '../../../src/allocate/AllocateScreen';
