export * from './problem.ts';
export * from './allocate.ts';
export * from './fromJob.ts';
