import { randomUUID } from 'node:crypto';
import { request } from 'node:http';
import { nth, sure } from '@keypost/core/lists';
import { ApiProblem } from '@keypost/api';
import type { JobView } from '@keypost/api';
import type { Change, SingleChange } from '@keypost/core/job';
import { COLLECTIONS, emptyJob } from '@keypost/core/model';
import { openJobFile } from '@keypost/core/proving';
import { writeJobFile } from '@keypost/core/jobFile';
import { shippedDescription } from '../src/demo/shippedDescriptions.ts';
import { catchUp } from '../src/db/catchUp.ts';
import { readJob } from '../src/db/store.ts';
import { jobWithPoint } from './stampedJob.ts';
import { startTestServer } from './server.ts';
import type { TestServer } from './server.ts';

const DESCRIPTION = shippedDescription('pressure');

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.close());

const newJob = (): Promise<JobView> =>
  server.call('createJob', { body: { id: randomUUID(), name: 'Held', site: '', by: 'TT' } });
const change = (jobId: string, what: Change, changeId = randomUUID()) =>
  server.call('changeJob', { params: { jobId }, body: { changeId, by: 'TT', change: what } });
/** A point PX-1 about a device of a kind. */
const pointOf = (typeId: string): SingleChange => ({
  kind: 'addPoint',
  point: { id: 'p', tag: 'PX-1', name: 'Point', deviceId: 'p-b', bit: 'direct' },
  device: { id: 'p-b', tag: 'PX-1', typeId },
  place: null,
});
const read = (jobId: string) => server.call('getJob', { params: { jobId } });
const refusal = async (promise: Promise<unknown>): Promise<ApiProblem['details']> => {
  const error: unknown = await promise.then(
    () => undefined,
    (e: unknown) => e,
  );
  if (error instanceof ApiProblem) return error.details;
  throw new Error(`not refused: ${String(error)}`);
};

/** A raw request, with headers that a browser would not let a page set. */
const raw = (
  path: string,
  headers: Record<string, string> = {},
  { method = 'GET', body }: { method?: string; body?: string } = {},
): Promise<{ status: number; headers: Record<string, unknown>; text: string }> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(server.address);
    const call = request({ hostname, port, path, method, headers }, (answer) => {
      let text = '';
      answer.on('data', (part) => (text += part));
      answer.on('end', () => resolve({ status: sure(answer.statusCode), headers: answer.headers, text }));
    });
    call.on('error', reject);
    call.end(body);
  });

