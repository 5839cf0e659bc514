export { JobFrame as default } from '../../../src/pages/JobFrame';
