import path from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Config } from '../config.ts';
import type { Database } from './connection.ts';
import { openDatabase } from './database.ts';
import { lockDirectory } from './directoryLock.ts';

/** The numbered .sql files that bring tables up to date. */
const MIGRATIONS = path.join(path.dirname(fileURLToPath(import.meta.url)), 'migrations');

/** Opens the data of a server or a command: a directory for this process alone, or a PostgreSQL server. */
export async function openData(place: Config['database']): Promise<Database> {
  if ('address' in place) return openDatabase(place, MIGRATIONS);
  process.once('exit', lockDirectory(place.directory));
  return openDatabase({ directory: path.join(place.directory, 'db') }, MIGRATIONS);
}
