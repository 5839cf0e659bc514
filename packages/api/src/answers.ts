import { z } from 'zod';
import { PracticeState, ReadOutcome, WriteOutcome } from './partners.ts';
import {
  BoardView,
  ChangeResponse,
  JobEvent,
  JobRevision,
  JobSummary,
  JobView,
  ProblemDetails,
} from './schemas.ts';

/** What each route answers. */
export const ANSWERS = {
  health: z.object({ ok: z.literal(true), version: z.string() }),
  listJobs: z.array(JobSummary),
  createJob: JobView,
  openDemo: JobView,
  importJob: JobView,
  getJob: JobView,
  removeJob: z.object({ removed: z.string() }),
  exportJob: z.string(),
  changeJob: ChangeResponse,
  addPhoto: ChangeResponse,
  undoChange: ChangeResponse,
  revision: JobRevision,
  board: BoardView,
  listEvents: z.array(JobEvent),
  readItem: ReadOutcome,
  writeParameter: WriteOutcome,
  teach: ReadOutcome,
  inject: z.object({ injected: z.number(), source: z.string() }),
  measure: z.object({ measured: z.number(), source: z.string() }),
  practice: PracticeState,
  practise: PracticeState,
} as const;

/** What each of them answers instead where it refuses. */
export const REFUSAL = ProblemDetails;
