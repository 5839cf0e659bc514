import pg from 'pg';
import type { PoolClient } from 'pg';
import { setTimeout } from 'node:timers/promises';
import type { Database, Listener, Queryable, Transaction } from './connection.ts';

/** So long a lost connection is tried again, ms: less than a client waits for its answer. */
const PATIENCE_MS = 8_000;
const PAUSE_MS = 100;
const CONNECT_MS = 3_000;

/** Names the lock that each server shares while it works with a database, so that nobody moves it meanwhile. */
export const WORKING = 4071;

/** The database did not answer for as long as it was tried. */
export class DatabaseAway extends Error {}

/** A database of a PostgreSQL server, by its address (`postgres://…`), through a pool of connections. */
export class PostgresDatabase implements Database {
  readonly #address: string;
  readonly #pool: pg.Pool;
  readonly #listening = new Set<pg.Client>();
  #isClosed = false;

  constructor(address: string) {
    this.#address = address;
    this.#pool = new pg.Pool(this.#settings());
    // A connection that ends while nobody uses it is replaced when one is needed.
    this.#pool.on('error', () => undefined);
  }

  query<T>(sql: string, values?: unknown[]): Promise<{ rows: T[] }> {
    return this.#tried(() => asking(this.#pool).query(sql, values));
  }

  exec(sql: string): Promise<unknown> {
    return this.#tried(() => this.#pool.query(sql));
  }

  transaction<T>(act: (tx: Transaction) => Promise<T>): Promise<T> {
    return this.#tried(async () => {
      const client = await this.#pool.connect();
      let broken: Error | undefined;
      const breaks = (error: Error): void => void (broken = error);
      client.on('error', breaks);
      try {
        return await inTransaction(client, act);
      } catch (error) {
        if (isLost(error)) broken = error as Error;
        throw error;
      } finally {
        client.off('error', breaks);
        client.release(broken);
      }
    });
  }

  /** Listens by a connection of its own, and by another where that is lost. */
  async listen(channel: string, listener: Listener): Promise<void> {
    const client = new pg.Client(this.#settings());
    this.#listening.add(client);
    const over = (): void => {
      if (!this.#listening.delete(client)) return;
      listener.ends();
      void client.end().catch(() => undefined);
      void this.#listenAgain(channel, listener);
    };
    client.on('error', over);
    client.on('end', over);
    client.on('notification', ({ payload = '' }) => listener.told(payload));
    try {
      await client.connect();
      await client.query(`select pg_advisory_lock_shared(${WORKING})`);
      await client.query(`listen ${pg.escapeIdentifier(channel)}`);
      listener.begins();
    } catch {
      over();
    }
  }

  async #listenAgain(channel: string, listener: Listener): Promise<void> {
    await setTimeout(PAUSE_MS * 5, undefined, { ref: false });
    if (!this.#isClosed) await this.listen(channel, listener);
  }

  async close(): Promise<void> {
    this.#isClosed = true;
    const listening = [...this.#listening];
    this.#listening.clear();
    await Promise.all(listening.map((client) => client.end().catch(() => undefined)));
    await this.#pool.end();
  }

  #settings(): pg.PoolConfig {
    return {
      connectionString: this.#address,
      connectionTimeoutMillis: CONNECT_MS,
      application_name: 'keypost',
      keepAlive: true,
    };
  }

  /** Does something once more where its connection was lost, or where two waited for each other. */
  async #tried<T>(act: () => Promise<T>): Promise<T> {
    const until = performance.now() + PATIENCE_MS;
    for (;;) {
      try {
        return await act();
      } catch (error) {
        if (!isLost(error)) throw error;
        if (this.#isClosed || performance.now() > until)
          throw new DatabaseAway('The database does not answer.', { cause: error });
        await setTimeout(PAUSE_MS);
      }
    }
  }
}

const asking = (asked: Pick<PoolClient, 'query'>): Queryable => ({
  query: async <T>(sql: string, values?: unknown[]) => {
    const { rows } = await asked.query(sql, values);
    return { rows: rows as T[] };
  },
});

async function inTransaction<T>(client: PoolClient, act: (tx: Transaction) => Promise<T>): Promise<T> {
  await client.query('begin');
  try {
    const done = await act({ ...asking(client), exec: (sql) => client.query(sql) });
    await client.query('commit');
    return done;
  } catch (error) {
    if (!isLost(error)) await client.query('rollback');
    throw error;
  }
}

/**
 * Whether what was asked may be asked again: the connection was lost or refused, the server is starting or stopping
 * (PostgreSQL, appendix A: class 08, 57P01 to 57P03), or two transactions waited for each other (40001, 40P01).
 */
function isLost(error: unknown): boolean {
  const { code, message } = error as NodeJS.ErrnoException;
  if (code !== undefined)
    return /^(?:08...|57P0[123]|40001|40P01|53300|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|EHOSTUNREACH|ENETUNREACH)$/.test(
      code,
    );
  return /Connection terminated|timeout exceeded when trying to connect|not queryable/i.test(message ?? '');
}
