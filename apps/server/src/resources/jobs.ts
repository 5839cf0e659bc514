import { fileName } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import { openWholeFile } from '@keypost/core/proving';
import { emptyJob } from '@keypost/core/model';
import { JobFile, MAX_FILE_BYTES, MAX_JOB_BYTES, writeJobFile } from '@keypost/core/jobFile';
import type { FastifyInstance } from 'fastify';
import { randomUUID } from 'node:crypto';
import type { AuditEntry } from '../db/store.ts';
import { wasMade } from '../db/events.ts';
import { listJobs, removeJob } from '../db/store.ts';
import { DEMO_JOB_ID } from '../demo/seed.ts';
import { demoJob } from '../demo/demoJob.ts';
import { KeptJob } from '../jobs/keptJob.ts';
import type { Jobs } from '../jobs/jobs.ts';
import { makeJob } from '../jobs/makeJob.ts';
import type { NewContent } from '../jobs/makeJob.ts';
import { lookAtAll, picturesOf } from '../photos/pictures.ts';
import { notFound, Refusal } from '../problems.ts';
import { answered, FileAnswer, Ready, register } from '../register.ts';

/** A file within a JSON text: its quotes and line ends take two bytes each, and pictures have none. */
const MAX_IMPORT_BYTES = MAX_FILE_BYTES + MAX_JOB_BYTES;

const entryOf = (jobId: string, by: string, what: string): AuditEntry => ({
  jobId,
  changeId: randomUUID(),
  by,
  at: new Date().toISOString(),
  what,
});

/** A job as it is kept, without making its text anew. */
const ready = (job: KeptJob): Ready =>
  new Ready({ tag: job.tag, text: () => job.text(), zipped: () => job.zipped() });

/** The job file as the description tells it. */
const FILE = answered('The job file, with its name in the head', 'application/json', JobFile);

function fromFile(text: string): NewContent {
  const { job, pictures } = openWholeFile(text);
  return { job, pictures: lookAtAll(job, pictures) };
}

export function jobResource(app: FastifyInstance, { db, keeper }: Jobs): void {
  /** Makes a job under the id that its client gave it; asked again, it answers with the one that was made. */
  const make = async (id: string, content: () => NewContent, by: string, what: string): Promise<Ready> => {
    const there = await keeper.job(id);
    if (there) return ready(there);
    const made = content();
    const stored = await db.transaction(async (tx) => {
      if (await wasMade(tx, id)) return undefined;
      return makeJob(tx, id, made, entryOf(id, by, what));
    });
    if (stored) return ready(keeper.keep(new KeptJob(stored, stored.content)));
    const now = await keeper.job(id);
    if (now) return ready(now);
    throw new Refusal(409, say('service.made-and-removed'));
  };
  const jobOf = async (jobId: string): Promise<KeptJob> => {
    const job = await keeper.job(jobId);
    if (!job) throw notFound(say('service.this-job'));
    return job;
  };

  register(app, 'listJobs', () => listJobs(db));

  register(app, 'createJob', ({ body }) =>
    make(body.id, () => ({ job: emptyJob(body.name, body.site), pictures: [] }), body.by, 'createJob'),
  );

  register(app, 'openDemo', async ({ body }) => {
    const there = await keeper.job(DEMO_JOB_ID);
    return there ? ready(there) : make(body.id, () => demoJob(), 'Demo', 'importJob');
  });

  register(app, 'importJob', ({ body }) => make(body.id, () => fromFile(body.file), body.by, 'importJob'), {
    bodyLimit: MAX_IMPORT_BYTES,
  });

  register(app, 'getJob', async ({ params }) => ready(await jobOf(params.jobId)));

  // What is stored goes out as it stands, damaged or not.
  register(
    app,
    'exportJob',
    async ({ params }) => {
      const { content } = (await jobOf(params.jobId)).stored;
      const pictures = await picturesOf(db, params.jobId, content);
      return new FileAnswer(
        'application/json',
        fileName(content.name, 'keypost.json'),
        writeJobFile(content, pictures),
      );
    },
    { described: FILE },
  );

  register(app, 'removeJob', async ({ params, query }) => {
    const { jobId } = params;
    const job = await jobOf(jobId);
    await db.transaction((tx) => removeJob(tx, job.stored, entryOf(jobId, query.by, 'removeJob')));
    keeper.forget(jobId);
    return { removed: jobId };
  });
}
