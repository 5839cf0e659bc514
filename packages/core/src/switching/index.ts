export { bandwidthOf, dampingFor, delayFor, falsePerDay, flatNoise, hysteresisFor } from './noise.ts';
export { noiseOf, replayedPerDay } from './noiseRecord.ts';
export { slowestReaction } from './reaction.ts';
export type { ReactionPart } from './reaction.ts';
export { steadiness } from './steady.ts';
export type { Steadiness } from './steady.ts';
export { cycleOf, teach } from './teach.ts';
export type { TeachKind } from './teach.ts';
