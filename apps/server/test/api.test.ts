import { nth, sure } from '@keypost/core/lists';
import { ApiProblem, createClient, patchJob } from '@keypost/api';
import type { Change } from '@keypost/core/job';
import { checkJob, jobProgress } from '@keypost/core/proving';
import { DEVICE_TYPES, partTypesOf } from '@keypost/core/catalog';
import { JobIndex } from '@keypost/core/job';
import { readJobFile } from '@keypost/core/jobFile';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { Database } from '../src/db/connection.ts';
import { DatabaseAway } from '../src/db/postgres.ts';
import { DEMO_JOB_ID, seedDemo } from '../src/demo/seed.ts';
import { ternRock } from '../src/demo/ternRock.ts';
import { buildServer } from '../src/server.ts';
import { jobWithPoint, stamp, stampsOf } from './stampedJob.ts';
import { MODULE, point, pumpRoom } from './pumpRoom.ts';
import { startTestServer } from './server.ts';
import type { TestServer } from './server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60000);
afterAll(() => server.close());

const { newJob, change } = pumpRoom(() => server.call);
const refused = async (promise: Promise<unknown>): Promise<ApiProblem['details']> => {
  try {
    await promise;
  } catch (error) {
    if (error instanceof ApiProblem) return error.details;
    throw error;
  }
  throw new Error('not refused');
};

describe('jobs', () => {
  test('are made, listed, changed, read and removed', async () => {
    const job = await newJob();
    await change(job.id, MODULE);
    const answer = await change(job.id, point('PX-1', 0));
    expect(answer.revision).toBe(3);
    expect(answer.rows.map(({ collection }) => collection).sort()).toEqual([
      'devices',
      'points',
      'wires',
      'wires',
      'wires',
    ]);
    const view = await server.call('getJob', { params: { jobId: job.id } });
    expect(new JobIndex(view.content).placeOf(nth(view.content.points, 0))).toEqual({
      moduleId: 'm',
      channel: 0,
    });
    const list = await server.call('listJobs', {});
    expect(list.find(({ id }) => id === job.id)).toMatchObject({ name: 'Pump room', points: 1 });
    await server.call('removeJob', { params: { jobId: job.id }, query: { by: 'TT' } });
    expect((await refused(server.call('getJob', { params: { jobId: job.id } }))).status).toBe(404);
  });

  test('a client that patches its copy holds what the server holds', async () => {
    let view = await newJob();
    const changes: Change[] = [
      MODULE,
      point('PX-1', 0),
      point('PX-2', 1),
      { kind: 'setCommon', moduleId: 'm', common: 'COM1', rail: '+' },
      { kind: 'editPoint', id: 'px-1', patch: { name: 'Other', output: { kind: 'npn' } } },
      {
        kind: 'stamp',
        stamp: { id: 's1', pointId: 'px-1', step: 'isolate', fingerprint: { 'wire:w': 'a' } },
      },
      { kind: 'undoStamp', id: 's1', reason: 'wrong one' },
      { kind: 'removePoint', id: 'px-2' },
      { kind: 'editJob', patch: { name: 'Renamed' } },
    ];
    for (const what of changes) view = sure(patchJob(view, await change(view.id, what)));
    expect(await server.call('getJob', { params: { jobId: view.id } })).toEqual(view);
  });

  test('go out as a file and come back the same', async () => {
    const text = JSON.stringify({ format: 'keypost-job', version: 2, job: ternRock() });
    const job = await server.call('importJob', { body: { id: randomUUID(), by: 'TT', file: text } });
    const file = await server.call('exportJob', { params: { jobId: job.id } });
    expect(readJobFile(file).job).toEqual(ternRock());
  });
});

