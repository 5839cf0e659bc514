import { jobProgress } from '@keypost/core';
import type { JobContent } from '@keypost/core';

/** Checks whole jobs away from the page. */
self.onmessage = ({ data }: MessageEvent<{ ticket: number; job: JobContent }>) => {
  self.postMessage({ ticket: data.ticket, progress: jobProgress(data.job) });
};