describe('no accepted change makes a job unreadable', () => {
  const supply = (i: number): SingleChange => ({
    kind: 'addSupply',
    supply: {
      id: `s${i}`,
      tag: `G${i}`,
      kind: 'dc',
      volts: 24,
      tolerancePercent: 3,
      internalOhms: 0.05,
      limitAmps: 5,
    },
  });
  /** Ways to fill what is bounded, each with how many are allowed. */
  const LIMITS: readonly (readonly [string, number, (i: number) => SingleChange])[] = [
    ['supplies', COLLECTIONS.supplies.max - 1, (i) => supply(i + 2)],
    [
      'helpers of a point',
      40,
      (i) => ({
        kind: 'addHelper',
        pointId: 'p',
        device: { id: `h${i}`, tag: `R${i}`, typeId: 'resistor' },
        wires: [],
      }),
    ],
    ['plans', COLLECTIONS.plans.max, (i) => ({ kind: 'setPlan', plan: plan(i) })],
    [
      'descriptions',
      COLLECTIONS.descriptions.max,
      (i) => ({
        kind: 'addDescription',
        description: { id: `d${i}`, fileName: `d${i}.xml`, text: DESCRIPTION },
      }),
    ],
  ];
  const plan = (i: number) => ({
    kind: 'ethernet' as const,
    id: `n${i}`,
    tag: `N${i}`,
    members: [],
  });

  test.each(LIMITS)(
    '%s: %d are taken, one more is refused, and the job reads on',
    async (_, most, make) => {
      const job = await newJob();
      await change(job.id, pointOf('pressure-2w'));
      let taken = 0;
      let last: ApiProblem['details'] | undefined;
      for (let i = 0; i < most + 3; i++) {
        const outcome = await change(job.id, make(i)).catch((error: unknown) => error);
        if (outcome instanceof ApiProblem) last = outcome.details;
        else taken++;
      }
      expect(taken).toBe(most);
      expect(last?.status).toBe(422);
      const view = await read(job.id);
      expect(view.damaged).toEqual([]);
      const file = await server.call('exportJob', { params: { jobId: job.id } });
      expect(openJobFile(file)).toEqual(view.content);
    },
    60_000,
  );

  test('a batch that would fill any list over its limit is refused whole', async () => {
    const job = await newJob();
    const details = await refusal(
      change(job.id, { kind: 'batch', changes: Array.from({ length: 25 }, (_, i) => supply(i + 2)) }),
    );
    expect(details.message).toEqual({ code: 'model.rows', values: expect.objectContaining({ maximum: 20 }) });
    expect((await read(job.id)).content.supplies).toHaveLength(1);
  });

  test('a job that would not come in again as a file is not filled so far', async () => {
    const job = await newJob();
    const text = `${DESCRIPTION}<!--${'a'.repeat(1_400_000 - DESCRIPTION.length)}-->`;
    let size = 0;
    for (let i = 0; i < 14; i++) {
      const outcome = await change(job.id, {
        kind: 'addDescription',
        description: { id: `d${i}`, fileName: `d${i}.xml`, text },
      }).catch((error: unknown) => error);
      if (outcome instanceof ApiProblem) {
        expect(outcome.details.message.code).toBe('job.too-large');
        break;
      }
      size++;
    }
    expect(size).toBe(11);
    const file = await server.call('exportJob', { params: { jobId: job.id } });
    const again = await server.call('importJob', { body: { id: randomUUID(), by: 'TT', file } });
    expect(again.content).toEqual((await read(job.id)).content);
  }, 60_000);
});

describe('a job of which a row is damaged', () => {
  test('opens without it, names it, cannot be changed, and goes out as it is stored', async () => {
    const job = await newJob();
    await change(job.id, pointOf('inductive-3w'));
    await server.db.query(`update device set outputs = '"broken"' where job_id = $1`, [job.id]);
    // Somebody else wrote: the revision moves.
    await server.db.query('update job set revision = revision + 1 where id = $1', [job.id]);
    const view = await read(job.id);
    expect(view.damaged).toEqual([
      {
        collection: 'devices',
        id: 'p-b',
        name: 'PX-1',
        problem: { path: 'outputs', message: expect.anything() },
      },
      { collection: 'points', id: 'p', name: 'PX-1' },
    ]);
    expect(view.content.points).toEqual([]);
    expect(view.content.supplies).toHaveLength(1);
    const details = await refusal(change(job.id, { kind: 'editJob', patch: { name: 'Other' } }));
    expect(details.message.code).toBe('service.damaged');
    const file = await server.call('exportJob', { params: { jobId: job.id } });
    expect(file).toContain('"broken"');
    expect(() => openJobFile(file)).toThrow(/devices\[0\]\.outputs/);
  });
});

describe('a job is made once', () => {
  test('created or brought in, whoever asks again', async () => {
    const body = { id: randomUUID(), name: 'Twice', site: '', by: 'TT' };
    const [first, again] = [
      await server.call('createJob', { body }),
      await server.call('createJob', { body }),
    ];
    expect(again).toEqual(first);
    const file = writeJobFile(emptyJob('In', ''));
    const brought = { id: randomUUID(), by: 'TT', file };
    await server.call('importJob', { body: brought });
    const count = (await server.call('listJobs', {})).length;
    await server.call('importJob', { body: brought });
    expect(await server.call('listJobs', {})).toHaveLength(count);
    await server.call('removeJob', { params: { jobId: body.id }, query: { by: 'TT' } });
    expect((await refusal(server.call('createJob', { body }))).message.code).toBe('service.made-and-removed');
  });

  test('and its head counts its revisions: who comes late is told', async () => {
    const job = await newJob();
    const expects = [
      { collection: 'job' as const, id: job.id, revision: nth([job.revisions[`job/${job.id}`]], 0) ?? 0 },
    ];
    const rename = (name: string) =>
      server.call('changeJob', {
        params: { jobId: job.id },
        body: { changeId: randomUUID(), by: 'TT', change: { kind: 'editJob', patch: { name } }, expects },
      });
    await rename('First');
    const details = await refusal(rename('Second'));
    expect(details.status).toBe(409);
    expect(details.current).toMatchObject([{ collection: 'job', revision: 2, row: { name: 'First' } }]);
  });
});

