import { createClient } from '@keypost/api';
import { randomUUID } from 'node:crypto';
import { networkInterfaces } from 'node:os';
import { gunzipSync, gzipSync } from 'node:zlib';
import { readBackup, restore } from '../src/backup/backupFile';
import { openDatabase } from '../src/db/database';
import { buildServer } from '../src/server';
import { DEMO_JOB_ID, seedDemo } from '../src/demo/seed';
import { MIGRATIONS, startTestServer } from './server';
import { emptyPlace } from './testPlace';
import type { TestServer } from './server';

const closing: (() => Promise<void>)[] = [];
let server: TestServer;
let file: Buffer;

beforeAll(async () => {
  server = await startTestServer();
  closing.push(server.close);
  await seedDemo(server.db);
  const answer = await fetch(`${server.address}/api/backup`);
  expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/gzip']);
  file = Buffer.from(await answer.arrayBuffer());
}, 60_000);
afterAll(async () => {
  for (const close of closing.reverse()) await close();
});

const empty = async () => {
  const db = await openDatabase(await emptyPlace(), MIGRATIONS);
  closing.push(() => db.close());
  return db;
};

/** The same backup with its lines otherwise. */
const otherwise = (change: (lines: string[]) => string[]): Buffer =>
  gzipSync(change(gunzipSync(file).toString().trimEnd().split('\n')).join('\n'));

test('what a server keeps comes back as it was, and goes on from there', async () => {
  const db = await empty();
  const tables = await restore(db, file);
  expect(tables.find(({ table }) => table === 'job')?.count).toBe(1);
  const app = await buildServer(db, undefined);
  closing.push(() => app.close());
  const call = createClient(await app.listen({ host: '127.0.0.1', port: 0 }));
  const params = { jobId: DEMO_JOB_ID };
  expect(await call('exportJob', { params })).toBe(await server.call('exportJob', { params }));
  const change = { kind: 'editJob', patch: { name: 'Gone on' } } as const;
  const stored = await call('changeJob', { params, body: { changeId: randomUUID(), by: 'TT', change } });
  expect(stored.revision).toBeGreaterThan(1);
  await expect(restore(db, file)).rejects.toThrow(/has to be empty, and it holds 1 jobs/);
}, 60_000);

test('one that is damaged, breaks off or was changed is refused, and nothing is done', async () => {
  const db = await empty();
  const jobs = async () => (await db.query<{ n: number }>('select count(*)::int as n from job')).rows[0]?.n;
  await expect(readBackup(Buffer.from('something else'))).rejects.toThrow(/no backup of Key Post/);
  await expect(restore(db, file.subarray(0, file.length / 2))).rejects.toThrow(/damaged/);
  await expect(
    restore(
      db,
      otherwise((lines) => lines.slice(0, -1)),
    ),
  ).rejects.toThrow(/breaks off/);
  const renamed = otherwise((lines) =>
    lines.map((line, i) => (i === 0 ? line : line.replace('Recirculation hall', 'Another hall'))),
  );
  await expect(restore(db, renamed)).rejects.toThrow(/did not come back as it was/);
  const later = otherwise(([head = '', ...lines]) => [
    head.replace('.sql"]', '.sql","9999_later.sql"]'),
    ...lines,
  ]);
  await expect(restore(db, later)).rejects.toThrow(/made by another version.*9999_later/);
  expect(await jobs()).toBe(0);
}, 60_000);

test('only who works on this machine gets one', async () => {
  const app = await buildServer(server.db, undefined, { trustNetwork: true });
  closing.push(() => app.close());
  const port = new URL(await app.listen({ host: '0.0.0.0', port: 0 })).port;
  const statusFrom = async (host: string) => (await fetch(`http://${host}:${port}/api/backup`)).status;
  expect(await statusFrom('127.0.0.1')).toBe(200);
  // Asked over the network this machine comes from its address there.
  const own = Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .find(({ family, internal }) => family === 'IPv4' && !internal)?.address;
  if (own) expect(await statusFrom(own)).toBe(403);
}, 60_000);
