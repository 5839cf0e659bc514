import { say } from '@keypost/core/messages';
import { openJobFile } from '@keypost/core/proving';
import type { Database } from '../db/database.ts';
import { emptyJob } from '@keypost/core/model';
import { MAX_FILE_BYTES, writeJobFile } from '@keypost/core/job';
import type { FastifyInstance } from 'fastify';
import { randomUUID } from 'node:crypto';
import { contentOf, createJob, listJobs, readJob, removeJob, viewOf } from '../db/store.ts';
import type { AuditEntry } from '../db/store.ts';
import { notFound } from '../problems.ts';
import { register } from '../register.ts';

function auditEntry(jobId: string, by: string, what: string): AuditEntry {
  return { jobId, changeId: randomUUID(), by, at: new Date().toISOString(), what };
}

export function jobResource(app: FastifyInstance, db: Database): void {
  register(app, 'listJobs', () => listJobs(db));

  register(app, 'createJob', async ({ body }) => {
    const id = randomUUID();
    const content = emptyJob(body.name, body.site);
    return viewOf(
      await db.transaction((tx) => createJob(tx, id, content, auditEntry(id, body.by, 'createJob'))),
    );
  });

  register(
    app,
    'importJob',
    async ({ body, query }) => {
      const content = openJobFile(body);
      const id = randomUUID();
      return viewOf(
        await db.transaction((tx) => createJob(tx, id, content, auditEntry(id, query.by, 'importJob'))),
      );
    },
    { bodyLimit: MAX_FILE_BYTES },
  );

  register(app, 'getJob', async ({ params }) => {
    const job = await db.transaction((tx) => readJob(tx, params.jobId));
    if (!job) throw notFound(say('service.this-job'));
    return viewOf(job);
  });

  register(app, 'exportJob', async ({ params }) => {
    const job = await db.transaction((tx) => readJob(tx, params.jobId));
    if (!job) throw notFound(say('service.this-job'));
    return writeJobFile(contentOf(job));
  });

  register(app, 'removeJob', async ({ params, query }) => {
    await db.transaction(async (tx) => {
      const job = await readJob(tx, params.jobId);
      if (!job) throw notFound(say('service.this-job'));
      await removeJob(tx, job, auditEntry(params.jobId, query.by, 'removeJob'));
    });
    return { removed: params.jobId };
  });
}
