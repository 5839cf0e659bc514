import { createClient } from '@keypost/api';
import { spawn, spawnSync } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { ROOT } from './places.ts';

interface Running {
  readonly base: string;
  readonly pid: number;
  readonly call: ReturnType<typeof createClient>;
  readonly end: (signal: NodeJS.Signals) => Promise<void>;
}

/**
 * Starts the server as a process of its own, under another program where one is given.
 * @param place options that say where its data is.
 */
export async function startServer(
  place: readonly string[],
  port: number,
  under: readonly string[] = [],
): Promise<Running> {
  const [program = process.execPath, ...before] = [...under, process.execPath];
  const args = ['scripts/oneFile.mjs', 'apps/server/src/main.ts', ...place, '--port', String(port)];
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
  const base = `http://127.0.0.1:${port}`;
  const end = (signal: NodeJS.Signals): Promise<void> => {
    // Under a tracer the server is its only child.
    const { stdout } = spawnSync('pgrep', ['-P', String(child.pid)], { encoding: 'utf8' });
    const pid = under.length ? Number(stdout.split('\n')[0]) : Number(child.pid);
    process.kill(pid, signal);
    return ended;
  };
  return { base, pid: Number(child.pid), call: createClient(base), end };
}
