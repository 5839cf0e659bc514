import type { Database, Queryable } from '../db/connection.ts';
import { readJob, revisionOfJob } from '../db/store.ts';
import { KeptJob } from './keptJob.ts';

/** So many jobs are kept; the one that was asked for longest ago goes first. */
const MAX_KEPT = 12;

/** Jobs in memory by their revision. Another process may change the database: each is asked where it stands. */
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
    const stored = await readJob(tx, jobId);
    if (!stored) return undefined;
    const job = KeptJob.read(stored);
    this.keep(job);
    return job;
  }

  /** A job as it is stored now. */
  keep(job: KeptJob): KeptJob {
    const { id } = job.stored;
    const now = this.#kept.get(id);
    if (now && now.revision > job.revision) return now;
    this.#kept.delete(id);
    this.#kept.set(id, job);
    for (const oldest of this.#kept.keys()) {
      if (this.#kept.size <= MAX_KEPT) break;
      this.#kept.delete(oldest);
    }
    return job;
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
          return readJob(tx, jobId);
        })
        .then((stored) => stored && this.keep(KeptJob.read(stored)))
        .finally(() => this.#reading.delete(jobId));
      this.#reading.set(jobId, reading);
    }
    return reading;
  }
}
