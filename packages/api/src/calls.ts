/** How each route is reached, and how many seconds its answer may take where that is more than usual. */
export const CALLS = {
  health: { method: 'GET', path: '/api/health' },
  listJobs: { method: 'GET', path: '/api/jobs' },
  createJob: { method: 'POST', path: '/api/jobs' },
  openDemo: { method: 'POST', path: '/api/demo', patience: 120 },
  importJob: { method: 'POST', path: '/api/jobs/import', patience: 120 },
  getJob: { method: 'GET', path: '/api/jobs/:jobId', patience: 30 },
  removeJob: { method: 'DELETE', path: '/api/jobs/:jobId' },
  exportJob: { method: 'GET', path: '/api/jobs/:jobId/file', patience: 60 },
  changeJob: { method: 'POST', path: '/api/jobs/:jobId/changes' },
  addPhoto: { method: 'POST', path: '/api/jobs/:jobId/photos', patience: 60 },
  undoChange: { method: 'POST', path: '/api/jobs/:jobId/undo' },
  revision: { method: 'GET', path: '/api/jobs/:jobId/revision' },
  board: { method: 'GET', path: '/api/jobs/:jobId/board', patience: 30 },
  listEvents: { method: 'GET', path: '/api/jobs/:jobId/events' },
  readItem: { method: 'POST', path: '/api/jobs/:jobId/items/:itemId/read', patience: 120 },
  writeParameter: { method: 'POST', path: '/api/jobs/:jobId/items/:itemId/write', patience: 60 },
  teach: { method: 'POST', path: '/api/jobs/:jobId/items/:itemId/teach', patience: 60 },
  inject: { method: 'POST', path: '/api/bench', patience: 30 },
  measure: { method: 'POST', path: '/api/bench/measure', patience: 30 },
  practice: { method: 'GET', path: '/api/practice' },
  practise: { method: 'POST', path: '/api/practice' },
} as const;

/** Where the picture of a photo is, by the SHA-256 of its file. */
export const PICTURE_ROUTE = '/api/jobs/:jobId/photos/:sha256';
export const picturePath = (jobId: string, sha256: string): string =>
  PICTURE_ROUTE.replace(':jobId', encodeURIComponent(jobId)).replace(':sha256', sha256);

/** The unit of a plan, as it is named among those that were asked. */
export const askedUnit = (planId: string, rowId: string): string => `${planId}/${rowId}`;

/** A server that sends live values is heard at least so often, ms: where it is not, nothing is known any more. */
export const LIVE_BREATH_MS = 2000;

/** Where server-sent events of a job's live values come from. */
export const LIVE_ROUTE = '/api/jobs/:jobId/live';
export const livePath = (jobId: string): string => LIVE_ROUTE.replace(':jobId', encodeURIComponent(jobId));
