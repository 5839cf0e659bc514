import { createClient, livePath } from '@keypost/api';
import { nth } from '@keypost/core/lists';
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { Agent, get } from 'node:http';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { openWholeFile } from '@keypost/core/proving';
import { writeJobFile } from '@keypost/core/jobFile';
import { DEMO_JOB_ID } from '../apps/server/src/demo/seed.ts';
import { ROOT } from './places.ts';
import { startServer } from './serverProcess.ts';

const WRITERS = 20;
const READERS = 50;
const LISTENERS = 200;
const JOBS = 2;
const PORT = 4930;
/** An answer may take so long, ms. */
const MAX_MS = 5_000;
/** After a start the server and those who come back to it all at once are left alone so long, ms. */
const SETTLING_MS = 5_000;

type Call = ReturnType<typeof createClient>;
type Running = Awaited<ReturnType<typeof startServer>>;

/** One writer: numbers the name of a point of its own upwards, and remembers what was acknowledged. */
interface Writer {
  readonly jobId: string;
  readonly pointId: string;
  acknowledged: number;
}

/**
 * Everything at once, for some minutes: writers, readers, listeners to live values of partners that flood, and the
 * server killed every minute. What was acknowledged has to be there after each kill; no answer but around the restarts
 * may take longer than 5 s, and memory must not grow.
 */
async function siege(minutes: number): Promise<void> {
  const directory = mkdtempSync(path.join(os.tmpdir(), 'keypost-siege-'));
  const partner = spawn(process.execPath, ['--import', 'tsx', 'bench/flood.ts'], { cwd: ROOT });
  const port = await new Promise<string>((done) =>
    partner.stdout.once('data', (said) => done(String(said).trim())),
  );
  const link = `127.0.0.1:${port}`;
  const start = (): Promise<Running> => startServer(['--data', directory, '--demo'], PORT);
  let server = await start();
  let quietUntil = performance.now() + SETTLING_MS;
  let isOver = false;
  const base = server.base;
  const call = createClient(base);
  const writers = await prepared(call, link);
  const jobIds = [...new Set(writers.map(({ jobId }) => jobId))];
  const count = { acknowledged: 0, read: 0, heard: 0, slow: 0, lost: 0 };
  let longest = 0;
  let kills = 0;
  const timed = async <T>(ask: () => Promise<T>): Promise<T> => {
    const started = performance.now();
    const isQuiet = started > quietUntil;
    const before = kills;
    try {
      return await ask();
    } finally {
      // One that was given up after a while counts as well as one that came late.
      if (isQuiet && before === kills) {
        const took = performance.now() - started;
        longest = Math.max(longest, took);
        if (took > MAX_MS) count.slow++;
      }
    }
  };
  const lanes = [
    ...writers.map((writer) => writing(call, writer, timed, count, () => isOver)),
    ...Array.from({ length: READERS }, (_, n) =>
      reading(`${base}/api/jobs/${nth(jobIds, n % JOBS)}`, timed, count, () => isOver),
    ),
    ...Array.from({ length: LISTENERS }, (_, n) =>
      listening(base, nth(jobIds, n % JOBS), count, () => isOver),
    ),
  ];
  const levels: number[] = [];
  for (let minute = 0; minute < minutes; minute++) {
    await pause(60_000);
    levels.push(residentMegabytes(server.pid));
    const known = writers.map(({ acknowledged }) => acknowledged);
    kills++;
    quietUntil = Infinity;
    await server.end('SIGKILL');
    server = await start();
    count.lost += await missing(call, writers, known);
    quietUntil = performance.now() + SETTLING_MS;
  }
  isOver = true;
  await Promise.race([Promise.all(lanes), pause(20_000)]);
  await server.end('SIGTERM');
  partner.kill();
  rmSync(directory, { recursive: true, force: true });
  console.log(
    `Everything at once for ${minutes} minutes: ${WRITERS} writers, ${READERS} readers, ${LISTENERS} listeners, partners that flood, killed every minute`,
  );
  console.log(
    `  ${count.acknowledged} changes acknowledged, ${count.lost} lost (wanted 0); ${count.read} answers read, ${count.heard} batches heard`,
  );
  console.log(
    `  longest answer beside restarts ${(longest / 1000).toFixed(2)} s, ${count.slow} over 5 s (wanted 0)`,
  );
  console.log(
    `  resident memory at the end of each minute, MB: ${levels.map((level) => level.toFixed(0)).join(' ')}`,
  );
}

