import { sure } from '@keypost/core/lists';
import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import path from 'node:path';

const ROOT = path.resolve(__dirname, '../../..');

export interface Running {
  readonly child: ChildProcess;
  readonly address: string;
  /** Ends the process with a signal and gives its exit code, or null after a kill. */
  readonly end: (signal: NodeJS.Signals) => Promise<number | null>;
}

export interface Ended {
  readonly code: number | null;
  readonly output: string;
}

/** A port that nobody uses just now. */
export function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
}

function start(args: string[]): { child: ChildProcess; output: () => string } {
  const child = spawn(process.execPath, ['--import', 'tsx', 'apps/server/src/main.ts', ...args], {
    cwd: ROOT,
  });
  let text = '';
  child.stdout.on('data', (part) => (text += part));
  child.stderr.on('data', (part) => (text += part));
  return { child, output: () => text };
}

/** Starts the server as a process of its own and waits until it answers. */
export async function startProcess(data: string): Promise<Running> {
  const { child, output } = start(['--data', data, '--port', String(await freePort())]);
  const exit = new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)));
  const address = await new Promise<string>((resolve, reject) => {
    sure(child.stdout).on('data', () => {
      const match = /http:\S+/.exec(output());
      if (match) resolve(match[0]);
    });
    void exit.then(() => reject(new Error(output())));
  });
  const end = (signal: NodeJS.Signals): Promise<number | null> => {
    child.kill(signal);
    return exit;
  };
  return { child, address, end };
}

/** Runs the server with options that make it end at once. */
export function runToEnd(args: string[]): Promise<Ended> {
  const { child, output } = start(args);
  return new Promise((resolve) => child.once('close', (code) => resolve({ code, output: output() })));
}
