export { JobShell as default } from '../../../src/job/JobShell';
