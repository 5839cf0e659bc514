export { disagreementOf } from './agreesAt.ts';
export { BAND_SETS, bandOf, bandText, isShort, reactionText, usualBands } from './bands.ts';
export type { BandName } from './bands.ts';
export { budgetAt } from './budget.ts';
export type { Contribution } from './budget.ts';
export { calibrationSides } from './calibrationSides.ts';
export type { CalibrationSides } from './calibrationSides.ts';
export { besideEachOther, calibrationsOf, tablesOf } from './calibrationTable.ts';
export type { CalibrationTables, FieldPoint } from './calibrationTable.ts';
export { LINKS, countedOf, engineeringOf, moveChain } from './chain.ts';
export type { SignalChain, ChainState, LinkKey } from './chain.ts';
export { checkTable, problemOfCurve, straight, tableOf } from './curve.ts';
export { checkCoil, checkCutOff, checkPulses, rollOver, velocityIn, velocityText } from './flow.ts';
export { executeAll } from './plcCode/execute.ts';
export type { Execution } from './plcCode/execute.ts';
export { plcCode } from './plcCode/generate.ts';
export type { CodeKind, CodeRequest } from './plcCode/generate.ts';
export { plcOpenXml } from './plcCode/plcOpen.ts';
export { chainOf, isMeasured } from './pointChain.ts';
export type { PointChain } from './pointChainTypes.ts';
export { blockParameters, codeText, codeRequest } from './pointCode.ts';
export { RAW_FORMATS, countsOf, findRawFormat, resolutionOf, valueOfCounts } from './rawFormats.ts';
export { scaleStep, scalingText } from './scaleStep.ts';
export {
  ELEMENTS,
  ohmsOf,
  ohmsPerKelvin,
  temperatureOf,
  thermometerElement,
  thermometerTolerance,
} from './sensors/rtd.ts';
export type { ThermometerClass } from './sensors/rtd.ts';
export { thermistorOhms, thermistorTemperature } from './sensors/thermistor.ts';
export {
  thermocoupleMillivolts,
  thermocoupleTemperature,
  thermocoupleTolerance,
  thermocoupleVoltage,
  hotEnd,
  seebeck,
} from './sensors/thermocouple.ts';
export { THERMOCOUPLE_TYPES } from './sensors/thermocoupleFunctions.ts';
export type { ThermocoupleType } from './sensors/thermocoupleFunctions.ts';
export { effective } from './effective.ts';
export { sweepChain } from './sweep.ts';
export type { Sweep } from './sweep.ts';
export { MIN_RATIO, injectionPoints, judgeCalibration } from './transmitterCalibration.ts';
export type { CalibrationOutcome, InjectionPoint } from './transmitterCalibration.ts';
export { reconcile } from './twoDisplays.ts';
export type { Reconciled } from './twoDisplays.ts';
