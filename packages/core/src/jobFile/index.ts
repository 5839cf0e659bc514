export {
  JobFile,
  MAX_FILE_BYTES,
  MAX_JOB_BYTES,
  jobFileSchema,
  readJobFile,
  writeJobFile,
} from './jobFile.ts';
export { fromVersion1 } from './jobVersion1.ts';
export type { Pictures } from './jobFile.ts';
