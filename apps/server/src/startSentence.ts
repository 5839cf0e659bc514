import { isDiskFull } from './diskFull.ts';
import { StartProblem } from './db/directoryLock.ts';

/** Why the server could not start, in a sentence for the person who started it, with what to do. */
export function startSentence(error: unknown): string {
  if (error instanceof StartProblem) return error.message;
  const { message = '', code } = error instanceof Error ? (error as NodeJS.ErrnoException) : {};
  if (isDiskFull({ code, message }))
    return 'The disk is full: the database could not be opened. Make room, then start again; nothing that was stored is lost.';
  if (code === 'EACCES' || code === 'EPERM' || code === 'EROFS')
    return 'The data directory cannot be written by this account. Choose another with --data, or have its rights changed.';
  if (isDamaged(message))
    return `The database in the data directory is damaged. Keep the directory as it is and make a copy of it; start with the newest backup, or with another directory by --data.`;
  return `Key Post could not start: ${message || String(error)}`;
}

/** What the embedded database says, or how it ends, where its files are not what it wrote. */
const isDamaged = (message: string): boolean =>
  /could not (?:locate a valid checkpoint|open file|read)|invalid (?:page|checkpoint|control)|corrupt|incompatible|PANIC|FATAL|unreachable|Aborted|failed to initialize|exit\(1\)/i.test(
    message,
  );
