export { decodeParameter, encodeParameter } from './describedParameters.ts';
export type { BusParameter } from './describedParameters.ts';
export type {
  DescribedItem,
  DescribedRecord,
  DescribedVariable,
  IoLinkDescription,
} from './descriptionTypes.ts';
export { bytesOfHex, hexOf } from './hex.ts';
export { knownDescription } from './knownDescription.ts';
export type { KnownDescription } from './knownDescription.ts';
export { liveItems, portFlag } from './liveValue.ts';
export type { PortState } from './liveValue.ts';
export { measuredItems } from './measuredItems.ts';
export type { MeasuredItem } from './measuredItems.ts';
export { portAddresses } from './portAddresses.ts';
export type { Numbering, PortAddress } from './portAddresses.ts';
export { processDataInForce } from './processDataInForce.ts';
export { bitsOf, decodeRecord, encodeRecord, scaled } from './processData.ts';
export type { ItemValue, Scale } from './processData.ts';
export {
  COMMAND_INDEX,
  SWITCH_CHANNELS,
  SWITCH_MODES,
  TEACH_COMMANDS,
  TEACH_RESULT_INDEX,
  TEACH_SELECT_INDEX,
  channelProblems,
  switchedBy,
} from './smartSensor.ts';
export type { SwitchChannel, TeachCommand } from './smartSensor.ts';
export { cycleBytes, decodeCycleTime, encodeCycleTime, messageSeconds } from './timing.ts';
export { refuseFlawed } from './wellFormed.ts';
export { MAX_DESCRIPTION_BYTES } from './xmlTree.ts';
