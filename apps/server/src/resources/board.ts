import type { PGlite } from '@electric-sql/pglite';
import { say } from '@keypost/core/messages';
import type { FastifyInstance } from 'fastify';
import { BoardKeeper } from '../board.ts';
import { revisionOfJob } from '../db/store.ts';
import { notFound } from '../problems.ts';
import { register } from '../register.ts';

export function boardResource(app: FastifyInstance, db: PGlite): void {
  const keeper = new BoardKeeper(db);
  app.addHook('onClose', () => keeper.close());
  register(app, 'board', async ({ params }) => {
    const revision = await revisionOfJob(db, params.jobId);
    if (revision === undefined) throw notFound(say('service.this-job'));
    return keeper.board(params.jobId, revision);
  });
}
