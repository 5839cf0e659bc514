import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** A sentence for the person who starts the server; shown without a stack trace. */
export class StartProblem extends Error {}

/** When a process began, in the kernel's ticks, so that a number used again is not taken for the same process. */
function birthOf(pid: number): string | undefined {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
  } catch {
    return undefined;
  }
}

function alive(pid: number, birth: string | undefined): boolean {
  try {
    process.kill(pid, 0);
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
  return birth === undefined || birthOf(pid) === birth;
}

/**
 * Claims a data directory for this process. A claim left by a process that has ended is taken over.
 * @returns a function that gives the directory back.
 * @throws StartProblem when another process has it, or it cannot be written.
 */
export function lockDirectory(directory: string): () => void {
  const file = path.join(directory, 'in-use');
  try {
    mkdirSync(directory, { recursive: true });
    claim(file, directory);
  } catch (error) {
    if (error instanceof StartProblem) throw error;
    throw new StartProblem(
      `The data directory ${directory} cannot be written (${(error as NodeJS.ErrnoException).code ?? error}). Choose another with --data.`,
    );
  }
  return () => rmSync(file, { force: true });
}

function claim(file: string, directory: string): void {
  const mine = JSON.stringify({ pid: process.pid, birth: birthOf(process.pid) });
  for (let attempt = 0; attempt < 3; attempt++) {
    try {
      writeFileSync(file, mine, { flag: 'wx' });
      return;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
    const { pid, birth } = readClaim(file);
    if (pid !== undefined && pid !== process.pid && alive(pid, birth))
      throw new StartProblem(
        `The data directory ${directory} is in use by another Key Post (process ${pid}). Stop that one, or choose another directory with --data.`,
      );
    rmSync(file, { force: true });
  }
  throw new StartProblem(`The data directory ${directory} is being claimed by another process. Try again.`);
}

function readClaim(file: string): { pid?: number; birth?: string } {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as { pid: number; birth?: string };
  } catch {
    return {};
  }
}
