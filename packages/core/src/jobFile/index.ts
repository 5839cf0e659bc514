export { MAX_FILE_BYTES, jobFileSchema, readJobFile, writeJobFile } from './jobFile.ts';
export { fromVersion1 } from './jobVersion1.ts';
