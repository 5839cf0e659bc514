import { PGlite } from '@electric-sql/pglite';
import { existsSync, openAsBlob } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import path from 'node:path';
import type { Database, Listener, Transaction } from './connection.ts';
import { DURABLE_START, DurableFiles, syncPath, syncTree } from './durableFiles.ts';

/** An embedded PostgreSQL in memory; it begins with the files of another one where they are given. */
export async function openInMemory(copyOf?: string): Promise<Database> {
  const loadDataDir = copyOf === undefined ? undefined : await openAsBlob(copyOf);
  return embedded(await PGlite.create({ loadDataDir }));
}

/** The embedded PostgreSQL in a directory: whatever it acknowledges is on the disk. */
export async function openEmbedded(directory: string): Promise<Database> {
  await mkdir(path.dirname(directory), { recursive: true });
  const isNew = !existsSync(path.join(directory, 'PG_VERSION'));
  const db = await PGlite.create({ fs: new DurableFiles(directory), startParams: DURABLE_START });
  if (isNew) {
    syncTree(directory);
    // Its own entry stands in the one around it, of which nothing else is ours.
    syncPath(path.dirname(directory));
  }
  return embedded(db);
}

const embedded = (db: PGlite): Database => ({
  query: (sql, values) => db.query(sql, values),
  exec: (sql) => db.exec(sql),
  transaction: <T>(act: (tx: Transaction) => Promise<T>) => db.transaction(act) as Promise<T>,
  listen: async (channel, { begins, told }: Listener) => {
    await db.listen(channel, told);
    begins();
  },
  close: () => db.close(),
});