describe('refusals', () => {
  test('say what is wrong, where, and store nothing', async () => {
    const job = await newJob();
    await change(job.id, MODULE);
    await change(job.id, point('PX-1', 0));
    const before = await server.call('getJob', { params: { jobId: job.id } });
    const twice = await refused(change(job.id, { ...point('PX-2', 0) }));
    expect(twice).toMatchObject({ status: 422, title: 'Not allowed' });
    expect(sure(twice.problems)[0]).toMatchObject({ message: { code: 'job.taken-needs-free-channel' } });
    const empty = await refused(change(job.id, { kind: 'editPoint', id: 'px-1', patch: { tag: '' } }));
    expect(empty.status).toBe(400);
    expect(sure(empty.problems)[0]).toEqual({
      path: 'change.patch.tag',
      message: { code: 'model.tag-empty-enter-such' },
      detail: 'A tag cannot be empty. Enter one such as PE-101.',
    });
    const nobody = await refused(change(job.id, MODULE, { by: ' ' }));
    expect(sure(nobody.problems)[0]).toMatchObject({ path: 'by' });
    expect(await server.call('getJob', { params: { jobId: job.id } })).toEqual(before);
  });

  test.each([
    ['not JSON', 'hello', 422, /not JSON/],
    ['a newer version', '{"format":"keypost-job","version":9}', 422, /version 9/],
    ['150 MB', ' '.repeat(150 * 1024 * 1024), 413, /91 MB/],
  ])('a file of %s', async (_, body, status, message) => {
    const count = (await server.call('listJobs', {})).length;
    const details = await refused(
      server.call('importJob', { body: { id: randomUUID(), by: 'TT', file: body } }),
    );
    expect(details.status).toBe(status);
    expect(details.detail).toMatch(message);
    expect(await server.call('listJobs', {})).toHaveLength(count);
  });

  test('carry the media type of problem details and no inside of the program', async () => {
    const send = (path: string, init?: RequestInit) => fetch(server.address + path, init);
    const post = (body: string, type: string) => ({
      method: 'POST',
      body,
      headers: { 'content-type': type },
    });
    const answers = [
      await send('/api/jobs/none'),
      await send('/api/nothing'),
      await send('/api/jobs', post('{', 'application/json')),
      await send('/api/jobs', post('<a/>', 'text/xml')),
    ];
    expect(answers.map(({ status }) => status)).toEqual([404, 404, 400, 415]);
    for (const answer of answers) {
      expect(answer.headers.get('content-type')).toContain('application/problem+json');
      const body = await answer.text();
      expect(body).not.toMatch(/node_modules|at .*\.ts/);
      expect(JSON.parse(body)).toMatchObject({
        type: expect.stringMatching(/^\/problems\/(service|schema)\./),
        title: expect.any(String),
        detail: expect.any(String),
      });
    }
  });

  test('a broken database is no more than a sentence', async () => {
    const other = await startTestServer();
    await other.db.exec('drop table event');
    const details = await refused(
      other.call('createJob', { body: { id: randomUUID(), name: 'X', site: '', by: 'TT' } }),
    );
    expect(details).toMatchObject({
      status: 500,
      detail: 'The server could not do this. Nothing was stored; try again.',
    });
    expect(await other.call('listJobs', {})).toEqual([]);
    await other.close();
  }, 60000);
});

describe('a disk that is full, or a database that is away, while it runs', () => {
  test.each<[string, Error, number, string]>([
    [
      'full, as the file system says it',
      Object.assign(new Error('write'), { code: 'ENOSPC' }),
      507,
      'service.disk-full',
    ],
    [
      'full, as PostgreSQL says it',
      Object.assign(new Error('could not extend file'), { code: '53100' }),
      507,
      'service.disk-full',
    ],
    ['away', new DatabaseAway('away'), 503, 'service.database-away'],
  ])(
    '%s: it is said, reading goes on, and the same change is stored once there is room',
    async (_, error, status, code) => {
      const { db } = server;
      let isBroken = false;
      const app = await buildServer(
        {
          ...asDatabase(db),
          transaction: (act) => (isBroken ? Promise.reject(error) : db.transaction(act)),
        },
        undefined,
      );
      const call = createClient(await app.listen({ host: '127.0.0.1', port: 0 }));
      const jobId = await jobWithPoint(call);
      isBroken = true;
      const changeId = randomUUID();
      expect(await refused(stamp(call, jobId, 's', changeId))).toMatchObject({ status, message: { code } });
      expect(await stampsOf(call, jobId)).toEqual([]);
      isBroken = false;
      await stamp(call, jobId, 's', changeId);
      expect(await stampsOf(call, jobId)).toEqual(['s']);
      await app.close();
    },
  );
});

/** A database by its functions alone, so that one of them can be another. */
const asDatabase = (db: Database): Database => ({
  query: (sql, values) => db.query(sql, values),
  exec: (sql) => db.exec(sql),
  transaction: (act) => db.transaction(act),
  listen: (channel, listener) => db.listen(channel, listener),
  close: () => db.close(),
});

describe('two people at once', () => {
  test('a stale edit gets 409 with the row as it is now, and can be forced', async () => {
    const job = await newJob();
    await change(job.id, MODULE);
    const expects = [{ collection: 'modules', id: 'm', revision: 1 }];
    const edit = (tag: string): Change => ({ kind: 'editModule', id: 'm', patch: { tag } });
    await change(job.id, edit('DI A'), { expects });
    const details = await refused(change(job.id, edit('DI B'), { expects }));
    expect(details.status).toBe(409);
    expect(details.current).toEqual([
      {
        collection: 'modules',
        id: 'm',
        revision: 2,
        row: { id: 'm', tag: 'DI A', typeId: 'di8-both-8', firstByte: 0 },
      },
    ]);
    await change(job.id, edit('DI B'), { expects: [] });
    const view = await server.call('getJob', { params: { jobId: job.id } });
    expect(nth(view.content.modules, 0).tag).toBe('DI B');
  });

  test('a change that comes twice is stored once', async () => {
    const job = await newJob();
    const changeId = randomUUID();
    const stamp = { changeId, by: 'TT', change: MODULE };
    const first = await server.call('changeJob', { params: { jobId: job.id }, body: stamp });
    const second = await server.call('changeJob', { params: { jobId: job.id }, body: stamp });
    expect(second.revision).toBe(first.revision);
    expect([first.again, second.again]).toEqual([false, true]);
    expect(second.rows).toEqual([]);
    expect(patchJob(job, second)).toBeUndefined();
  });

  test('changes at the same time are all kept, one after the other', async () => {
    const job = await newJob();
    await change(job.id, MODULE);
    await Promise.all(
      Array.from({ length: 8 }, (_, channel) => change(job.id, point(`PX-${channel}`, channel))),
    );
    const view = await server.call('getJob', { params: { jobId: job.id } });
    expect(view.content.points).toHaveLength(8);
    expect(view.revision).toBe(10);
  });
});

