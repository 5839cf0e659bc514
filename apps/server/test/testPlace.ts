import { randomUUID } from 'node:crypto';
import type { DatabasePlace } from '../src/db/database.ts';
import { makeDatabase } from './postgresServer.ts';

declare const SUITES_ON_POSTGRES: boolean | undefined;

/** The PostgreSQL server on which a suite runs, if it is one that runs on a server. */
export const POSTGRES =
  typeof SUITES_ON_POSTGRES === 'undefined' ? undefined : process.env.KEYPOST_TEST_POSTGRES_ADDRESS;

/** An empty database: in memory, or of the PostgreSQL server on which the suite runs. */
export async function emptyPlace(): Promise<DatabasePlace> {
  if (POSTGRES) return { address: await makeDatabase(POSTGRES, `t-${randomUUID()}`) };
  const copyOf = process.env.KEYPOST_TEST_EMPTY_DATABASE;
  return copyOf === undefined ? 'memory' : { copyOf };
}

const made = new Map<string, Promise<string>>();

/** Options that have a server process work on a directory, or on a database of the PostgreSQL server that stands for it. */
export async function placeOptions(directory: string): Promise<string[]> {
  if (!POSTGRES) return ['--data', directory];
  const address = made.get(directory) ?? makeDatabase(POSTGRES, `t-${randomUUID()}`);
  made.set(directory, address);
  return ['--database', await address];
}
