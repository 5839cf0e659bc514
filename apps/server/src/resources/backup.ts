import { say } from '@keypost/core/messages';
import type { FastifyInstance } from 'fastify';
import { backUp } from '../backup/backupFile.ts';
import type { Database } from '../db/connection.ts';
import { Refusal } from '../problems.ts';

/** This machine itself, as a connection has it. */
const HERE = /^(?:127\.|::1$|::ffff:127\.)/;

/** Everything that is kept, in one file; only for who works on this machine. */
export function backupResource(app: FastifyInstance, db: Database): void {
  app.get('/api/backup', { schema: { hide: true } }, async (request, reply) => {
    if (!HERE.test(request.ip)) throw new Refusal(403, say('service.backup-here'));
    return reply
      .type('application/gzip')
      .header('cache-control', 'no-store')
      .send(await backUp(db));
  });
}
