import { say } from '@keypost/core/messages';
import type { Database } from '../db/database.ts';
import type { ChangedRow, ChangeRequest, ChangeResponse } from '@keypost/api';
import { applyChange, partsOf } from '@keypost/core/job';
import { JobProblem } from '@keypost/core/model';
import type { Change } from '@keypost/core/job';
import type { FastifyInstance } from 'fastify';
import { contentOf, headOf, readJob, revisionOfChange, writeDifference } from '../db/store.ts';
import type { Queryable } from '../db/database.ts';
import type { StoredJob } from '../db/store.ts';
import { notFound, stale } from '../problems.ts';
import { register } from '../register.ts';

type Expected = NonNullable<ChangeRequest['expects']>;

/** A description file of the largest kind, as a change. */
const MAX_CHANGE_BYTES = 4 * 1024 * 1024;

export function changeResource(app: FastifyInstance, db: Database): void {
  register(
    app,
    'changeJob',
    async ({ params, body }) => {
      refuseClaims(body.change);
      return storeChange(db, params.jobId, body);
    },
    { bodyLimit: MAX_CHANGE_BYTES },
  );
}

/** Only a value that this server itself read from a device counts as read. */
function refuseClaims(change: Change): void {
  const claims = partsOf(change).some(
    (part) => part.kind === 'enter' && part.entries.some(({ how }) => how === 'read'),
  );
  if (claims)
    throw new JobProblem([{ path: 'change.entries', message: say('service.what-server-read-device') }]);
}

/** Applies a change to a stored job in one transaction. @throws Refusal, JobProblem. */
export function storeChange(
  db: Database,
  jobId: string,
  body: { changeId: string; by: string; change: Change; expects: Expected },
): Promise<ChangeResponse> {
  const at = new Date().toISOString();
  return db.transaction(async (tx): Promise<ChangeResponse> => {
    const job = await readJob(tx, jobId);
    if (!job) throw notFound(say('service.this-job'));
    const repeated = await answerAgain(tx, job, body.changeId);
    if (repeated) return repeated;
    const moved = movedRows(job, body.expects);
    if (moved.length) throw stale(moved);
    const next = applyChange(contentOf(job), body.change, { by: body.by, at });
    const auditEntry = { jobId: job.id, changeId: body.changeId, by: body.by, at, what: body.change.kind };
    const written = await writeDifference(tx, job, next, auditEntry);
    return { again: false, ...written, head: headOf(next) };
  });
}

/** A change that came before is not stored twice; the client learns where the job stands and reads it anew. */
async function answerAgain(
  tx: Queryable,
  job: StoredJob,
  changeId: string,
): Promise<ChangeResponse | undefined> {
  const revision = await revisionOfChange(tx, job.id, changeId);
  return revision === undefined
    ? undefined
    : { again: true, revision: job.revision, head: headOf(job), rows: [] };
}

function movedRows(job: StoredJob, expects: Expected): ChangedRow[] {
  return expects.flatMap(({ collection, id, revision }) => {
    const now = job.rows[collection].find(({ row }) => row.id === id);
    if (now?.revision === revision) return [];
    return [{ collection, id, revision: now?.revision ?? 0, row: now?.row ?? null }];
  });
}
