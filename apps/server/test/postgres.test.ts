import { sure } from '@keypost/core/lists';
import { createClient } from '@keypost/api';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Database } from '../src/db/connection.ts';
import { openDatabase } from '../src/db/database.ts';
import type { DatabasePlace } from '../src/db/database.ts';
import { DEMO_JOB_ID, seedDemo } from '../src/demo/seed.ts';
import { ternRock } from '../src/demo/ternRock.ts';
import { openJobs } from '../src/jobs/jobs.ts';
import { moveAll } from '../src/move/moveAll.ts';
import { buildServer } from '../src/server.ts';
import { startSentence } from '../src/startSentence.ts';
import { makeDatabase, PostgresServer } from './postgresServer.ts';
import { runToEnd, startProcess } from './process.ts';
import { MIGRATIONS } from './server.ts';
import { jobWithPoint, stamp, stampsOf } from './stampedJob.ts';
import { emptyPlace, POSTGRES } from './testPlace.ts';

const closing: (() => Promise<unknown>)[] = [];
afterEach(async () => {
  for (const close of closing.splice(0).reverse()) await close();
});

type Call = ReturnType<typeof createClient>;

async function open(place: DatabasePlace): Promise<Database> {
  const db = await openDatabase(place, MIGRATIONS);
  closing.push(() => db.close());
  return db;
}

/** One of several servers on a database. */
async function serverOn(db: Database): Promise<Call> {
  const app = await buildServer(db, undefined);
  const address = await app.listen({ host: '127.0.0.1', port: 0 });
  closing.push(() => app.close());
  return createClient(address);
}

async function until(done: () => Promise<boolean>): Promise<void> {
  for (let tries = 0; tries < 800; tries++) {
    if (await done()) return;
    await new Promise((wait) => setTimeout(wait, 25));
  }
  throw new Error('It did not come to that.');
}

describe('several servers on one database', () => {
  test('read what the other has acknowledged, and keep every change of both', async () => {
    const place = await emptyPlace();
    const [a, b] = [await serverOn(await open(place)), await serverOn(await open(place))];
    const [one, two] = [await jobWithPoint(a), await jobWithPoint(b)];
    for (let n = 0; n < 8; n++) {
      const call = n % 2 ? a : b;
      await stamp(call, one, `m${n}`);
      expect(await stampsOf(n % 2 ? b : a, one)).toContain(`m${n}`);
    }
    // Both at once, on two jobs in either order, and one change through both.
    const twice = randomUUID();
    await Promise.all([
      ...Array.from({ length: 12 }, (_, n) => stamp(a, n % 2 ? one : two, `a${n}`)),
      ...Array.from({ length: 12 }, (_, n) => stamp(b, n % 2 ? two : one, `b${n}`)),
      stamp(a, one, 'same', twice),
      stamp(b, one, 'same', twice),
    ]);
    const [first, second] = [await stampsOf(a, one), await stampsOf(b, two)];
    expect(first).toHaveLength(8 + 12 + 1);
    expect(second).toHaveLength(12);
    expect(await stampsOf(b, one)).toEqual(first);
    const { revision } = await a('getJob', { params: { jobId: one } });
    expect(revision).toBe(first.length + 2);
  }, 60_000);

  test('tell each other where a job stands, so that what is kept is stale and pages follow', async () => {
    const place = await emptyPlace();
    const mine = await open(place);
    const jobs = await openJobs(mine);
    const theirs = await serverOn(await open(place));
    const jobId = await jobWithPoint(theirs);
    await jobs.keeper.job(jobId);
    await until(async () => (await jobs.revisions.followed(jobId)) === 2);
    // Followed without a question to the database.
    const asked = jest.spyOn(mine, 'query');
    expect(await jobs.revisions.followed(jobId)).toBe(2);
    await stamp(theirs, jobId, 'm');
    await until(async () => (await jobs.revisions.followed(jobId)) === 3);
    expect(asked).not.toHaveBeenCalled();
    expect(sure(await jobs.keeper.job(jobId)).content.stamps).toHaveLength(1);
    await theirs('removeJob', { params: { jobId }, query: { by: 'TT' } });
    await until(async () => (await jobs.revisions.followed(jobId)) === undefined);
  }, 60_000);

  test('bring the tables up to date once, however many start', async () => {
    const place = await emptyPlace();
    const all = await Promise.all(Array.from({ length: 4 }, () => openDatabase(place, MIGRATIONS)));
    const { rows } = await sure(all[0]).query<{ name: string }>('select name from migration');
    expect(new Set(rows.map(({ name }) => name)).size).toBe(rows.length);
    await Promise.all(all.map((db) => db.close()));
  }, 60_000);
});

