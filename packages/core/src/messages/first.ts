import { JOB } from './job.ts';
import { MODEL } from './model.ts';
import { PROOF } from './proof.ts';
import { QUANTITY } from './quantity.ts';
import { SCHEMA } from './schema.ts';
import { SERVICE } from './service.ts';
import { TEXT } from './text.ts';

/** What has to be said before anything is judged: of a list of jobs, of a job's own rows, of a server that is away. */
export const FIRST = {
  ...JOB,
  ...MODEL,
  ...PROOF,
  ...QUANTITY,
  ...SCHEMA,
  ...SERVICE,
  ...TEXT,
} as const;
