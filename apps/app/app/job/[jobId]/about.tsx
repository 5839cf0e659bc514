export { AboutScreen as default } from '../../../src/job/AboutScreen';
