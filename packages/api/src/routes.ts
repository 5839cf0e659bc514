import { Link } from '@keypost/core/model';
import { z } from 'zod';
import { PracticeState, ReadOutcome, TeachRequest, WriteOutcome } from './partners.ts';
import { ChangeRequest, ChangeResponse, JobEvent, JobSummary, JobView, NewJob } from './schemas.ts';

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
    method: 'GET',
    path: '/api/health',
    summary: 'Whether the server answers',
    response: z.object({ ok: z.literal(true), version: z.string() }),
  },
  listJobs: { method: 'GET', path: '/api/jobs', summary: 'All jobs', response: z.array(JobSummary) },
  createJob: {
    method: 'POST',
    path: '/api/jobs',
    summary: 'A new, empty job',
    body: NewJob,
    response: JobView,
  },
  importJob: {
    method: 'POST',
    path: '/api/jobs/import',
    summary: 'A new job from a job file, sent as plain text',
    query: By,
    body: z.string(),
    response: JobView,
  },
  getJob: {
    method: 'GET',
    path: '/api/jobs/:jobId',
    summary: 'One job',
    params: JobParams,
    response: JobView,
  },
  removeJob: {
    method: 'DELETE',
    path: '/api/jobs/:jobId',
    summary: 'Removes a job; its events stay',
    params: JobParams,
    query: By,
    response: z.object({ removed: z.string() }),
  },
  exportJob: {
    method: 'GET',
    path: '/api/jobs/:jobId/file',
    summary: 'The job file',
    params: JobParams,
    response: z.string(),
  },
  changeJob: {
    method: 'POST',
    path: '/api/jobs/:jobId/changes',
    summary: 'Applies one change in one transaction',
    params: JobParams,
    body: ChangeRequest,
    response: ChangeResponse,
  },
  listEvents: {
    method: 'GET',
    path: '/api/jobs/:jobId/events',
    summary: 'What was done to a job or to one of its points, newest first',
    params: JobParams,
    query: z.object({
      pointId: z.string().optional(),
      limit: z.coerce.number().int().min(1).max(500).default(100),
    }),
    response: z.array(JobEvent),
  },
  readItem: {
    method: 'POST',
    path: '/api/jobs/:jobId/items/:itemId/read',
    summary: 'Reads parameters from the device itself and keeps them as found',
    params: ItemParams,
    body: By.extend({ keys: z.array(z.string().max(40)).max(120) }),
    response: ReadOutcome,
  },
  writeParameter: {
    method: 'POST',
    path: '/api/jobs/:jobId/items/:itemId/write',
    summary: 'Writes one parameter to the device, reads it back, and keeps as left what was read back',
    params: ItemParams,
    body: By.extend({ key: z.string().max(40), value: z.string().max(60) }),
    response: WriteOutcome,
  },
  teach: {
    method: 'POST',
    path: '/api/jobs/:jobId/items/:itemId/teach',
    summary: 'Teaches a switching point from the present value, and reads back what the device took',
    params: ItemParams,
    body: By.extend(TeachRequest.shape),
    response: ReadOutcome,
  },
  inject: {
    method: 'POST',
    path: '/api/bench',
    summary: 'Has a bench source give a value in place of a sensor, and reads back what it truly gives',
    body: z.object({ link: Link, unit: z.string().max(12), value: z.number() }),
    response: z.object({ injected: z.number(), source: z.string() }),
  },
  practice: {
    method: 'GET',
    path: '/api/practice',
    summary: 'The simulated partners of this server, and what is plugged into them',
    response: PracticeState,
  },
  practise: {
    method: 'POST',
    path: '/api/practice',
    summary: 'Unplugs, replaces or breaks a simulated device, or mends it',
    body: z.object({
      what: z.union([
        z.object({ port: z.int().min(1).max(64) }),
        z.object({ unit: z.int().min(1).max(247) }),
      ]),
      act: z.enum(['unplug', 'plug', 'replace', 'fail', 'mend']),
    }),
    response: PracticeState,
  },
} as const satisfies Record<string, Route>;

export type RouteName = keyof typeof ROUTES;
