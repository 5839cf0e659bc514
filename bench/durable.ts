import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { jobWithPoint, stamp, stampsOf } from '../apps/server/test/stampedJob.ts';
import { startServer } from './serverProcess.ts';

const CHANGES = 10;
const ROUNDS = 10;

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
  const server = await startServer(['--data', path.join(directory, 'traced')], port, under);
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
    const server = await startServer(['--data', data], port);
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
  const server = await startServer(['--data', data], port);
  const { damaged } = await server.call('getJob', { params: { jobId: jobId ?? '' } });
  const stored = new Set(await stampsOf(server.call, jobId ?? ''));
  const lost = [...acknowledged].filter((id) => !stored.has(id)).length;
  await server.end('SIGTERM');
  console.log(
    `  killed while four wrote               ${ROUNDS} times: ${acknowledged.size} acknowledged, ${lost} lost, ${damaged.length} damaged (wanted 0)`,
  );
}
