import type { Database } from '../db/connection.ts';
import { ChangeQueue } from './changeQueue.ts';
import { JobKeeper } from './jobKeeper.ts';

/** The jobs of a server: the database, what is kept of it in memory, and the one way in which a job is changed. */
export interface Jobs {
  readonly db: Database;
  readonly keeper: JobKeeper;
  readonly queue: ChangeQueue;
}

export function openJobs(db: Database): Jobs {
  const keeper = new JobKeeper(db);
  return { db, keeper, queue: new ChangeQueue(db, keeper) };
}
