export * from './units/quantity.ts';
export * from './model/job.ts';
export * from './model/emptyJob.ts';
export * from './model/problem.ts';
export * from './circuit/index.ts';
export * from './catalog/index.ts';
export * from './wiring/index.ts';
export * from './proving/index.ts';