describe('changes that wait together', () => {
  test('are stored together; one that is refused stops no other', async () => {
    const job = await newJob();
    const made = await Promise.allSettled(
      Array.from({ length: 40 }, (_, i) =>
        change(job.id, {
          kind: 'addModule',
          module: {
            id: `m${i}`,
            tag: `DI ${i % 10}-${i}`,
            typeId: i % 4 ? 'di8-both-8' : 'no-such',
            firstByte: i,
          },
          commons: [null],
        }),
      ),
    );
    expect(made.filter(({ status }) => status === 'fulfilled')).toHaveLength(30);
    const view = await read(job.id);
    expect(view.content.modules).toHaveLength(30);
    expect(view.revision).toBe(job.revision + 30);
    const { rows } = await server.db.query<{ revision: number }>(
      'select distinct revision from event where job_id = $1 order by 1',
      [job.id],
    );
    expect(rows.map(({ revision }) => revision)).toEqual(Array.from({ length: 31 }, (_, i) => i + 1));
  });

  test('what is kept in memory is what is in the database', async () => {
    const job = await newJob();
    await change(job.id, pointOf('inductive-3w'));
    await change(job.id, { kind: 'editPoint', id: 'p', patch: { range: { low: 0, high: 1, unit: 'm' } } });
    await change(job.id, { kind: 'editPoint', id: 'p', patch: { range: null } });
    const kept = await read(job.id);
    await server.db.query('update job set revision = revision + 1 where id = $1', [job.id]);
    expect((await read(job.id)).content).toEqual(kept.content);
  });
});

test('a job that was kept comes to what is stored by what the log holds, whatever others did with it', async () => {
  const { call, db } = server;
  const jobId = await jobWithPoint(call);
  const steps: Change[] = [
    { kind: 'stamp', stamp: { id: 's1', pointId: 'p', step: 'tug', fingerprint: {} } },
    { kind: 'stamp', stamp: { id: 's2', pointId: 'p', step: 'tug', fingerprint: {} } },
    { kind: 'undoStamp', id: 's1', reason: 'wrong one' },
    { kind: 'editPoint', id: 'p', patch: { name: 'Other' } },
    { kind: 'editJob', patch: { name: 'Renamed', numbers: 'comma' } },
    { kind: 'addModule', module: { id: 'm', tag: 'M', typeId: 'di8-both-8', firstByte: 0 }, commons: ['-'] },
    { kind: 'assign', pointId: 'p', place: { moduleId: 'm', channel: 3 } },
    { kind: 'assign', pointId: 'p', place: null },
    { kind: 'removeModule', id: 'm' },
  ];
  const before = sure(await readJob(db, jobId));
  for (const change of steps) {
    const last = sure(await readJob(db, jobId));
    await call('changeJob', { params: { jobId }, body: { changeId: randomUUID(), by: 'TT', change } });
    const stored = await readJob(db, jobId);
    expect(await catchUp(db, last)).toEqual(stored);
    expect(await catchUp(db, before)).toEqual(stored);
  }
  await call('removeJob', { params: { jobId }, query: { by: 'TT' } });
  expect(await catchUp(db, before)).toBeUndefined();
});

describe('a job that did not change', () => {
  test('is not sent again to whoever has it, and is sent compressed', async () => {
    const job = await newJob();
    const path = `/api/jobs/${job.id}`;
    const first = await raw(path, { 'accept-encoding': 'gzip' });
    expect(first.headers['content-encoding']).toBe('gzip');
    const tag = String(first.headers.etag);
    expect(await raw(path, { 'if-none-match': tag })).toMatchObject({ status: 304, text: '' });
    await change(job.id, { kind: 'editJob', patch: { name: 'Other' } });
    const next = await raw(path, { 'if-none-match': tag });
    expect(next.status).toBe(200);
    expect(JSON.parse(next.text)).toMatchObject({ content: { name: 'Other' } });
  });
});