describe('the demo', () => {
  test('has a point of every family, and each kind of trouble', async () => {
    await seedDemo(server.db);
    await seedDemo(server.db);
    const { content } = await server.call('getJob', { params: { jobId: DEMO_JOB_ID } });
    const types = partTypesOf(content);
    const groups = new Set(content.devices.map((device) => types.device(device).group));
    expect(groups).toEqual(new Set(DEVICE_TYPES.map(({ group }) => group)));
    const progress = jobProgress(content);
    const codes = progress.flatMap(({ verdict }) => verdict.reasons[0]?.code ?? []);
    expect(codes.sort()).toEqual([
      'coil-suppressor',
      'common-open',
      'group-mixed',
      'lead-error',
      'leak-holds',
      'line-swapped',
      'no-supply',
      'output-overload',
      'safety-channel',
      'signal-switch',
      'wrong-sense',
    ]);
    const failed = progress.filter(({ overall }) => overall === 'failed');
    expect(failed.map(({ tag }) => tag).join(' ')).toBe('PE-106 LX-215 FT-235');
    expect(checkJob(content).map((p) => p.progress.verdict.status)).toEqual(
      progress.map(({ verdict }) => verdict.status),
    );
  });
});

test('OpenAPI and the job file’s schema are served', async () => {
  const openapi = await (await fetch(`${server.address}/api/openapi.json`)).json();
  expect(Object.keys(openapi.paths)).toEqual(
    expect.arrayContaining(['/api/jobs', '/api/jobs/{jobId}/changes']),
  );
  const schema = await (await fetch(`${server.address}/api/job.schema.json`)).json();
  expect(schema.properties.version.const).toBe(2);
  const published = readFileSync(path.resolve(__dirname, '../../../docs/job.schema.json'), 'utf8');
  expect(JSON.parse(published)).toEqual(schema);
});

describe('undo', () => {
  const undo = (jobId: string, of: string, changeId = randomUUID()) =>
    server.call('undoChange', { params: { jobId }, body: { changeId, by: 'JT', of } });
  const events = (jobId: string) =>
    server.call('listEvents', { params: { jobId }, query: { pointId: undefined, limit: 100 } });
  const read = (jobId: string) => server.call('getJob', { params: { jobId } });

  test('a change is taken back as a change of its own, once, and that can be undone', async () => {
    const { id } = await newJob();
    await change(id, MODULE);
    const before = await read(id);
    const [of, back] = [randomUUID(), randomUUID()];
    await change(id, point('PX-1', 0), { changeId: of });
    const after = await read(id);
    const answer = await undo(id, of, back);
    expect(patchJob(after, answer)?.content).toEqual(before.content);
    expect((await read(id)).content).toEqual(before.content);
    expect(await undo(id, of, back)).toMatchObject({ again: true, revision: answer.revision });
    const [newest] = await events(id);
    expect(newest).toMatchObject({ changeId: back, what: 'undo', by: 'JT' });
    expect((await refused(undo(id, of))).message.code).toBe('job.undo-moved');
    await undo(id, back);
    expect((await read(id)).content).toEqual(after.content);
  });

  test('every change of a long history is undone, back to the beginning', async () => {
    const { id } = await newJob();
    const stand = [(await read(id)).content];
    for (const what of [
      MODULE,
      point('PX-1', 0),
      { kind: 'editPoint', id: 'px-1', patch: { name: 'Other' } },
      { kind: 'assign', pointId: 'px-1', place: { moduleId: 'm', channel: 3 } },
      { kind: 'setCommon', moduleId: 'm', common: 'COM1', rail: '+' },
      { kind: 'editJob', patch: { site: 'Elsewhere' } },
    ] as Change[]) {
      await change(id, what);
      stand.push((await read(id)).content);
    }
    const ids = [...new Set((await events(id)).map(({ changeId }) => changeId))];
    for (const changeId of ids.slice(0, -1)) {
      await undo(id, changeId);
      stand.pop();
      expect((await read(id)).content).toEqual(stand.at(-1));
    }
    const first = await refused(undo(id, sure(ids.at(-1))));
    expect(first).toMatchObject({ status: 422, message: { code: 'service.undo-job' } });
  });

  test('a change that is not there, and one of another job, is refused', async () => {
    const [{ id }, other] = [await newJob(), await newJob()];
    const of = randomUUID();
    await change(other.id, MODULE, { changeId: of });
    for (const missing of [of, randomUUID()])
      expect(await refused(undo(id, missing))).toMatchObject({ status: 404 });
  });
});
