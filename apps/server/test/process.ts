import { sure } from '@keypost/core/lists';
import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import path from 'node:path';
import { freePort } from './freePort.ts';

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

function start(
  args: string[],
  program = 'apps/server/src/main.ts',
): { child: ChildProcess; output: () => string } {
  const child = spawn(process.execPath, ['scripts/oneFile.mjs', program, ...args], {
    cwd: ROOT,
  });
  let text = '';
  child.stdout.on('data', (part) => (text += part));
  child.stderr.on('data', (part) => (text += part));
  return { child, output: () => text };
}

/**
 * Starts the server as a process of its own and waits until it answers.
 * @param place options that say where its data is.
 */
export async function startProcess(place: readonly string[]): Promise<Running> {
  const { child, output } = start([...place, '--port', String(await freePort())]);
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

/** Runs the server, or another program of its, with options that make it end at once. */
export function runToEnd(args: string[], program?: string): Promise<Ended> {
  const { child, output } = start(args, program);
  return new Promise((resolve) => child.once('close', (code) => resolve({ code, output: output() })));
}
