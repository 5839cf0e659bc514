import { sure } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import type { ChangedRow, ChangeRequest, ChangeResponse } from '@keypost/api';
import { applyChange, undoChange } from '@keypost/core/job';
import type { Change } from '@keypost/core/job';
import { COLLECTIONS, headOf, JobProblem } from '@keypost/core/model';
import type { JobContent } from '@keypost/core/model';
import { setImmediate } from 'node:timers/promises';
import type { Database, Queryable } from '../db/connection.ts';
import { DatabaseAway } from '../db/postgres.ts';
import { rowsOfChange, seenChanges } from '../db/events.ts';
import { differenceTo, lockJobs, writeChanges } from '../db/store.ts';
import type { Difference, NewEvent } from '../db/store.ts';
import { notFound, Refusal, stale } from '../problems.ts';
import { dropRemoved, putPicture } from '../photos/pictures.ts';
import type { Picture } from '../photos/pictures.ts';
import type { JobKeeper } from './jobKeeper.ts';
import { KeptJob } from './keptJob.ts';

/** A change as it was asked for, or the taking back of one. */
export type Asked = {
  readonly changeId: string;
  readonly by: string;
  readonly expects: NonNullable<ChangeRequest['expects']>;
  /** The picture of the photo that the change adds. */
  readonly picture?: Picture;
} & (
  | { readonly change: Change }
  | {
      /** The id of the change that is taken back. */
      readonly undoes: string;
    }
);

interface Waiting {
  readonly jobId: string;
  readonly asked: Asked;
  readonly at: string;
  readonly resolve: (answer: ChangeResponse) => void;
  readonly reject: (error: unknown) => void;
}

type Outcome = { readonly answer: ChangeResponse } | { readonly refused: unknown };
type Settled = readonly [Waiting, Outcome];

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
      while (this.#waiting.length) {
        // Others are heard and answered in between, and what they ask for comes along.
        await setImmediate();
        await this.#storeSome(this.#waiting.splice(0, MOST));
      }
    } finally {
      this.#isWorking = false;
    }
  }

  async #storeSome(taken: readonly Waiting[]): Promise<void> {
    try {
      const { settled, left } = await this.#together(taken);
      settle(settled);
      this.#waiting.unshift(...left);
    } catch (away) {
      if (away instanceof DatabaseAway) return taken.forEach(({ reject }) => reject(away));
      // One of them broke the transaction, and nothing is stored: each has one of its own.
      for (const one of taken) {
        try {
          settle((await this.#together([one])).settled);
        } catch (error) {
          one.reject(error);
        }
      }
    }
  }

  /** Stores changes in one transaction, job by job. Those for which there is no time any more are left. */
  async #together(taken: readonly Waiting[]): Promise<{ settled: Settled[]; left: readonly Waiting[] }> {
    const { settled, left, fresh } = await this.#db.transaction(async (tx) => {
      const all: Settled[] = [];
      const left: Waiting[] = [];
      const fresh: KeptJob[] = [];
      const jobIds = [...new Set(taken.map((one) => one.jobId))];
      const stands = await lockJobs(tx, jobIds);
      const until = performance.now() + PATIENCE_MS;
      for (const jobId of jobIds) {
        const wanted = taken.filter((one) => one.jobId === jobId);
        if (all.length && performance.now() > until) {
          left.push(...wanted);
          continue;
        }
        const done = await this.#ofJob(tx, jobId, stands.get(jobId), wanted, until);
        all.push(...done.settled);
        left.push(...wanted.slice(done.settled.length));
        if (done.job) fresh.push(done.job);
      }
      return { settled: all, left, fresh };
    });
    fresh.forEach((job) => this.#keeper.keep(job));
    return { settled, left };
  }

  /** Changes of one job, one after the other; its rows are written once. One that is refused does not stop the others. */
  async #ofJob(
    tx: Queryable,
    jobId: string,
    revision: number | undefined,
    wanted: readonly Waiting[],
    until: number,
  ): Promise<{ settled: Settled[]; job?: KeptJob }> {
    const before = revision === undefined ? undefined : await this.#keeper.within(tx, jobId, revision);
    if (!before) {
      const refused = notFound(say('service.this-job'));
      return { settled: wanted.map((one) => [one, { refused }] as const) };
    }
    const changeIds = wanted.map(({ asked }) => asked.changeId);
    const seen = await seenChanges(tx, jobId, changeIds);
    const events: NewEvent[] = [];
    const settled: Settled[] = [];
    const own = new Set<ReadonlyMap<string, number>>();
    let job = before;
    for (const one of wanted) {
      if (settled.length && performance.now() > until) break;
      try {
        const make = await makerOf(tx, jobId, one);
        const { answer, difference } = applied(job, one, make, seen, own);
        settled.push([one, { answer }]);
        if (!difference) continue;
        if (one.asked.picture) await putPicture(tx, jobId, one.asked.picture);
        seen.add(one.asked.changeId);
        events.push(...difference.events);
        job = new KeptJob(difference.job, difference.job.content);
      } catch (refused) {
        if (!(refused instanceof Refusal || refused instanceof JobProblem)) throw refused;
        settled.push([one, { refused }]);
      }
    }
    if (job === before) return { settled };
    await writeChanges(tx, before.stored, job.stored, events);
    await dropRemoved(tx, jobId, before.content, job.content);
    return { settled, job };
  }
}