describe('only a client of ours may call', () => {
  const post = (
    headers: Record<string, string>,
    body = JSON.stringify({ id: randomUUID(), name: 'X', site: '', by: 'E' }),
  ) =>
    raw(
      '/api/jobs',
      { 'content-length': String(Buffer.byteLength(body)), ...headers },
      { method: 'POST', body },
    );
  const json = { 'content-type': 'application/json' };

  test.each<[string, Record<string, string>, number]>([
    ['a name that was made to lead here', { ...json, host: 'evil.example' }, 421],
    ['an address of the network, on this machine only', { ...json, host: '192.0.2.7:4070' }, 421],
    ['a page of another origin', { ...json, origin: 'http://evil.example' }, 403],
    ['a page without an origin', { ...json, origin: 'null' }, 403],
    ['a page elsewhere, by what the browser says', { ...json, 'sec-fetch-site': 'cross-site' }, 403],
    ['a form', { 'content-type': 'application/x-www-form-urlencoded' }, 415],
    ['a form with files', { 'content-type': 'multipart/form-data; boundary=x' }, 415],
    ['plain text, which needs no leave', { 'content-type': 'text/plain' }, 415],
  ])('%s is refused', async (_, headers, status) => {
    const count = (await server.call('listJobs', {})).length;
    expect((await post(headers)).status).toBe(status);
    expect(await server.call('listJobs', {})).toHaveLength(count);
  });

  test('our own page and a program are not', async () => {
    const { host } = new URL(server.address);
    expect((await post({ ...json, origin: `http://${host}`, 'sec-fetch-site': 'same-origin' })).status).toBe(
      200,
    );
    expect((await post(json)).status).toBe(200);
  });

  test('answers carry what keeps a page from being framed and foreign scripts from running', async () => {
    const { headers } = await raw('/api/health');
    expect(headers['content-security-policy']).toMatch(/script-src 'self' 'wasm-unsafe-eval'(?:;|$)/);
    expect(headers['content-security-policy']).toMatch(/frame-ancestors 'none'/);
    expect(headers['x-frame-options']).toBe('DENY');
    expect(headers['x-content-type-options']).toBe('nosniff');
  });
});

describe('what can be no data is refused with a reason', () => {
  const deep = (levels: number): string => `${'['.repeat(levels)}${']'.repeat(levels)}`;
  test.each<[string, string]>([
    ['NUL', '{"name":"a\\u0000b"}'],
    ['half a surrogate', '{"name":"a\\ud800b"}'],
    ['20,000 levels', `{"name":${deep(20_000)}}`],
    ['a prototype', '{"__proto__":{"x":1},"name":"a"}'],
    ['null', 'null'],
  ])('%s', async (_, body) => {
    const answer = await raw(
      '/api/jobs',
      { 'content-type': 'application/json', 'content-length': String(Buffer.byteLength(body)) },
      { method: 'POST', body },
    );
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect(answer.status).toBeLessThan(500);
    expect(JSON.parse(answer.text)).toMatchObject({ message: { code: expect.any(String) } });
  });

  test.each(['/api/jobs/%00', '/api/jobs/a%ED%A0%80', '/api/jobs/x/events?pointId=%00&limit=3'])(
    'also in an address: %s',
    async (path) => {
      const { status } = await raw(path);
      expect(status).toBeGreaterThanOrEqual(400);
      expect(status).toBeLessThan(500);
    },
  );

  test.each<[string, unknown]>([
    ['null within a batch', { kind: 'batch', changes: [null] }],
    ['a batch within a batch', { kind: 'batch', changes: [{ kind: 'batch', changes: [] }] }],
    ['an unknown part', { kind: 'batch', changes: [{ kind: 'explode' }] }],
    [
      'a claim to have read, within a batch',
      {
        kind: 'batch',
        changes: [
          {
            kind: 'enter',
            entries: [{ id: 'e', itemId: 'g1', side: 'found', how: 'read', values: { a: '1' } }],
          },
        ],
      },
    ],
  ])('%s', async (_, what) => {
    const job = await newJob();
    const details = await refusal(change(job.id, what as Change));
    expect([400, 422]).toContain(details.status);
    expect((await read(job.id)).revision).toBe(job.revision);
  });
});
