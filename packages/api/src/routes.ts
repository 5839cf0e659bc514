import { Link } from '@keypost/core/model';
import { z } from 'zod';
import { CALLS } from './calls.ts';
import { ChangeRequest, ImportedJob, NewJob, TeachRequest, UndoRequest } from './requests.ts';

export interface Route {
  readonly method: 'GET' | 'POST' | 'DELETE';
  readonly path: string;
  readonly summary: string;
  readonly params?: z.ZodObject;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  readonly response: z.ZodType;
}

const JobParams = z.object({ jobId: z.string().min(1).max(64) });
const ItemParams = JobParams.extend({ itemId: z.string().min(1).max(64) });
const By = z.object({ by: ChangeRequest.shape.by });

/** Every route of the server, as data: the server registers them, the client calls them. */
export const ROUTES = {
  health: {
    ...CALLS.health,
    summary: 'Whether the server answers',
  },
  listJobs: {
    ...CALLS.listJobs,
    summary: 'All jobs',
  },
  createJob: {
    ...CALLS.createJob,
    summary: 'A new, empty job',
    body: NewJob,
  },
  openDemo: {
    ...CALLS.openDemo,
    summary: 'A made-up job to look around in: the one that is there, or a new one under this id',
    body: NewJob.pick({ id: true }),
  },
  importJob: {
    ...CALLS.importJob,
    summary: 'A new job from the text of a job file',
    body: ImportedJob,
  },
  getJob: {
    ...CALLS.getJob,
    summary: 'One job',
    params: JobParams,
  },
  removeJob: {
    ...CALLS.removeJob,
    summary: 'Removes a job; its events stay',
    params: JobParams,
    query: By,
  },
  exportJob: {
    ...CALLS.exportJob,
    summary: 'The job file',
    params: JobParams,
  },
  changeJob: {
    ...CALLS.changeJob,
    summary: 'Applies one change in one transaction',
    params: JobParams,
    body: ChangeRequest,
  },
  undoChange: {
    ...CALLS.undoChange,
    summary: 'Takes a change back in one transaction, as long as nothing rests on it',
    params: JobParams,
    body: UndoRequest,
  },
  revision: {
    ...CALLS.revision,
    summary: 'How often a job was changed, for pages that follow it',
    params: JobParams,
  },
  board: {
    ...CALLS.board,
    summary: 'How far each point of a job is, as far as the server has worked it out',
    params: JobParams,
  },
  listEvents: {
    ...CALLS.listEvents,
    summary: 'What was done to a job or to one of its points, newest first',
    params: JobParams,
    query: z.object({
      pointId: z.string().optional(),
      limit: z.coerce.number().int().min(1).max(500).default(100),
    }),
  },
  readItem: {
    ...CALLS.readItem,
    summary: 'Reads parameters from the device itself and keeps them as found',
    params: ItemParams,
    body: By.extend({ keys: z.array(z.string().max(40)).max(120) }),
  },
  writeParameter: {
    ...CALLS.writeParameter,
    summary: 'Writes one parameter to the device, reads it back, and keeps as left what was read back',
    params: ItemParams,
    body: By.extend({ key: z.string().max(40), value: z.string().max(60) }),
  },
  teach: {
    ...CALLS.teach,
    summary: 'Teaches a switching point from the present value, and reads back what the device took',
    params: ItemParams,
    body: By.extend(TeachRequest.shape),
  },
  inject: {
    ...CALLS.inject,
    summary: 'Has a bench source give a value in place of a sensor, and reads back what it truly gives',
    body: z.object({ link: Link, unit: z.string().max(12), value: z.number() }),
  },
  measure: {
    ...CALLS.measure,
    summary: 'Asks a bench source what it measures at its own terminals; it goes on giving what it gives',
    body: z.object({ link: Link, unit: z.string().max(12) }),
  },
  practice: {
    ...CALLS.practice,
    summary: 'The simulated partners of this server, and what is plugged into them',
  },
  practise: {
    ...CALLS.practise,
    summary: 'Unplugs, replaces or breaks a simulated device, or mends it',
    body: z.object({
      what: z.union([
        z.object({ port: z.int().min(1).max(64) }),
        z.object({ unit: z.int().min(1).max(247) }),
      ]),
      act: z.enum(['unplug', 'plug', 'replace', 'fail', 'mend']),
    }),
  },
} as const satisfies Record<string, Route>;

export type RouteName = keyof typeof ROUTES;
