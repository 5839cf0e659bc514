import { ANALYSIS } from './analysis.ts';
import { DRAWING } from './drawing.ts';
import { EVENT } from './event.ts';
import { FAULT } from './fault.ts';
import { FIELDBUS } from './fieldbus.ts';
import { IO_LINK } from './ioLink.ts';
import { LANDING } from './landing.ts';
import { PLANNING } from './planning.ts';
import { REASON } from './reason.ts';
import { REASON_OUTSIDE } from './reasonOutside.ts';
import { REMEDY } from './remedy.ts';
import { SCALING } from './scaling.ts';
import { SCALING_DATA } from './scalingData.ts';
import { SETTING } from './setting.ts';
import { STEP } from './step.ts';
import { SWITCHING } from './switching.ts';
import { SWITCHING_TOOLS } from './switchingTools.ts';
import { TOOLS } from './tools.ts';
import { VERDICT } from './verdict.ts';

/** What only is said once something was judged: verdicts, ways out, steps, plans. */
export const LATER = {
  ...ANALYSIS,
  ...DRAWING,
  ...EVENT,
  ...FAULT,
  ...FIELDBUS,
  ...IO_LINK,
  ...LANDING,
  ...PLANNING,
  ...REASON,
  ...REASON_OUTSIDE,
  ...REMEDY,
  ...SCALING,
  ...SCALING_DATA,
  ...SETTING,
  ...STEP,
  ...SWITCHING,
  ...SWITCHING_TOOLS,
  ...TOOLS,
  ...VERDICT,
} as const;
