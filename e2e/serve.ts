import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

export const ROOT = path.resolve(import.meta.dirname, '..');

/** Starts the server on a data directory, with the demo or empty, and waits until it answers. */
export function startServer(
  data: string,
  port: number,
  isEmpty = false,
  web = 'apps/app/dist',
): Promise<ChildProcess> {
  const args = [
    'scripts/oneFile.mjs',
    'apps/server/src/main.ts',
    '--data',
    data,
    '--port',
    String(port),
    ...(isEmpty ? [] : ['--demo']),
  ];
  const started = spawn(process.execPath, [...args, '--web', web], { cwd: ROOT });
  return new Promise((resolve, reject) => {
    started.stdout.on('data', (text: Buffer) => {
      if (String(text).includes('answers')) resolve(started);
    });
    started.stderr.on('data', (text: Buffer) => console.error(String(text)));
    started.on('exit', (code) => reject(new Error(`The server ended with ${code}.`)));
  });
}

/** Ends a server and waits until it is gone. */
export function stopServer(started: ChildProcess): Promise<void> {
  return new Promise((resolve) => {
    started.removeAllListeners('exit');
    started.once('exit', () => resolve());
    started.kill('SIGINT');
  });
}

/** A directory for one test's files. */
export const scratch = (): string => mkdtempSync(path.join(os.tmpdir(), 'keypost-e2e-'));
