import { Link } from '@keypost/core/model';
import { z } from 'zod';
import { ANSWERS } from './answers.ts';
import { CALLS } from './calls.ts';
import { ChangeRequest, ImportedJob, NewJob, NewPhoto, TeachRequest, UndoRequest } from './requests.ts';

/** What routes are about. */
export const TAGS = {
  server: 'The server itself',
  jobs: 'Jobs, whole',
  changes: 'Changes of a job, and what was done',
  photos: 'Photos of points, parts, steps and results',
  partners: 'Devices and sources that the server speaks to',
  practice: 'The simulated partners of a demo',
} as const;

export interface Route {
  readonly method: 'GET' | 'POST' | 'DELETE';
  readonly path: string;
  readonly tag: keyof typeof TAGS;
  readonly summary: string;
  readonly params?: z.ZodObject;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  readonly response: z.ZodType;
}

const JobParams = z.object({ jobId: z.string().min(1).max(64) });
const ItemParams = JobParams.extend({ itemId: z.string().min(1).max(64) });
const By = z.strictObject({ by: ChangeRequest.shape.by });

/** Every route of the server, as data: the server registers them, the client calls them. */
export const ROUTES = {
  health: {
    ...CALLS.health,
    response: ANSWERS.health,
    tag: 'server',
    summary: 'Whether the server answers',
  },
  listJobs: {
    ...CALLS.listJobs,
    response: ANSWERS.listJobs,
    tag: 'jobs',
    summary: 'All jobs',
  },
  createJob: {
    ...CALLS.createJob,
    response: ANSWERS.createJob,
    tag: 'jobs',
    summary: 'A new, empty job',
    body: NewJob,
  },
  openDemo: {
    ...CALLS.openDemo,
    response: ANSWERS.openDemo,
    tag: 'jobs',
    summary: 'A made-up job to look around in: the one that is there, or a new one under this id',
    body: NewJob.pick({ id: true }),
  },
  importJob: {
    ...CALLS.importJob,
    response: ANSWERS.importJob,
    tag: 'jobs',
    summary: 'A new job from the text of a job file',
    body: ImportedJob,
  },
  getJob: {
    ...CALLS.getJob,
    response: ANSWERS.getJob,
    tag: 'jobs',
    summary: 'One job',
    params: JobParams,
  },
  removeJob: {
    ...CALLS.removeJob,
    response: ANSWERS.removeJob,
    tag: 'jobs',
    summary: 'Removes a job; its events stay',
    params: JobParams,
    query: By,
  },
  exportJob: {
    ...CALLS.exportJob,
    response: ANSWERS.exportJob,
    tag: 'jobs',
    summary: 'The job file',
    params: JobParams,
  },
  changeJob: {
    ...CALLS.changeJob,
    response: ANSWERS.changeJob,
    tag: 'changes',
    summary: 'Applies one change in one transaction',
    params: JobParams,
    body: ChangeRequest,
  },
  addPhoto: {
    ...CALLS.addPhoto,
    response: ANSWERS.addPhoto,
    tag: 'photos',
    summary: 'Adds a photo with its picture, in one transaction',
    params: JobParams,
    body: NewPhoto,
  },
  undoChange: {
    ...CALLS.undoChange,
    response: ANSWERS.undoChange,
    tag: 'changes',
    summary: 'Takes a change back in one transaction, as long as nothing rests on it',
    params: JobParams,
    body: UndoRequest,
  },
  revision: {
    ...CALLS.revision,
    response: ANSWERS.revision,
    tag: 'jobs',
    summary: 'How often a job was changed, for pages that follow it',
    params: JobParams,
  },
  board: {
    ...CALLS.board,
    response: ANSWERS.board,
    tag: 'jobs',
    summary: 'How far each point of a job is, as far as the server has worked it out',
    params: JobParams,
  },
  listEvents: {
    ...CALLS.listEvents,
    response: ANSWERS.listEvents,
    tag: 'changes',
    summary: 'What was done to a job or to one of its points, newest first',
    params: JobParams,
    query: z.strictObject({
      pointId: z.string().optional(),
      /** Only what was told before this one: how the next page is read. */
      before: z.coerce.number().int().min(1).max(Number.MAX_SAFE_INTEGER).optional(),
      limit: z.coerce.number().int().min(1).max(500).default(100),
    }),
  },
  readItem: {
    ...CALLS.readItem,
    response: ANSWERS.readItem,
    tag: 'partners',
    summary: 'Reads parameters from the device itself and keeps them as found',
    params: ItemParams,
    body: By.extend({ keys: z.array(z.string().max(40)).max(120) }),
  },
  writeParameter: {
    ...CALLS.writeParameter,
    response: ANSWERS.writeParameter,
    tag: 'partners',
    summary: 'Writes one parameter to the device, reads it back, and keeps as left what was read back',
    params: ItemParams,
    body: By.extend({ key: z.string().max(40), value: z.string().max(60) }),
  },
  teach: {
    ...CALLS.teach,
    response: ANSWERS.teach,
    tag: 'partners',
    summary: 'Teaches a switching point from the present value, and reads back what the device took',
    params: ItemParams,
    body: By.extend(TeachRequest.shape),
  },
  inject: {
    ...CALLS.inject,
    response: ANSWERS.inject,
    tag: 'partners',
    summary: 'Has a bench source give a value in place of a sensor, and reads back what it truly gives',
    body: z.strictObject({ link: Link, unit: z.string().max(12), value: z.number() }),
  },
  measure: {
    ...CALLS.measure,
    response: ANSWERS.measure,
    tag: 'partners',
    summary: 'Asks a bench source what it measures at its own terminals; it goes on giving what it gives',
    body: z.strictObject({ link: Link, unit: z.string().max(12) }),
  },
  practice: {
    ...CALLS.practice,
    response: ANSWERS.practice,
    tag: 'practice',
    summary: 'The simulated partners of this server, and what is plugged into them',
  },
  practise: {
    ...CALLS.practise,
    response: ANSWERS.practise,
    tag: 'practice',
    summary: 'Unplugs, replaces or breaks a simulated device, or mends it',
    body: z.strictObject({
      what: z.union([
        z.strictObject({ port: z.int().min(1).max(64) }),
        z.strictObject({ unit: z.int().min(1).max(247) }),
      ]),
      act: z.enum(['unplug', 'plug', 'replace', 'fail', 'mend']),
    }),
  },
} as const satisfies Record<string, Route>;

export type RouteName = keyof typeof ROUTES;
