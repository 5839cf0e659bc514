import type { PostgresServer } from './postgresServer.ts';

export default async function end(): Promise<void> {
  await (globalThis as { postgres?: PostgresServer }).postgres?.remove();
}
