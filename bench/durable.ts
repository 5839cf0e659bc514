import { createClient } from '@keypost/api';
import { spawn, spawnSync } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ROOT } from './places.ts';

const CHANGES = 10;
const ROUNDS = 10;

type Call = ReturnType<typeof createClient>;

interface Running {
  readonly call: Call;
  readonly end: (signal: NodeJS.Signals) => Promise<void>;
}

/** Starts the server as a process of its own, under another program where one is given. */
async function start(data: string, port: number, under: readonly string[] = []): Promise<Running> {
  const [program = process.execPath, ...before] = [...under, process.execPath];
  const args = ['--import', 'tsx', 'apps/server/src/main.ts', '--data', data, '--port', String(port)];
  const child: ChildProcess = spawn(program, [...before, ...args], { cwd: ROOT });
  const ended = new Promise<void>((done) => child.once('close', () => done()));
  await new Promise<void>((done, fail) => {
    let said = '';
    child.stdout?.on('data', (part) => {
      said += String(part);
      if (said.includes('answers at')) done();
    });
    child.stderr?.on('data', (part) => (said += String(part)));
    void ended.then(() => fail(new Error(said)));
  });
  const call = createClient(`http://127.0.0.1:${port}`);
  const end = (signal: NodeJS.Signals): Promise<void> => {
    // Under a tracer the server is its only child.
    const { stdout } = spawnSync('pgrep', ['-P', String(child.pid)], { encoding: 'utf8' });
    const pid = under.length ? Number(stdout.split('\n')[0]) : Number(child.pid);
    process.kill(pid, signal);
    return ended;
  };
  return { call, end };
}

const stamp = (call: Call, jobId: string, id: string) =>
  call('changeJob', {
    params: { jobId },
    body: {
      changeId: randomUUID(),
      by: 'BN',
      change: { kind: 'stamp', stamp: { id, pointId: 'p', step: 'tug', fingerprint: {} } },
    },
  });

async function jobWithPoint(call: Call): Promise<string> {
  const { id } = await call('createJob', { body: { id: randomUUID(), name: 'Durable', site: '', by: 'BN' } });
  const point = { id: 'p', tag: 'PX-1', name: 'Point', deviceId: 'd', bit: 'direct' as const };
  const device = { id: 'd', tag: 'PX-1', typeId: 'inductive-3w' };
  await call('changeJob', {
    params: { jobId: id },
    body: { changeId: randomUUID(), by: 'BN', change: { kind: 'addPoint', point, device, place: null } },
  });
  return id;
}

/** Syncs of the disk by a trace of system calls, and what is left of acknowledged changes after kills under writing. */
export async function durable(): Promise<void> {
  const directory = mkdtempSync(path.join(os.tmpdir(), 'keypost-bench-'));
  const port = 4870;
  console.log('What is acknowledged is on the disk');
  await traced(directory, port);
  await killed(directory, port);
  rmSync(directory, { recursive: true, force: true });
}

async function traced(directory: string, port: number): Promise<void> {
  if (spawnSync('strace', ['-V']).error) return console.log('  no strace here: syncs are not counted');
  const trace = path.join(directory, 'trace');
  const under = ['strace', '-f', '-qq', '-e', 'trace=fsync,fdatasync', '-o', trace];
  const server = await start(path.join(directory, 'traced'), port, under);
  const jobId = await jobWithPoint(server.call);
  const count = (): number =>
    readFileSync(trace, 'utf8')
      .split('\n')
      .filter((line) => /sync\(/.test(line)).length;
  const before = count();
  for (let i = 0; i < CHANGES; i++) await stamp(server.call, jobId, `s${i}`);
  const syncs = count() - before;
  await server.end('SIGTERM');
  console.log(`  fsync in ${CHANGES} changes, one after the other   ${syncs} (wanted at least ${CHANGES})`);
}

async function killed(directory: string, port: number): Promise<void> {
  const data = path.join(directory, 'killed');
  const acknowledged = new Set<string>();
  let jobId: string | undefined;
  for (let round = 0; round < ROUNDS; round++) {
    const server = await start(data, port);
    jobId ??= await jobWithPoint(server.call);
    const job = jobId;
    const writers = Array.from({ length: 4 }, async () => {
      for (;;) {
        const id = randomUUID();
        if (!(await stamp(server.call, job, id).catch(() => undefined))) return;
        acknowledged.add(id);
      }
    });
    await new Promise((done) => setTimeout(done, 300 + 70 * round));
    await server.end('SIGKILL');
    await Promise.all(writers);
  }
  const server = await start(data, port);
  const { content, damaged } = await server.call('getJob', { params: { jobId: jobId ?? '' } });
  const stored = new Set(content.stamps.map(({ id }) => id));
  const lost = [...acknowledged].filter((id) => !stored.has(id)).length;
  await server.end('SIGTERM');
  console.log(
    `  killed while four wrote               ${ROUNDS} times: ${acknowledged.size} acknowledged, ${lost} lost, ${damaged.length} damaged (wanted 0)`,
  );
}
