import { ANALYSIS } from './analysis.ts';
import { DRAWING } from './drawing.ts';
import { EVENT } from './event.ts';
import { FIELDBUS } from './fieldbus.ts';
import { IO_LINK } from './ioLink.ts';
import { JOB } from './job.ts';
import { LANDING } from './landing.ts';
import { MODEL } from './model.ts';
import { PLANNING } from './planning.ts';
import { PROOF } from './proof.ts';
import { QUANTITY } from './quantity.ts';
import { REASON } from './reason.ts';
import { REASON_OUTSIDE } from './reasonOutside.ts';
import { REMEDY } from './remedy.ts';
import { SCALING } from './scaling.ts';
import { SCALING_DATA } from './scalingData.ts';
import { SCHEMA } from './schema.ts';
import { SERVICE } from './service.ts';
import { SETTING } from './setting.ts';
import { STEP } from './step.ts';
import { TEXT } from './text.ts';
import { TOOLS } from './tools.ts';
import { VERDICT } from './verdict.ts';

/** Every sentence of the core by its code; an area a file. */
export const CATALOG = {
  ...ANALYSIS,
  ...DRAWING,
  ...EVENT,
  ...FIELDBUS,
  ...IO_LINK,
  ...JOB,
  ...LANDING,
  ...MODEL,
  ...PLANNING,
  ...PROOF,
  ...QUANTITY,
  ...REASON,
  ...REASON_OUTSIDE,
  ...REMEDY,
  ...SCALING,
  ...SCALING_DATA,
  ...SCHEMA,
  ...SERVICE,
  ...SETTING,
  ...STEP,
  ...TEXT,
  ...TOOLS,
  ...VERDICT,
} as const;
