export { REGION_TEXT, rowChanges, rowWords } from './rowText.ts';
export { nothing } from './landStep.ts';
export type { LandStep } from './landStep.ts';
export { changedText, stampName } from './stampText.ts';
export { landSteps, stampedSteps } from './steps.ts';
export type { StampedStep } from './steps.ts';
export { loopView } from './view/loopView.ts';
export { PATH_AMPS } from './view/viewTypes.ts';
export type { LoopView, ViewGlyph, ViewCard, ViewRow, ViewTerminal, ViewWire } from './view/viewTypes.ts';
