import { keepNewest } from '@keypost/core/lists';
import type { Database } from '../db/connection.ts';
import { revisionOfJob } from '../db/store.ts';

/** So many jobs are remembered; one that went is asked for again. */
const MAX_KNOWN = 1_000;

/**
 * Where jobs stand, as every process that shares the database tells it: for those who follow a job without asking the
 * database each time. What is told comes a little after a change was stored, so whoever must not be behind asks.
 */
export class Revisions {
  readonly #db: Database;
  readonly #known = new Map<string, number>();
  readonly #asking = new Set<{ readonly jobId: string; wasTold: boolean }>();
  readonly #removed: (jobId: string) => void;
  #isListening = false;

  /** @param removed is called with each job that somebody removed. */
  constructor(db: Database, removed: (jobId: string) => void) {
    this.#db = db;
    this.#removed = removed;
  }

  /** Begins to listen. */
  async open(): Promise<void> {
    await this.#db.listen('keypost_job', {
      begins: () => (this.#isListening = true),
      told: (payload) => this.#hear(JSON.parse(payload) as { id: string; revision?: number }),
      ends: () => {
        this.#isListening = false;
        this.#known.clear();
        this.#asking.forEach((one) => (one.wasTold = true));
      },
    });
  }

  /** Where a job stands, by what was told of it last; nothing when there is none of that id. */
  async followed(jobId: string): Promise<number | undefined> {
    const known = this.#known.get(jobId);
    if (known !== undefined) return known;
    const asked = { jobId, wasTold: !this.#isListening };
    this.#asking.add(asked);
    try {
      const revision = await revisionOfJob(this.#db, jobId);
      // What was told meanwhile may be newer than the answer.
      if (revision !== undefined && !asked.wasTold) this.#remember(jobId, revision);
      return revision;
    } finally {
      this.#asking.delete(asked);
    }
  }

  #hear({ id, revision }: { readonly id: string; readonly revision?: number }): void {
    for (const one of this.#asking) if (one.jobId === id) one.wasTold = true;
    if (revision !== undefined) return this.#remember(id, revision);
    this.#known.delete(id);
    this.#removed(id);
  }

  #remember(jobId: string, revision: number): void {
    keepNewest(this.#known, jobId, revision, MAX_KNOWN);
  }
}