describe('a server that goes and comes back', () => {
  let postgres: PostgresServer;
  beforeAll(async () => {
    postgres = await PostgresServer.start();
  }, 60_000);
  afterAll(() => postgres.remove());

  test.each(['SIGINT', 'SIGQUIT'] as const)(
    'while changes are written (%s): none that was acknowledged is lost, none is doubled',
    async (signal) => {
      const call = await serverOn(
        await open({ address: await postgres.database(`gone-${signal.toLowerCase()}`) }),
      );
      const jobId = await jobWithPoint(call);
      const acknowledged: string[] = [];
      let isOver = false;
      closing.push(async () => (isOver = true));
      const writers = Array.from({ length: 4 }, async (_, w) => {
        for (let n = 0; !isOver; n++) {
          const id = `w${w}n${n}`;
          await stamp(call, jobId, id);
          acknowledged.push(id);
        }
      });
      for (let round = 0; round < 3; round++) {
        const before = acknowledged.length;
        await until(async () => acknowledged.length > before + 5);
        await postgres.end(signal);
        await postgres.begin();
      }
      isOver = true;
      await Promise.all(writers);
      const stored = await stampsOf(call, jobId);
      expect(stored.slice().sort()).toEqual(acknowledged.slice().sort());
      // Who follows hears of changes again.
      const { revision } = await call('revision', { params: { jobId } });
      expect(revision).toBe(stored.length + 2);
    },
    90_000,
  );

  test('for longer than a client waits: it is said, and what came then is stored once it is there', async () => {
    const db = await open({ address: await postgres.database('away') });
    const call = await serverOn(db);
    const jobId = await jobWithPoint(call);
    await postgres.end('SIGINT');
    const changeId = randomUUID();
    await expect(stamp(call, jobId, 'm', changeId)).rejects.toMatchObject({
      details: { status: 503, message: { code: 'service.database-away' } },
    });
    await postgres.begin();
    await stamp(call, jobId, 'm', changeId);
    expect(await stampsOf(call, jobId)).toEqual(['m']);
  }, 60_000);
});

describe('moved', () => {
  test('to a PostgreSQL server and back, everything is as it was; nothing comes upon something', async () => {
    const directory = mkdtempSync(path.join(os.tmpdir(), 'keypost-move-'));
    closing.push(async () => rmSync(directory, { recursive: true, force: true }));
    const from = await open({ directory: path.join(directory, 'from') });
    await seedDemo(from);
    const call = await serverOn(from);
    const removed = await jobWithPoint(call);
    await call('removeJob', { params: { jobId: removed }, query: { by: 'TT' } });
    const file = await call('exportJob', { params: { jobId: DEMO_JOB_ID } });
    const events = await call('listEvents', { params: { jobId: DEMO_JOB_ID }, query: { limit: 500 } });

    const there = await open(await emptyPlace());
    const moved = await moveAll(from, there);
    expect(moved.find(({ table }) => table === 'point')).toMatchObject({
      count: ternRock().points.length,
    });
    await expect(moveAll(from, there)).rejects.toThrow(/has to be empty, and it holds 1 jobs/);
    const theirs = await serverOn(there);
    expect(await theirs('exportJob', { params: { jobId: DEMO_JOB_ID } })).toEqual(file);
    expect(await theirs('listEvents', { params: { jobId: DEMO_JOB_ID }, query: { limit: 500 } })).toEqual(
      events,
    );
    // What counts itself goes on.
    const point = sure((await theirs('getJob', { params: { jobId: DEMO_JOB_ID } })).content.points[0]).id;
    await theirs('changeJob', {
      params: { jobId: DEMO_JOB_ID },
      body: {
        changeId: randomUUID(),
        by: 'TT',
        change: { kind: 'stamp', stamp: { id: 'later', pointId: point, step: 'tug', fingerprint: {} } },
      },
    });
    expect((await stampsOf(theirs, DEMO_JOB_ID)).at(-1)).toBe('later');

    const back = await open({ directory: path.join(directory, 'back') });
    await expect(moveAll(there, back)).rejects.toThrow(/A Key Post is using that database/);
  }, 120_000);
});

