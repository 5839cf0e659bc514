export * from './plan.ts';
export { judgeCheck, resultOf, sourceRatio, uncertainty } from './judge.ts';
export * from './progress.ts';
export * from './checkJob.ts';
export * from './injection.ts';
