import { randomUUID } from 'node:crypto';
import { analyse } from '@keypost/core/analysis';
import { JobIndex } from '@keypost/core/job';
import { progressOf } from '@keypost/core/proving';
import { writeJobFile } from '@keypost/core/jobFile';
import { BoardKeeper } from '../src/board.ts';
import { ternRock } from '../src/demo/ternRock.ts';
import { openJobs } from '../src/jobs/jobs.ts';
import { startTestServer } from './server.ts';
import type { TestServer } from './server.ts';

const job = ternRock();
let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

test('a board is kept for the state that it was worked out for, and for no other', async () => {
  const stored = await server.call('importJob', {
    body: { id: randomUUID(), by: 'TT', file: writeJobFile(job) },
  });
  const keeper = new BoardKeeper(await openJobs(server.db), 0);
  const ask = (revision: number) => keeper.board(stored.id, revision);
  expect(await ask(stored.revision)).toEqual({ revision: stored.revision, rows: null });
  let kept = await ask(stored.revision);
  for (let i = 0; i < 300 && kept.rows === null; i++) {
    await new Promise((done) => setTimeout(done, 100));
    kept = await ask(stored.revision);
  }
  const index = new JobIndex(job);
  const worked = job.points
    .map(({ id }) => progressOf(job, analyse(index, id)))
    .map(({ verdict: _, ...row }) => row);
  expect(kept.rows).toEqual(JSON.parse(JSON.stringify(worked)));
  // After any change nothing of it is shown any more.
  expect(await ask(stored.revision + 1)).toEqual({ revision: stored.revision + 1, rows: null });
  keeper.close();
});

test('a job that is not there has no board', async () => {
  await expect(server.call('board', { params: { jobId: 'gone' } })).rejects.toMatchObject({
    details: { status: 404, message: { code: 'service.not-found' } },
  });
});

test('the revision moves with every change, so that pages can follow', async () => {
  const { id, revision } = await server.call('createJob', {
    body: { id: randomUUID(), name: 'Followed', site: '', by: 'TT' },
  });
  const ask = async () => (await server.call('revision', { params: { jobId: id } })).revision;
  expect(await ask()).toBe(revision);
  await server.call('changeJob', {
    params: { jobId: id },
    body: { changeId: randomUUID(), by: 'TT', change: { kind: 'editJob', patch: { name: 'Other' } } },
  });
  expect(await ask()).toBe(revision + 1);
});