/** Makes the next content of a job. */
interface Maker {
  /** What it is called in the log. */
  readonly what: string;
  readonly next: (job: JobContent) => JobContent;
}

async function makerOf(tx: Queryable, jobId: string, { asked, at }: Waiting): Promise<Maker> {
  const { by } = asked;
  if ('change' in asked)
    return { what: asked.change.kind, next: (job) => applyChange(job, asked.change, { by, at }) };
  const rows = await rowsOfChange(tx, jobId, asked.undoes);
  return {
    what: 'undo',
    next: (job) => {
      if (!rows.length) throw notFound(say('service.this-change'));
      if (rows.some(({ what }) => WHOLE.has(what))) throw new Refusal(422, say('service.undo-job'));
      return undoChange(job, rows);
    },
  };
}

/** What makes a job, in the log. */
const WHOLE: ReadonlySet<string> = new Set(['createJob', 'importJob', 'removeJob']);

/** What a change makes of a job. @throws Refusal, JobProblem. */
function applied(
  job: KeptJob,
  { asked: { changeId, by, expects }, at }: Waiting,
  make: Maker,
  seen: ReadonlySet<string>,
  own: Set<ReadonlyMap<string, number>>,
): { answer: ChangeResponse; difference?: Difference } {
  // A change that came before is not stored twice: the client learns where the job stands and reads it anew.
  if (seen.has(changeId))
    return { answer: { again: true, revision: job.revision, head: headOf(job.content), rows: [] } };
  if (job.damaged.length) throw new Refusal(422, say('service.damaged', { rows: job.damaged.map(nameOf) }));
  const moved = movedRows(job, expects);
  if (moved.length) throw stale(moved);
  const next = make.next(job.content);
  const entry = { jobId: job.stored.id, changeId, by, at, what: make.what };
  const difference = differenceTo(job.stored, next, entry, own);
  const { revision } = difference.job;
  return { answer: { again: false, revision, rows: [...difference.rows], head: headOf(next) }, difference };
}

function settle(outcomes: readonly Settled[]): void {
  for (const [{ resolve, reject }, outcome] of outcomes)
    if ('answer' in outcome) resolve(outcome.answer);
    else reject(outcome.refused);
}

const nameOf = ({ collection, id, name }: KeptJob['damaged'][number]): string =>
  `${COLLECTIONS[collection].label} ${name ?? id}`;

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
