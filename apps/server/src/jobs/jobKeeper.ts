import { keepNewest } from '@keypost/core/lists';
import type { Database, Queryable } from '../db/connection.ts';
import { catchUp } from '../db/catchUp.ts';
import { readJob, revisionOfJob } from '../db/store.ts';
import { KeptJob } from './keptJob.ts';

/** So many jobs are kept; the one that was asked for longest ago goes first. */
const MAX_KEPT = 12;

/**
 * Jobs in memory by their revision. Another process may change the database, and what is told of it comes a little
 * later: each time a job is asked where it stands, so that nobody reads less than was acknowledged before.
 */
export class JobKeeper {
  readonly #db: Database;
  readonly #kept = new Map<string, KeptJob>();
  readonly #reading = new Map<string, Promise<KeptJob | undefined>>();

  constructor(db: Database) {
    this.#db = db;
  }

  /** A job as it is now; nothing when there is none of that id. */
  async job(jobId: string): Promise<KeptJob | undefined> {
    const revision = await revisionOfJob(this.#db, jobId);
    if (revision === undefined) {
      this.#kept.delete(jobId);
      return undefined;
    }
    return this.#at(jobId, revision) ?? this.#read(jobId);
  }

  /** The same within a transaction that holds the job at a revision. */
  async within(tx: Queryable, jobId: string, revision: number): Promise<KeptJob | undefined> {
    const kept = this.#at(jobId, revision);
    if (kept) return kept;
    const job = await this.#now(tx, jobId);
    return job && this.keep(job);
  }

  /** From the database: what happened since it was kept, or else all of it. */
  async #now(tx: Queryable, jobId: string): Promise<KeptJob | undefined> {
    const kept = this.#kept.get(jobId);
    const caught = kept && !kept.damaged.length ? await catchUp(tx, kept.stored) : undefined;
    if (caught) return new KeptJob(caught, caught.content);
    const stored = await readJob(tx, jobId);
    return stored && KeptJob.read(stored);
  }

  /** A job as it is stored now. */
  keep(job: KeptJob): KeptJob {
    const { id } = job.stored;
    const now = this.#kept.get(id);
    if (now && now.revision > job.revision) return now;
    return keepNewest(this.#kept, id, job, MAX_KEPT);
  }

  forget(jobId: string): void {
    this.#kept.delete(jobId);
  }

  #at(jobId: string, revision: number): KeptJob | undefined {
    const kept = this.#kept.get(jobId);
    return kept?.revision === revision ? this.keep(kept) : undefined;
  }

  /** Those who ask while it is being read wait for the same. */
  #read(jobId: string): Promise<KeptJob | undefined> {
    let reading = this.#reading.get(jobId);
    if (!reading) {
      reading = this.#db
        .transaction(async (tx) => {
          await tx.exec('set transaction isolation level repeatable read');
          return this.#now(tx, jobId);
        })
        .then((job) => job && this.keep(job))
        .finally(() => this.#reading.delete(jobId));
      this.#reading.set(jobId, reading);
    }
    return reading;
  }
}
