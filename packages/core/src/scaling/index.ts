export { disagreementOf } from './agreesAt.ts';
export { BAND_SETS, bandOf, bandText, isShort, reactionText, swallowedEnds, usualBands } from './bands.ts';
export type { BandName } from './bands.ts';
export { budgetAt } from './budget.ts';
export type { Contribution } from './budget.ts';
export { calibrationSides } from './calibrationSides.ts';
export type { CalibrationSides } from './calibrationSides.ts';
export { LINKS, countedOf, cutoffOf, engineeringOf, moveChain } from './chain.ts';
export type { SignalChain, ChainState, LinkKey } from './chain.ts';
export { arrivesAsData } from './dataChain.ts';
export { dataValuesOf } from './dataValue.ts';
export type { ChosenValue, DataValue } from './dataValue.ts';
export { checkCoil, checkCutOff, checkPulses, rollOver, velocityIn, velocityText } from './flow.ts';
export { executeAll } from './plcCode/execute.ts';
export type { Execution } from './plcCode/execute.ts';
export { plcCode } from './plcCode/generate.ts';
export type { CodeKind, CodeRequest } from './plcCode/codeRequest.ts';
export { unfitNumbers } from './plcCode/unfit.ts';
export { printProgram } from './plcCode/print.ts';
export { compileBlock } from './plcCode/run.ts';
export * as plc from './plcCode/program.ts';
export type {
  Expression,
  Instance,
  PlcBlock,
  PlcFunction,
  PlcProgram,
  Statement,
  Variable,
} from './plcCode/program.ts';
export { plcOpenXml } from './plcCode/plcOpen.ts';
export { chainOf, isMeasured } from './pointChain.ts';
export type { PointChain } from './pointChainTypes.ts';
export { blockParameters, codeRequest, pointProgram, scaledPart } from './pointCode.ts';
export { RAW_FORMATS, countsOf, findRawFormat, resolutionOf, valueOfCounts } from './rawFormats.ts';
export { givenSignal } from './givenSignal.ts';
export type { GivenSignal } from './givenSignal.ts';
export { minSquares } from './minSquares.ts';
export { scaleStep, scalingText } from './scaleStep.ts';
export { effective } from './effective.ts';
export { checkLine } from './statedLine.ts';
export type { LineCheck } from './statedLine.ts';
export { sweepChain } from './sweep.ts';
export type { Sweep } from './sweep.ts';
export { MIN_RATIO, injectionPoints, judgeCalibration } from './transmitterCalibration.ts';
export type { CalibrationOutcome, InjectionPoint } from './transmitterCalibration.ts';
export { reconcile } from './twoDisplays.ts';
export type { Reconciled } from './twoDisplays.ts';
