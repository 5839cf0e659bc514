export { judge, statusIn } from './judge.ts';
export type { Judgement, VerdictStatus } from './judge.ts';
export { judgeContact } from './reasons/contactRating.ts';
export { wanted } from './reasons/duties.ts';
export type { Reason, ReasonCode } from './reasons/reason.ts';
export { verdictOf } from './verdict.ts';
export type { Verdict } from './verdict.ts';
export { excerpt } from './remedies/excerpt.ts';
export type { Remedy } from './remedies/remedy.ts';