/** Jobs whose partners flood, and a point for each writer. */
async function prepared(call: Call, link: string): Promise<Writer[]> {
  const { job: demo, pictures } = openWholeFile(await call('exportJob', { params: { jobId: DEMO_JOB_ID } }));
  const plans = demo.plans.map((plan) =>
    plan.kind === 'ethernet'
      ? { ...plan, members: plan.members.map((member) => (member.link ? { ...member, link } : member)) }
      : { ...plan, ...(plan.link && { link }) },
  );
  const file = writeJobFile({ ...demo, plans }, pictures);
  const writers: Writer[] = [];
  for (let j = 0; j < JOBS; j++) {
    const id = randomUUID();
    await call('importJob', { body: { id, by: 'BN', file } });
    for (const point of demo.points.slice(0, WRITERS / JOBS))
      writers.push({ jobId: id, pointId: point.id, acknowledged: 0 });
  }
  return writers;
}

type Timed = <T>(ask: () => Promise<T>) => Promise<T>;

async function writing(
  call: Call,
  writer: Writer,
  timed: Timed,
  count: { acknowledged: number },
  isOver: () => boolean,
): Promise<void> {
  while (!isOver()) {
    const number = writer.acknowledged + 1;
    const body = {
      changeId: randomUUID(),
      by: 'BN',
      change: { kind: 'editPoint' as const, id: writer.pointId, patch: { name: `Name ${number}` } },
    };
    // The same change again until it is acknowledged, as a client does.
    for (;;) {
      try {
        await timed(() => call('changeJob', { params: { jobId: writer.jobId }, body }));
        break;
      } catch {
        if (isOver()) return;
        await pause(200);
      }
    }
    writer.acknowledged = number;
    count.acknowledged++;
    await pause(100);
  }
}

const agent = new Agent({ keepAlive: true, maxSockets: READERS });

/** Reads an answer without looking into it: what asks must not stand in the way of what answers. */
const taken = (url: string): Promise<void> =>
  new Promise((done, fail) => {
    const asked = get(url, { agent, headers: { 'accept-encoding': 'gzip' } }, (answer) => {
      answer.on('data', () => undefined);
      answer.on('end', done);
      answer.on('error', fail);
    });
    asked.on('error', fail);
  });

async function reading(
  job: string,
  timed: Timed,
  count: { read: number },
  isOver: () => boolean,
): Promise<void> {
  const kinds = ['/revision', '', '/revision', '/board', '/revision', '/events?limit=50'];
  for (let n = 0; !isOver(); n++) {
    try {
      await timed(() => taken(job + nth(kinds, n % kinds.length)));
      count.read++;
    } catch {
      await pause(300);
    }
    await pause(250);
  }
}

/** Hears live values, and takes the connection up again where it is lost. */
async function listening(
  base: string,
  jobId: string,
  count: { heard: number },
  isOver: () => boolean,
): Promise<void> {
  while (!isOver()) {
    await new Promise<void>((done) => {
      const asked = get(`${base}${livePath(jobId)}`, { agent: false }, (answer) => {
        answer.on('data', () => {
          count.heard++;
          if (isOver()) asked.destroy();
        });
        answer.on('close', done);
      });
      asked.on('error', () => done());
    });
    await pause(500);
  }
}

/** So many writers whose last acknowledged name is not there any more. */
async function missing(call: Call, writers: readonly Writer[], known: readonly number[]): Promise<number> {
  let lost = 0;
  for (const jobId of new Set(writers.map((writer) => writer.jobId))) {
    const { content } = await call('getJob', { params: { jobId } });
    writers.forEach((writer, w) => {
      if (writer.jobId !== jobId) return;
      const name = content.points.find(({ id }) => id === writer.pointId)?.name ?? '';
      const number = Number(/^Name (\d+)$/.exec(name)?.[1] ?? 0);
      if (number < nth(known, w)) lost++;
    });
  }
  return lost;
}

const residentMegabytes = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

await siege(Number(process.argv[2] ?? 10));
process.exit(0);
