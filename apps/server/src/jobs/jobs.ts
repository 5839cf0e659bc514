import type { Database } from '../db/connection.ts';
import { ChangeQueue } from './changeQueue.ts';
import { JobKeeper } from './jobKeeper.ts';
import { Revisions } from './revisions.ts';

/** The jobs of a server: the database, what is kept of it in memory, and the one way in which a job is changed. */
export interface Jobs {
  readonly db: Database;
  readonly keeper: JobKeeper;
  readonly queue: ChangeQueue;
  /** Where jobs stand, for those who follow. */
  readonly revisions: Revisions;
}

export async function openJobs(db: Database): Promise<Jobs> {
  const keeper = new JobKeeper(db);
  const revisions = new Revisions(db, (jobId) => keeper.forget(jobId));
  await revisions.open();
  return { db, keeper, queue: new ChangeQueue(db, keeper), revisions };
}
