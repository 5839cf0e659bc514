export { EARTHING, assemble, elementId } from './assemble.ts';
export { contextOf, signalLeads, signalNode, supplyNodes } from './context.ts';
export type { OwnPort, PointContext } from './context.ts';
export { copperAmps, wireOhms } from './copper.ts';
export {
  LOGIC_EXPLAINED,
  LOGIC_WORDS,
  OUTPUT_EXPLAINED,
  OUTPUT_WORDS,
  commonWords,
  deviceWords,
  inputVocabulary,
  placeWords,
  portCommonWords,
  ruleFor,
  senseOf,
} from './partWords.ts';
export { scopeOf } from './scope.ts';
export { IDLE, outputCalled } from './world.ts';
