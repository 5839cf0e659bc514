import { z } from 'zod';
import { PracticeState, ReadOutcome, WriteOutcome } from './partners.ts';
import { BoardView, ChangeResponse, JobEvent, JobRevision, JobSummary, JobView } from './schemas.ts';

/** How each route is reached and what it answers: all that a client needs to call it. */
export const CALLS = {
  health: {
    method: 'GET',
    path: '/api/health',
    response: z.object({ ok: z.literal(true), version: z.string() }),
  },
  listJobs: { method: 'GET', path: '/api/jobs', response: z.array(JobSummary) },
  createJob: { method: 'POST', path: '/api/jobs', response: JobView },
  openDemo: { method: 'POST', path: '/api/demo', response: JobView },
  importJob: { method: 'POST', path: '/api/jobs/import', response: JobView, patience: 120 },
  getJob: { method: 'GET', path: '/api/jobs/:jobId', response: JobView, patience: 30 },
  removeJob: { method: 'DELETE', path: '/api/jobs/:jobId', response: z.object({ removed: z.string() }) },
  exportJob: { method: 'GET', path: '/api/jobs/:jobId/file', response: z.string(), patience: 60 },
  changeJob: { method: 'POST', path: '/api/jobs/:jobId/changes', response: ChangeResponse },
  addPhoto: { method: 'POST', path: '/api/jobs/:jobId/photos', response: ChangeResponse, patience: 60 },
  undoChange: { method: 'POST', path: '/api/jobs/:jobId/undo', response: ChangeResponse },
  revision: { method: 'GET', path: '/api/jobs/:jobId/revision', response: JobRevision },
  board: { method: 'GET', path: '/api/jobs/:jobId/board', response: BoardView },
  listEvents: { method: 'GET', path: '/api/jobs/:jobId/events', response: z.array(JobEvent) },
  readItem: {
    method: 'POST',
    path: '/api/jobs/:jobId/items/:itemId/read',
    response: ReadOutcome,
    patience: 120,
  },
  writeParameter: {
    method: 'POST',
    path: '/api/jobs/:jobId/items/:itemId/write',
    response: WriteOutcome,
    patience: 60,
  },
  teach: {
    method: 'POST',
    path: '/api/jobs/:jobId/items/:itemId/teach',
    response: ReadOutcome,
    patience: 60,
  },
  inject: {
    method: 'POST',
    path: '/api/bench',
    patience: 30,
    response: z.object({ injected: z.number(), source: z.string() }),
  },
  measure: {
    method: 'POST',
    path: '/api/bench/measure',
    patience: 30,
    response: z.object({ measured: z.number(), source: z.string() }),
  },
  practice: { method: 'GET', path: '/api/practice', response: PracticeState },
  practise: { method: 'POST', path: '/api/practice', response: PracticeState },
} as const;

/** Where the picture of a photo is, by the SHA-256 of its file. */
export const PICTURE_ROUTE = '/api/jobs/:jobId/photos/:sha256';
export const picturePath = (jobId: string, sha256: string): string =>
  PICTURE_ROUTE.replace(':jobId', encodeURIComponent(jobId)).replace(':sha256', sha256);

/** Where server-sent events of a job's live values come from. */
export const LIVE_ROUTE = '/api/jobs/:jobId/live';
export const livePath = (jobId: string): string => LIVE_ROUTE.replace(':jobId', encodeURIComponent(jobId));
