export { JobsScreen as default } from '../src/jobs/JobsScreen';
