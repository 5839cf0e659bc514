import { Said } from './said.ts';
import { COLLECTION_NAMES, JobContent, JobHead } from '@keypost/core/model';
import { z } from 'zod';

/** The lists of rows that a job is made of. */
export const Collection = z.enum(COLLECTION_NAMES);

export const JobSummary = z.object({
  id: z.string(),
  name: z.string(),
  site: z.string(),
  points: z.int(),
  updatedAt: z.string(),
});

/** A stored job with the revision of each of its rows, keyed `collection/id`, and of its head, keyed `job/id`. */
export const JobView = z.object({
  id: z.string(),
  revision: z.int(),
  content: JobContent,
  revisions: z.record(z.string(), z.int()),
  /** Rows that cannot be read, or that rest on such: the job is shown without them, and cannot be changed. */
  damaged: z
    .array(
      z.object({
        collection: Collection,
        id: z.string(),
        name: z.string().optional(),
        problem: z.object({ path: z.string(), message: Said }).optional(),
      }),
    )
    .readonly()
    .default([]),
});

/** A row after a change; `row` is null when it was removed. */
export const ChangedRow = z.object({
  collection: z.union([Collection, z.literal('job')]),
  id: z.string(),
  revision: z.int(),
  row: z.record(z.string(), z.unknown()).nullable(),
});

export const ChangeResponse = z.object({
  /** The change had been stored before; the job must be read anew to see it. */
  again: z.boolean(),
  revision: z.int(),
  /** What the job says of itself then. */
  head: JobHead,
  rows: z.array(ChangedRow),
});

export const JobEvent = z.object({
  id: z.int(),
  at: z.string(),
  by: z.string(),
  /** The change that it is part of. */
  changeId: z.string(),
  what: z.string(),
  collection: z.union([Collection, z.literal('job')]),
  rowId: z.string(),
  before: z.record(z.string(), z.unknown()).nullable(),
  after: z.record(z.string(), z.unknown()).nullable(),
});

const Mark = z.enum(['open', 'underway', 'proven', 'failed', 'doubtful', 'cannot']);

/** How far one point is: one mark for all its stages, and the line that says why or what next. */
const BoardRow = z.object({
  pointId: z.string(),
  tag: z.string(),
  name: z.string(),
  overall: Mark,
  stages: z
    .array(z.object({ stage: z.enum(['fit', 'land', 'set', 'scale', 'switch', 'prove']), mark: Mark }))
    .readonly(),
  line: z.union([z.string(), Said]),
});

/** How often a job was changed: whoever shows it reads it again when this has moved on. */
export const JobRevision = z.object({ revision: z.int() });

/** The board of a job at a revision; no rows while they are not worked out for it. */
export const BoardView = z.object({ revision: z.int(), rows: z.array(BoardRow).nullable() });

/** Problem details of RFC 9457, with the fields concerned and, for a stale write, the row as it is now. */
export const ProblemDetails = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  /** The sentence, for those who have no catalog of messages. */
  detail: z.string(),
  /** What `type` names, with its parameters. */
  message: Said,
  problems: z.array(z.object({ path: z.string(), message: Said, detail: z.string() })).optional(),
  current: z.array(ChangedRow).optional(),
});

export type JobSummary = z.infer<typeof JobSummary>;
export type BoardRow = z.infer<typeof BoardRow>;
export type JobRevision = z.infer<typeof JobRevision>;
export type BoardView = z.infer<typeof BoardView>;
export type JobView = z.infer<typeof JobView>;
export type ChangedRow = z.infer<typeof ChangedRow>;
export type ChangeResponse = z.infer<typeof ChangeResponse>;
export type JobEvent = z.infer<typeof JobEvent>;
export type ProblemDetails = z.infer<typeof ProblemDetails>;
