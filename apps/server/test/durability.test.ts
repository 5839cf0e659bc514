import { sure } from '@keypost/core/lists';
import { createClient } from '@keypost/api';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import fs from 'node:fs';
import { createServer } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { openDatabase } from '../src/db/database.ts';
import { freePort } from './freePort.ts';
import { runToEnd, startProcess } from './process.ts';
import { jobWithPoint, stamp, stampsOf } from './stampedJob.ts';
import { placeOptions, POSTGRES } from './testPlace.ts';

const MIGRATIONS = path.resolve(__dirname, '../src/db/migrations');
const ROUNDS = POSTGRES ? 6 : 12;
/** What is about a directory of this machine. */
const inDirectory = POSTGRES ? test.skip : test;
let data: string;
beforeEach(() => (data = mkdtempSync(path.join(os.tmpdir(), 'keypost-'))));
afterEach(() => rmSync(data, { recursive: true, force: true }));

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

async function waitUntil(done: () => boolean): Promise<void> {
  while (!done()) await pause(5);
}

type Call = ReturnType<typeof createClient>;

/** Writes stamps one after the other until the server is gone. @returns the ids that were acknowledged. */
async function streamStamps(call: Call, jobId: string, acknowledged: Set<string>): Promise<void> {
  for (;;) {
    const id = randomUUID();
    try {
      await stamp(call, jobId, id);
    } catch {
      return;
    }
    acknowledged.add(id);
  }
}

test(`nothing acknowledged is lost when the server is killed, ${ROUNDS} times over`, async () => {
  const acknowledged = new Set<string>();
  let jobId: string | undefined;
  for (let round = 0; round < ROUNDS; round++) {
    const server = await startProcess(await placeOptions(data));
    const call = createClient(server.address);
    jobId ??= await jobWithPoint(call);
    const before = acknowledged.size;
    const stream = streamStamps(call, jobId, acknowledged);
    await Promise.race([stream, waitUntil(() => acknowledged.size >= before + 3)]);
    await pause(17 * (round % 7));
    await server.end('SIGKILL');
    await stream;
    expect(acknowledged.size).toBeGreaterThanOrEqual(before + 3);
  }
  const server = await startProcess(await placeOptions(data));
  const stored = new Set(await stampsOf(createClient(server.address), sure(jobId)));
  expect([...acknowledged].filter((id) => !stored.has(id))).toEqual([]);
  expect(await server.end('SIGINT')).toBe(0);
}, 240000);

inDirectory(
  'every commit of the database is synced to the disk before it is acknowledged',
  async () => {
    const synced = jest.spyOn(fs, 'fsyncSync');
    const db = await openDatabase({ directory: path.join(data, 'db') }, MIGRATIONS);
    expect((await db.query<{ fsync: string }>('show fsync')).rows).toEqual([{ fsync: 'on' }]);
    await db.exec('create table t (a int)');
    for (let i = 0; i < 5; i++) {
      const before = synced.mock.calls.length;
      await db.query('insert into t values ($1)', [i]);
      expect(synced.mock.calls.length).toBeGreaterThan(before);
    }
    const before = synced.mock.calls.length;
    await db.exec('checkpoint');
    // Of a checkpoint every file that was written, so that the log before it may go.
    expect(synced.mock.calls.length).toBeGreaterThan(before + 3);
    await db.close();
    synced.mockRestore();
  },
  60_000,
);

inDirectory(
  'a second start on the same directory says who has it; after the end it is free',
  async () => {
    const server = await startProcess(await placeOptions(data));
    const second = await runToEnd(['--data', data, '--port', String(await freePort())]);
    expect(second.code).toBe(1);
    expect(second.output.trim()).toMatch(
      /^The data directory .* is in use by another Key Post \(process \d+\)\. .*--data\.$/,
    );
    server.child.kill('SIGTERM');
    expect(await server.end('SIGTERM')).toBe(0);
    const third = await startProcess(await placeOptions(data));
    expect(await third.end('SIGINT')).toBe(0);
  },
  90000,
);

inDirectory(
  'a taken port is one clear sentence',
  async () => {
    const port = await freePort();
    const holder = createServer().listen(port, '127.0.0.1');
    const { code, output } = await runToEnd(['--data', data, '--port', String(port)]);
    holder.close();
    expect(code).toBe(1);
    expect(output.trim()).toBe(`Port ${port} is taken by another program. Choose another with --port.`);
  },
  60000,
);

inDirectory(
  'a port that is none, and a directory below a file, are one clear sentence each',
  async () => {
    const file = path.join(data, 'a-file');
    writeFileSync(file, '');
    const wrongs: [string[], RegExp][] = [
      [['--port', '99999', '--data', data], /“99999” is no port/],
      [['--data', path.join(file, 'below')], /cannot be written/],
    ];
    for (const [args, message] of wrongs) {
      const { code, output } = await runToEnd(args);
      expect(code).toBe(1);
      expect(output.trim().split('\n')).toHaveLength(1);
      expect(output).toMatch(message);
    }
  },
  60000,
);
