import { say } from '../messages/index.ts';
/** Stands wherever a safety device is shown. */
export const SAFETY_NOTE = say('analysis.check-wiring-function-risk');
