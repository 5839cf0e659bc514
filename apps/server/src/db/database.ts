import { readdir, readFile } from 'node:fs/promises';
import path from 'node:path';
import type { Database, Transaction } from './connection.ts';
import { StartProblem } from './directoryLock.ts';
import { openEmbedded, openInMemory } from './embedded.ts';
import { PostgresDatabase } from './postgres.ts';
import { upgradeToVersion2 } from './upgradeToVersion2.ts';

/**
 * Where a database is: in a directory, at the address of a PostgreSQL server, or (for tests) in memory, where it may begin
 * with a copy of another one's files.
 */
export type DatabasePlace =
  { readonly directory: string } | { readonly address: string } | { readonly copyOf: string } | 'memory';

function openPlace(place: DatabasePlace): Promise<Database> | Database {
  if (place === 'memory') return openInMemory();
  if ('address' in place) return new PostgresDatabase(place.address);
  return 'copyOf' in place ? openInMemory(place.copyOf) : openEmbedded(place.directory);
}

/** Opens a database and brings its tables up to date. */
export async function openDatabase(place: DatabasePlace, migrations: string): Promise<Database> {
  const db = await openPlace(place);
  try {
    await migrate(db, migrations);
  } catch (error) {
    await db.close();
    throw error;
  }
  return db;
}

/** What is done to the rows after some migrations, since it takes more than SQL to know what they mean. */
const AFTER: Readonly<Record<string, (db: Transaction) => Promise<void>>> = {
  '0006_version_2.sql': upgradeToVersion2,
};

/** Names the lock under which one process at a time brings the tables up to date. */
const LOCK = 'select pg_advisory_xact_lock(4070)';

/** Applies the numbered .sql files that the database has not seen, each in a transaction of its own. */
async function migrate(db: Database, folder: string): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.exec(LOCK);
    await tx.exec(
      'create table if not exists migration (name text primary key, applied_at timestamptz default now())',
    );
  });
  const { rows } = await db.query<{ name: string }>('select name from migration');
  const files = (await readdir(folder)).filter((name) => /^\d{4}_.*\.sql$/.test(name)).sort();
  const newer = rows.find(({ name }) => !files.includes(name));
  if (newer)
    throw new StartProblem(
      `The database was written by a newer Key Post (${newer.name}). Update Key Post, or choose another with --data or --database.`,
    );
  for (const name of files) {
    if (rows.some((row) => row.name === name)) continue;
    const sql = await readFile(path.join(folder, name), 'utf8');
    await db.transaction(async (tx) => {
      await tx.exec(LOCK);
      const done = await tx.query('select 1 from migration where name = $1', [name]);
      if (done.rows.length) return;
      await tx.exec(sql);
      await AFTER[name]?.(tx);
      await tx.query('insert into migration (name) values ($1)', [name]);
    });
  }
}
