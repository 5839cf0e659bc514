export { unitOfExpected } from './check.ts';
export type { Check, CheckGroup, ProofPlan } from './check.ts';
export { checkJob, waysOut } from './checkJob.ts';
export type { CheckedPoint, WaysOut } from './checkJob.ts';
export {
  digitsOf,
  injectionChecks,
  injectionGroups,
  injectionSummary,
  plannedSteps,
  takesInjection,
} from './injection.ts';
export type { InjectionSummary, PlannedStep } from './injection.ts';
export { judgeCheck, resultOf, resultValues, sourceRatio } from './judge.ts';
export { soundPart } from './soundPart.ts';
export type { DamagedRow } from './soundPart.ts';
export { openJobFile, openVersion1, openWholeFile } from './openJobFile.ts';
export { checkName, expectedText, ideal, proofFingerprint, proofPlan, statesPlan } from './plan.ts';
export { jobProgress, latestResults, progressIn, progressOf } from './progress.ts';
export type { Status, PointProgress, Stage } from './progress.ts';
export { programCases, programText } from './programChecks.ts';
