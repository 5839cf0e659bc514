import type { Jobs } from './jobs/jobs.ts';
import type { BoardRow, BoardView } from '@keypost/api';
import { progressIn } from '@keypost/core/proving';
import { setImmediate, setTimeout } from 'node:timers/promises';

/**
 * Keeps how far each point of a job is, for the revision that it was worked out for. It is worked out here, a point at
 * a time between other requests, when a board is asked for that is not known yet.
 */
export class BoardKeeper {
  readonly #jobs: Jobs;
  readonly #working = new Set<string>();
  readonly #patience: number;
  #closed = false;

  /** @param patience so long it waits before it begins, ms: what comes meanwhile is worked out with it. */
  constructor(jobs: Jobs, patience = 1500) {
    this.#jobs = jobs;
    this.#patience = patience;
  }

  /** The board of a job at a revision; without rows while they are not known, which has them worked out. */
  async board(jobId: string, revision: number): Promise<BoardView> {
    const kept = await this.#jobs.db.query<{ revision: number; rows: BoardRow[] }>(
      'select revision, rows from board where job_id = $1',
      [jobId],
    );
    const [row] = kept.rows;
    if (row?.revision === revision) return row;
    void this.#workOut(jobId).catch(() => undefined);
    return { revision, rows: null };
  }

  /** Ends what is being worked out. */
  close(): void {
    this.#closed = true;
  }

  async #workOut(jobId: string): Promise<void> {
    if (this.#working.has(jobId)) return;
    this.#working.add(jobId);
    try {
      await setTimeout(this.#patience);
      if (this.#closed) return;
      const job = await this.#jobs.keeper.job(jobId);
      if (!job) return;
      const { content } = job;
      const progress = progressIn(content);
      const rows: BoardRow[] = [];
      for (const { id } of content.points) {
        await setImmediate();
        if (this.#closed) return;
        const { pointId, tag, name, overall, stages, line } = progress(id);
        rows.push({ pointId, tag, name, overall, stages, line });
      }
      await this.#jobs.db.query(
        `insert into board (job_id, revision, rows) values ($1, $2, $3)
         on conflict (job_id) do update set revision = excluded.revision, rows = excluded.rows`,
        [jobId, job.revision, JSON.stringify(rows)],
      );
    } finally {
      this.#working.delete(jobId);
    }
  }
}
