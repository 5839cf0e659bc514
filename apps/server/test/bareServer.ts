import Fastify from 'fastify';
import { randomUUID } from 'node:crypto';
import type { Database } from '../src/db/connection.ts';

/**
 * The least that could serve: a route that asks the database one thing, and one that stores a row and an event in a
 * transaction. What a server of jobs does is measured against these.
 */
export async function bareServer(db: Database) {
  await db.exec(`create table if not exists bare (id text primary key, body jsonb not null);
    create table if not exists bare_event (id bigserial primary key, row_id text not null, after jsonb)`);
  const app = Fastify({ forceCloseConnections: true });
  app.get('/bare', async () => (await db.query('select id, revision from job limit 1')).rows);
  app.post('/bare', async ({ body }) => {
    const id = randomUUID();
    await db.transaction(async (tx) => {
      await tx.query('insert into bare (id, body) values ($1, $2)', [id, JSON.stringify(body)]);
      await tx.query('insert into bare_event (row_id, after) values ($1, $2)', [id, JSON.stringify(body)]);
    });
    return { id };
  });
  return app;
}
