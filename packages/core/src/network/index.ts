export { EARTHING, assemble, elementId } from './assemble.ts';
export { contextOf, elementOf, signalLeads, signalNode, supplyNodes } from './context.ts';
export type { OwnPort, PointContext } from './context.ts';
export { copperAmps, wireOhms } from './copper.ts';
export {
  aboutKind,
  aboutPoint,
  aboutSettings,
  aboutValue,
  aboutWires,
  changedParts,
  ofPorts,
} from './fingerprint.ts';
export {
  LOGIC_EXPLAINED,
  LOGIC_TEXT,
  OUTPUT_EXPLAINED,
  OUTPUT_TEXT,
  commonText,
  deviceText,
  inputVocabulary,
  placeText,
  portCommonText,
  relayedRuleFor,
  ruleFor,
  senseOf,
} from './partText.ts';
export { holdsStandIns, nameless } from './nameless.ts';
export { ownText, sectionsOf, sharedText } from './sections.ts';
export { railJoints, shortsOf } from './railJoints.ts';
export type { RailJoint } from './railJoints.ts';
export { scopeOf } from './scope.ts';
export { IDLE } from './world.ts';
