import { DatabaseAway } from './db/postgres.ts';
import { isDiskFull } from './diskFull.ts';
import { StartProblem } from './db/directoryLock.ts';

/** What a PostgreSQL server or the way to it says (PostgreSQL, appendix A), in a sentence. */
const REFUSED: Readonly<Record<string, string>> = {
  '28P01': 'The PostgreSQL server does not take this user and password. Correct them in the address.',
  '28000': 'The PostgreSQL server does not let this user in. Its administrator allows users and hosts.',
  '3D000':
    'The PostgreSQL server has no database of that name. Make an empty one there (createdb), or correct the address.',
  '42501':
    'This user may not make tables in that database. Give it a database of its own, or have its rights changed.',
  ENOTFOUND: 'No machine has the name that the address of the PostgreSQL server gives. Correct it.',
};

/** Why the server could not start, in a sentence for the person who started it, with what to do. */
export function startSentence(error: unknown): string {
  if (error instanceof StartProblem) return error.message;
  const { message = '', code } = error instanceof Error ? (error as NodeJS.ErrnoException) : {};
  if (error instanceof DatabaseAway)
    return 'The PostgreSQL server does not answer at the address that --database or KEYPOST_DATABASE gives. Start it, or correct the address.';
  const refused = code === undefined ? undefined : REFUSED[code];
  if (refused) return refused;
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
