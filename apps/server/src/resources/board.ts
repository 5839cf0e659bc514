import type { Jobs } from '../jobs/jobs.ts';
import { say } from '@keypost/core/messages';
import type { FastifyInstance } from 'fastify';
import { BoardKeeper } from '../board.ts';
import { notFound } from '../problems.ts';
import { register } from '../register.ts';

export function boardResource(app: FastifyInstance, jobs: Jobs): void {
  const { revisions } = jobs;
  const keeper = new BoardKeeper(jobs);
  app.addHook('onClose', () => keeper.close());
  const revisionOf = async (jobId: string): Promise<number> => {
    const revision = await revisions.followed(jobId);
    if (revision === undefined) throw notFound(say('service.this-job'));
    return revision;
  };
  register(app, 'revision', async ({ params }) => ({ revision: await revisionOf(params.jobId) }));
  register(app, 'board', async ({ params }) => keeper.board(params.jobId, await revisionOf(params.jobId)));
}
