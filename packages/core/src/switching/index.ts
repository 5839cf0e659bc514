export { sampledSignal } from './signal.ts';
export { plainFunction } from './switchFunction.ts';
export { switchedBy } from './switched.ts';
export { bandwidthOf, dampingFor, delayFor, falsePerDay, flatNoise, hysteresisFor } from './noise.ts';
export { noiseOf, replayedPerDay } from './noiseRecord.ts';
export { slowestReaction } from './reaction.ts';
export type { ReactionPart } from './reaction.ts';
export { steadiness } from './steady.ts';
export type { Steadiness } from './steady.ts';
export {
  channelPlan,
  channelsStand,
  deviceChannels,
  requireChannel,
  standingChannel,
} from './deviceChannel.ts';
export type { ChannelPlan } from './deviceChannel.ts';

export { switchingWith } from './switchingWith.ts';
export { inputFaults } from './inputFaults.ts';
export type { InputFault } from './inputFaults.ts';
export {
  bandAt,
  courseThrough,
  outputOver,
  outputsOf,
  outputStep,
  switchedOver,
  watchedUnit,
} from './pointOutput.ts';
export type { OutputFault, PointOutput } from './pointOutput.ts';
export { hysteresisOf, USUAL_RELAY_PERCENT } from './threshold.ts';
export type { DecidedAt, ThresholdRow } from './threshold.ts';
export { taughtBeside } from './taughtBeside.ts';
export type { TaughtBeside } from './taughtBeside.ts';
export { leastMargin, sensitivitySetting } from './sensitivity.ts';
export { cycleOf, teach } from './teach.ts';
export type { TeachKind } from './teach.ts';
export { actionText } from './ladder/actionText.ts';
export { checkLadder } from './ladder/checkLadder.ts';
export type { LadderFinding } from './ladder/checkLadder.ts';
export type { Ladder, Level } from './ladder/ladder.ts';
export { isPassedOver, isProtective, turnsOf } from './ladder/ladder.ts';
export { executeLadder } from './ladder/executeLadder.ts';
export type { LadderExecuted, LadderExecution } from './ladder/executeLadder.ts';
export { FLAWS } from './ladder/ladderCode.ts';
export { ladderProgram } from './ladder/ladderProgram.ts';
export { jobProgram } from './jobProgram.ts';
export type { JobProgram } from './jobProgram.ts';
export type { Flaw, RealType } from './ladder/ladderCode.ts';
export { playLadder } from './ladder/ladderPlay.ts';
export type { LadderAct, LadderFrame } from './ladder/ladderPlay.ts';
export { rhythmOf } from './ladder/ladderRun.ts';
export { bandIn, ladderOf, ladderOver, rangeOf, switchStep, wayText } from './ladder/pointLadder.ts';
export type { PointLadder } from './ladder/pointLadder.ts';
export { LADDER_KINDS, proposeLadder } from './ladder/proposeLadder.ts';
export type { LadderKind } from './ladder/proposeLadder.ts';
export { exampleSignal } from './ladder/exampleSignal.ts';
export type { Example } from './ladder/exampleSignal.ts';
export { ladderLog } from './ladder/ladderLog.ts';
export type { LadderHappening } from './ladder/ladderLog.ts';
export { readRecord } from './record.ts';
export type { Signal } from './signal.ts';
