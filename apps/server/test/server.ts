import type { PGlite } from '@electric-sql/pglite';
import { createClient } from '@keypost/api';
import path from 'node:path';
import { openDatabase } from '../src/db/database.ts';
import { buildServer } from '../src/server.ts';

const MIGRATIONS = path.resolve(__dirname, '../src/db/migrations');

export interface TestServer {
  /** Where it answers, on a port of its own on this machine. */
  readonly address: string;
  readonly db: PGlite;
  readonly call: ReturnType<typeof createClient>;
  readonly close: () => Promise<void>;
}

/** A server over a database in memory, with the typed client that reaches it. */
export async function startTestServer(): Promise<TestServer> {
  const db = await openDatabase(undefined, MIGRATIONS);
  const app = await buildServer(db, undefined);
  const address = await app.listen({ host: '127.0.0.1', port: 0 });
  return {
    address,
    db,
    call: createClient(address),
    close: async () => {
      await app.close();
      await db.close();
    },
  };
}
