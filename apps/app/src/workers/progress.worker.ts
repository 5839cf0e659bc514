import { analyse } from '@keypost/core/analysis';
import { JobIndex } from '@keypost/core/job';
import { progressOf } from '@keypost/core/proving';
import type { JobContent } from '@keypost/core/model';
import type { PointProgress } from '@keypost/core/proving';

/** So many points go into one message: few enough that the page takes it in without a stop. */
const BATCH = 40;

/** Checks whole jobs away from the page, and tells of the points in batches. */
self.onmessage = ({ data: { ticket, job } }: MessageEvent<{ ticket: number; job: JobContent }>) => {
  const index = new JobIndex(job);
  let batch: PointProgress[] = [];
  const say = (last: boolean): void => {
    self.postMessage({ ticket, batch, last });
    batch = [];
  };
  for (const point of job.points) {
    batch.push(progressOf(job, analyse(index, point.id)));
    if (batch.length >= BATCH) say(false);
  }
  say(true);
};
