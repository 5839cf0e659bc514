export { addressOf } from './addresses.ts';
export { ownWires, planDifferences, printedAt, refText, terminalName } from './asFound.ts';
export { Change, NOBODY, partsOf } from './changeSchema.ts';
export type { Actor, SingleChange } from './changeSchema.ts';
export { applyChange, applyHistory } from './changes.ts';
export { faultCases, faultExperience, openCase } from './faultCases.ts';
export type { FaultCase } from './faultCases.ts';
export { feedersOf, minusOf, plusOf } from './feeders.ts';
export { canBeStopped, checkIntegrity } from './integrity.ts';
export { descriptionOf, parametersOf } from './itemParameters.ts';
export { JobIndex, otherEnd } from './jobIndex.ts';
export type { ChannelPlace, CommonRail, Rail } from './jobIndex.ts';
export { sizeProblems } from './limits.ts';
export { kindFileSchema, readKindFile, writeKindFile } from './kindFile.ts';
export type { OwnCollection } from './kindFile.ts';
export { parseJson } from './parseJson.ts';
export { portFits } from './portFits.ts';
export { changesFor, landingFor, landingsOf } from './landings.ts';
export type { Landing } from './landings.ts';
export { asItStands } from './asItStands.ts';
export { ownFunction } from './ownFunction.ts';
export { presentValues, sameValue, wipesIt } from './presentValues.ts';
export type { Present, Seen } from './presentValues.ts';
export {
  PANEL,
  RAIL_COLOURS,
  colourTo,
  commonRails,
  contactRail,
  moduleSupplyWires,
  numbering,
  panelWire,
  proposeWires,
  railColour,
  wireId,
  supplyOfRail,
  takesAc,
} from './propose.ts';
export { undoChange } from './undo.ts';
export { isBeginning, ownName, rowName, whoAndWhen, whyKept } from './records.ts';
export type { RowChange } from './records.ts';
export { makeUpChanges, USUAL_HERTZ, USUAL_UNITS } from './makeUps.ts';
export type { MostSensors } from './makeUps.ts';
export { freeTag, proposeModule } from './proposeModule.ts';
export { isReturn, oppositeRail, railText } from './words.ts';
export { givesBit, takesProgram } from './programs.ts';
