import { PostgresServer } from './postgresServer.ts';

const held = globalThis as { postgres?: PostgresServer };

/** Starts the PostgreSQL server on which these suites run. */
export default async function begin(): Promise<void> {
  held.postgres = await PostgresServer.start();
  process.env.KEYPOST_TEST_POSTGRES_ADDRESS = held.postgres.addressOf('postgres');
}
