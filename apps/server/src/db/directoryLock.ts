import { linkSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { hostname } from 'node:os';
import path from 'node:path';

/** A sentence for the person who starts the server; shown without a stack trace. */
export class StartProblem extends Error {}

/**
 * Who has a directory: a process on a machine, by its number and when it began; and the directory itself, so that a copy
 * is not taken for what it was copied from.
 */
interface Claim {
  readonly pid?: number;
  readonly birth?: string;
  readonly host?: string;
  readonly directory?: string;
  /** Given back. */
  readonly free?: boolean;
}

/** Claims are files with numbers that only grow; the highest one holds. */
const NAME = /^in-use(?:\.(\d+))?$/;

/**
 * Claims a data directory for this process. A claim left by a process that has ended is taken over, by the next number:
 * a file of that name can be made once, so of several that try one wins. The highest is never taken away, or a slow
 * one could make its number again.
 * @returns a function that gives the directory back.
 * @throws StartProblem when another process has it, or it cannot be written.
 */
export function lockDirectory(directory: string): () => void {
  try {
    mkdirSync(directory, { recursive: true });
    const own = claim(directory);
    return () => writeFileSync(own, JSON.stringify({ free: true }));
  } catch (error) {
    if (error instanceof StartProblem) throw error;
    throw new StartProblem(
      `The data directory ${directory} cannot be written (${(error as NodeJS.ErrnoException).code ?? error}). Choose another with --data.`,
    );
  }
}

function claim(directory: string): string {
  const inode = String(statSync(directory).ino);
  const draft = path.join(directory, `claim-${process.pid}-${Math.random().toString(36).slice(2)}`);
  const mine: Claim = {
    pid: process.pid,
    birth: birthOf(process.pid),
    host: hostname(),
    directory: inode,
  };
  // A claim is there whole or not at all.
  writeFileSync(draft, JSON.stringify(mine));
  try {
    for (let attempt = 0; attempt < 20; attempt++) {
      const last = Math.max(0, ...numbersIn(directory));
      const held = readClaim(directory, last);
      if (held && holds(held, inode)) throw new StartProblem(inUse(directory, held));
      const own = path.join(directory, `in-use.${last + 1}`);
      if (!link(draft, own)) continue;
      const numbers = numbersIn(directory);
      // Made again below one that had come and tidied meanwhile: that one has it.
      if (Math.max(...numbers) > last + 1) {
        rmSync(own, { force: true });
        continue;
      }
      for (const old of numbers) if (old <= last) rmSync(fileOf(directory, old), { force: true });
      return own;
    }
  } finally {
    rmSync(draft, { force: true });
  }
  throw new StartProblem(`The data directory ${directory} is being claimed by another process. Try again.`);
}

/** The claim without a number was that of earlier versions. */
const fileOf = (directory: string, number: number): string =>
  path.join(directory, number === 0 ? 'in-use' : `in-use.${number}`);

const numbersIn = (directory: string): number[] =>
  readdirSync(directory).flatMap((name) => {
    const match = NAME.exec(name);
    return match ? [Number(match[1] ?? 0)] : [];
  });

/** Gives a file a second name. @returns whether the name was free. */
function link(from: string, to: string): boolean {
  try {
    linkSync(from, to);
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
    throw error;
  }
}

function readClaim(directory: string, number: number): Claim | undefined {
  try {
    return JSON.parse(readFileSync(fileOf(directory, number), 'utf8')) as Claim;
  } catch {
    return undefined;
  }
}

function holds({ pid, birth, host, directory, free }: Claim, inode: string): boolean {
  if (free || pid === undefined) return false;
  if (directory !== undefined && directory !== inode) return false;
  // Whether a process of another machine lives cannot be seen from here.
  if (host !== undefined && host !== hostname()) return true;
  return pid !== process.pid && isAlive(pid, birth);
}

/** When a process began, in the kernel's ticks, so that a number used again is not taken for the same process. */
function birthOf(pid: number): string | undefined {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
  } catch {
    return undefined;
  }
}

function isAlive(pid: number, birth: string | undefined): boolean {
  try {
    process.kill(pid, 0);
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
  return birth === undefined || birthOf(pid) === birth;
}

const inUse = (directory: string, { pid, host }: Claim): string =>
  host !== undefined && host !== hostname()
    ? `The data directory ${directory} is in use by a Key Post on ${host}. Stop that one, or choose another directory with --data. If ${host} is switched off for good, delete the files in-use.* there.`
    : `The data directory ${directory} is in use by another Key Post (process ${pid}). Stop that one, or choose another directory with --data.`;
