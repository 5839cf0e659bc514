import { sure } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import type { ChangedRow, ChangeRequest, ChangeResponse } from '@keypost/api';
import { applyChange } from '@keypost/core/job';
import type { Change } from '@keypost/core/job';
import { JobProblem } from '@keypost/core/model';
import type { Database, Queryable } from '../db/connection.ts';
import { headOf, lockJob, writeDifference } from '../db/store.ts';
import { notFound, Refusal, stale } from '../problems.ts';
import type { JobKeeper } from './jobKeeper.ts';
import { KeptJob } from './keptJob.ts';

/** A change as it was asked for. */
export interface Asked {
  readonly changeId: string;
  readonly by: string;
  readonly change: Change;
  readonly expects: NonNullable<ChangeRequest['expects']>;
}

interface Waiting {
  readonly jobId: string;
  readonly asked: Asked;
  readonly at: string;
  readonly resolve: (answer: ChangeResponse) => void;
  readonly reject: (error: unknown) => void;
}

type Outcome = { readonly answer: ChangeResponse } | { readonly refused: unknown };

/** A transaction takes no more changes once it has worked so long, ms, or holds so many: others wait too. */
const PATIENCE_MS = 25;
const MOST = 64;

/**
 * Stores changes in the order in which they come. Those that wait together are stored in one transaction, so that one
 * sync of the disk serves all of them; each is still stored whole or refused whole, and answered once it is on the disk.
 */
export class ChangeQueue {
  readonly #db: Database;
  readonly #keeper: JobKeeper;
  readonly #waiting: Waiting[] = [];
  #isWorking = false;

  constructor(db: Database, keeper: JobKeeper) {
    this.#db = db;
    this.#keeper = keeper;
  }

  /** Applies a change to a stored job. @throws Refusal, JobProblem. */
  store(jobId: string, asked: Asked): Promise<ChangeResponse> {
    return new Promise((resolve, reject) => {
      this.#waiting.push({ jobId, asked, at: new Date().toISOString(), resolve, reject });
      if (!this.#isWorking) void this.#work();
    });
  }

  async #work(): Promise<void> {
    this.#isWorking = true;
    try {
      while (this.#waiting.length) await this.#storeSome();
    } finally {
      this.#isWorking = false;
    }
  }

  async #storeSome(): Promise<void> {
    const taken: Waiting[] = [];
    try {
      settle(await this.#together(taken, () => this.#waiting.shift()));
    } catch {
      // One of them broke the transaction, and nothing is stored: each has one of its own.
      for (const one of taken) {
        const alone = [one];
        try {
          settle(await this.#together([], () => alone.shift()));
        } catch (error) {
          one.reject(error);
        }
      }
    }
  }

  /** Stores what there is to take in one transaction. */
  async #together(
    taken: Waiting[],
    next: () => Waiting | undefined,
  ): Promise<(readonly [Waiting, Outcome])[]> {
    const fresh = new Map<string, KeptJob>();
    const outcomes = await this.#db.transaction(async (tx) => {
      const started = performance.now();
      const made: (readonly [Waiting, Outcome])[] = [];
      while (made.length < MOST && (made.length === 0 || performance.now() - started < PATIENCE_MS)) {
        const one = next();
        if (!one) break;
        taken.push(one);
        made.push([one, await this.#one(tx, one, fresh)]);
      }
      return made;
    });
    fresh.forEach((job) => this.#keeper.keep(job));
    return outcomes;
  }

  /** A change that is refused has written nothing, and does not stop the others. */
  async #one(tx: Queryable, one: Waiting, fresh: Map<string, KeptJob>): Promise<Outcome> {
    try {
      return { answer: await this.#apply(tx, one, fresh) };
    } catch (error) {
      if (error instanceof Refusal || error instanceof JobProblem) return { refused: error };
      throw error;
    }
  }

  async #apply(
    tx: Queryable,
    { jobId, asked, at }: Waiting,
    fresh: Map<string, KeptJob>,
  ): Promise<ChangeResponse> {
    const { changeId, by, change, expects } = asked;
    const locked = await lockJob(tx, jobId, changeId);
    const job = locked && (fresh.get(jobId) ?? (await this.#keeper.within(tx, jobId, locked.revision)));
    if (!job) throw notFound(say('service.this-job'));
    // A change that came before is not stored twice: the client learns where the job stands and reads it anew.
    if (locked.again !== null)
      return { again: true, revision: job.revision, head: headOf(job.content), rows: [] };
    if (job.damaged.length) throw new Refusal(422, say('service.damaged', { rows: job.damaged.map(nameOf) }));
    const moved = movedRows(job, expects);
    if (moved.length) throw stale(moved);
    const next = applyChange(job.content, change, { by, at });
    const entry = { jobId, changeId, by, at, what: change.kind };
    const written = await writeDifference(tx, job.stored, next, entry);
    fresh.set(jobId, new KeptJob(written.job, next));
    return { again: false, revision: written.job.revision, rows: written.rows, head: headOf(next) };
  }
}

function settle(outcomes: readonly (readonly [Waiting, Outcome])[]): void {
  for (const [{ resolve, reject }, outcome] of outcomes)
    if ('answer' in outcome) resolve(outcome.answer);
    else reject(outcome.refused);
}

const nameOf = ({ collection, id }: KeptJob['damaged'][number]): string => `${collection} ${id}`;

/** What somebody else changed since it was seen, as it is now. */
function movedRows({ stored, content }: KeptJob, expects: Asked['expects']): ChangedRow[] {
  return expects.flatMap(({ collection, id, revision }): ChangedRow[] => {
    if (collection === 'job') {
      if (id !== stored.id || revision === stored.headRevision) return [];
      return [{ collection, id, revision: stored.headRevision, row: { id, ...headOf(content) } }];
    }
    const now = stored.revisions[collection].get(id);
    if (now === revision) return [];
    const row =
      now === undefined
        ? null
        : sure((content[collection] as readonly { id: string }[]).find((one) => one.id === id));
    return [{ collection, id, revision: now ?? 0, row: row as ChangedRow['row'] }];
  });
}
