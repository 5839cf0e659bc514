import '@keypost/core/messages/all';
import { progressIn } from '@keypost/core/proving';
import type { JobContent } from '@keypost/core/model';
import type { PointProgress } from '@keypost/core/proving';
import { expose } from 'comlink';

/** So many points go into one message: few enough that the page takes it in without a stop. */
const BATCH = 40;

/** Checks a whole job away from the page, and tells of its points in batches, each of them waited for. */
async function check(job: JobContent, tell: (batch: PointProgress[]) => unknown): Promise<void> {
  const progress = progressIn(job);
  for (let from = 0; from < job.points.length; from += BATCH)
    await tell(job.points.slice(from, from + BATCH).map(({ id }) => progress(id)));
}

const checker = { check };
export type Checker = typeof checker;

expose(checker);
