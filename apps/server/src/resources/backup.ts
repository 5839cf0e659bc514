import { say } from '@keypost/core/messages';
import type { FastifyInstance } from 'fastify';
import { backUp } from '../backup/backupFile.ts';
import type { Database } from '../db/connection.ts';
import { Refusal } from '../problems.ts';
import { answered, REFUSALS } from '../register.ts';
import { z } from 'zod';

/** This machine itself, as a connection has it. */
const HERE = /^(?:127\.|::1$|::ffff:127\.)/;

const BACKUP = {
  summary: 'Everything that is kept, in one file; only for who works on the machine of the server',
  operationId: 'backup',
  tags: ['server'],
  response: { 200: answered('The backup', 'application/gzip', z.string()), ...REFUSALS },
};

/** Everything that is kept, in one file; only for who works on this machine. */
export function backupResource(app: FastifyInstance, db: Database): void {
  app.get('/api/backup', { schema: BACKUP }, async (request, reply) => {
    if (!HERE.test(request.ip)) throw new Refusal(403, say('service.backup-here'));
    return reply
      .type('application/gzip')
      .header('cache-control', 'no-store')
      .send(await backUp(db));
  });
}