test('what keeps a server from its database is told in a sentence, without the password', async () => {
  const free = sure(POSTGRES);
  const at = (change: (url: URL) => void): string => {
    const url = new URL(free);
    url.password = 'gates';
    change(url);
    return url.href;
  };
  const missing = await openDatabase(
    { address: at((url) => (url.pathname = '/none-such')) },
    MIGRATIONS,
  ).catch(startSentence);
  expect(missing).toMatch(/no database of that name/);
  const nobody = await openDatabase({ address: at((url) => (url.username = 'nobody')) }, MIGRATIONS).catch(
    startSentence,
  );
  expect(nobody).toMatch(/does not (?:let this user in|take this user)/);
  const [away, wrong] = await Promise.all([
    runToEnd(['--database', at((url) => (url.port = '1'))]),
    runToEnd(['--database', 'mysql://x:gates@y/z', '--port', '4999']),
  ]);
  expect([away.code, away.output]).toEqual([1, expect.stringContaining('does not answer at the address')]);
  expect([wrong.code, wrong.output]).toEqual([
    1,
    expect.stringContaining('is no address of a PostgreSQL server'),
  ]);
  for (const said of [missing, nobody, away.output, wrong.output]) expect(said).not.toContain('gates');
}, 60_000);

test('the command that moves says what it moved, and what it cannot', async () => {
  const directory = mkdtempSync(path.join(os.tmpdir(), 'keypost-move-'));
  closing.push(async () => rmSync(directory, { recursive: true, force: true }));
  const kept = randomUUID();
  const server = await startProcess(['--data', path.join(directory, 'a')]);
  await jobWithPoint(createClient(server.address), kept);
  const address = await makeDatabase(sure(POSTGRES), `t-${randomUUID()}`);
  const move = (...args: string[]) => runToEnd(args, 'apps/server/src/move/main.ts');
  const busy = await move('--from', path.join(directory, 'a'), '--to', address);
  expect([busy.code, busy.output]).toEqual([1, expect.stringContaining('is in use by another Key Post')]);
  await server.end('SIGTERM');
  const done = await move('--from', path.join(directory, 'a'), '--to', address);
  expect([done.code, done.output]).toEqual([0, expect.stringMatching(/counts and checksums are the same/)]);
  const none = await move('--from', path.join(directory, 'none'), '--to', address);
  expect([none.code, none.output]).toEqual([1, expect.stringContaining('no data of Key Post')]);
  const there = await startProcess(['--database', address]);
  expect((await createClient(there.address)('listJobs', {})).map(({ id }) => id)).toEqual([kept]);
  const used = await move('--from', address, '--to', path.join(directory, 'b'));
  expect([used.code, used.output]).toEqual([1, expect.stringContaining('A Key Post is using that database')]);
  await there.end('SIGTERM');
  const back = await move('--from', address, '--to', path.join(directory, 'b'));
  expect(back.code).toBe(0);
}, 120_000);
