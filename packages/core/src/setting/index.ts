export { agreementsOf } from './agreement.ts';
export type { Agreement } from './agreement.ts';
export { networkPlaceOf, serialPlaceOf } from './derive/bus.ts';
export { widestWidth } from './derive/pulsePlan.ts';
export { parseIpv4, prefixOf } from './ethernetPlan.ts';
export { fitSteps, plateLines, plateProblem } from './fit.ts';
export type { PlateLine } from './fit.ts';
export { frameOf, readFrame } from './frame.ts';
export { AnswerReader } from './modbus/answers.ts';
export type { Besides } from './modbus/answers.ts';
export { readRtuFrame, rtuFrame, takeTcpFrame, tcpFrame } from './modbus/frames.ts';
export {
  UnitException,
  answerRequest,
  readRegistersAnswer,
  readRegistersRequest,
  writeRegistersRequest,
} from './modbus/pdu.ts';
export type { UnitMemory } from './modbus/pdu.ts';
export {
  decodeRegisters,
  encodeRegisters,
  likelierOrder,
  matchingFormats,
  registersOf,
  registersText,
} from './modbus/registers.ts';
export type { Match, RegisterFormat } from './modbus/registers.ts';
export { rtuLength } from './modbus/rtuLength.ts';
export { networkFaults, networkSteps } from './networkPlan.ts';
export { ioLinkMasters, portPlan, spokenSheet } from './portPlan.ts';
export type { PlannedPort } from './portPlan.ts';
export { pollSeconds, serialFaults, voltsAtRest } from './serialLine.ts';
export { LINE_NAMES, lineOf, namingSentence, planAsSet } from './serialPlan.ts';
export { countSet, lineText, presentText, sheetOf, sheetsOf } from './sheet.ts';
export type { LineState, Sheet, SheetLine } from './sheet.ts';
export { differencesBetween, leftBefore, momentsOf, movedBy, stepsTo } from './sheetChanges.ts';
export type { Moved } from './sheetChanges.ts';
export { readSheetFile, writeSheetCsv, writeSheetJson } from './sheetFile.ts';
export { wayTo } from './wayTo.ts';
