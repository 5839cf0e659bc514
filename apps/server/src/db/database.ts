import { PGlite } from '@electric-sql/pglite';
import { existsSync } from 'node:fs';
import { mkdir, readdir, readFile } from 'node:fs/promises';
import path from 'node:path';
import type { Database, Transaction } from './connection.ts';
import { StartProblem } from './directoryLock.ts';
import { DURABLE_START, DurableFiles, syncTree } from './durableFiles.ts';
import { upgradeToVersion2 } from './upgradeToVersion2.ts';

/** Opens the database in a directory (or in memory, for tests) and brings its tables up to date. */
export async function openDatabase(directory: string | undefined, migrations: string): Promise<Database> {
  const db = await openEmbedded(directory);
  await migrate(db, migrations);
  return db;
}

/** The embedded PostgreSQL. In a directory, whatever it acknowledges is on the disk. */
async function openEmbedded(directory: string | undefined): Promise<PGlite> {
  if (directory === undefined) return PGlite.create();
  await mkdir(path.dirname(directory), { recursive: true });
  const isNew = !existsSync(path.join(directory, 'PG_VERSION'));
  const db = await PGlite.create({ fs: new DurableFiles(directory), startParams: DURABLE_START });
  if (isNew) syncTree(path.dirname(directory));
  return db;
}

/** What is done to the rows after some migrations, since it takes more than SQL to know what they mean. */
const AFTER: Readonly<Record<string, (db: Transaction) => Promise<void>>> = {
  '0006_version_2.sql': upgradeToVersion2,
};

/** Applies the numbered .sql files that the database has not seen, each in a transaction of its own. */
async function migrate(db: Database, folder: string): Promise<void> {
  await db.exec(
    'create table if not exists migration (name text primary key, applied_at timestamptz default now())',
  );
  const { rows } = await db.query<{ name: string }>('select name from migration');
  const applied = new Set(rows.map(({ name }) => name));
  const files = (await readdir(folder)).filter((name) => /^\d{4}_.*\.sql$/.test(name)).sort();
  const newer = [...applied].find((name) => !files.includes(name));
  if (newer)
    throw new StartProblem(
      `The data directory was written by a newer Key Post (${newer}). Update Key Post, or choose another directory.`,
    );
  for (const name of files.filter((file) => !applied.has(file))) {
    const sql = await readFile(path.join(folder, name), 'utf8');
    await db.transaction(async (tx) => {
      await tx.exec(sql);
      await AFTER[name]?.(tx);
      await tx.query('insert into migration (name) values ($1)', [name]);
    });
  }
}
