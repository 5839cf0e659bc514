import { sure } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import type { Jobs } from '../jobs/jobs.ts';
import { LIVE_BREATH_MS, LIVE_ROUTE, LiveBatch } from '@keypost/api';
import type { FastifyInstance } from 'fastify';
import { batchOf, LiveJob } from '../live/liveJob.ts';
import { notFound } from '../problems.ts';
import { answered, REFUSALS } from '../register.ts';
import { z } from 'zod';

const LIVE = {
  summary: 'Live values by server-sent events (HTML Standard, 9.2): each event is one batch of what changed',
  operationId: 'live',
  tags: ['partners'],
  params: z.object({ jobId: z.string().min(1).max(64) }),
  response: { 200: answered('Batches, until somebody ends it', 'text/event-stream', LiveBatch), ...REFUSALS },
};

/** Live values of a job by server-sent events (HTML Standard, 9.2): one batch of what changed an event. */
export function liveResource(app: FastifyInstance, { keeper, revisions }: Jobs): void {
  const jobs = new Map<string, LiveJob>();
  const readRevision = (jobId: string) => async () => {
    const revision = await revisions.followed(jobId);
    if (revision === undefined) return undefined;
    return {
      revision,
      content: async () => sure(await keeper.job(jobId)).content,
    };
  };
  // Written once for all that listen.
  const written = new WeakMap<LiveBatch, string>();
  const eventOf = (batch: LiveBatch): string => {
    const event = written.get(batch) ?? `data: ${JSON.stringify(batch)}\n\n`;
    written.set(batch, event);
    return event;
  };
  app.addHook('onClose', () => jobs.forEach((job) => job.stop()));
  app.get(LIVE_ROUTE, { schema: LIVE }, async (request, reply) => {
    const { jobId } = request.params as { jobId: string };
    if ((await revisions.followed(jobId)) === undefined) throw notFound(say('service.this-job'));
    const job = jobs.get(jobId) ?? new LiveJob(readRevision(jobId));
    jobs.set(jobId, job);
    reply.hijack();
    const out = reply.raw;
    out.writeHead(200, {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-store',
      connection: 'keep-alive',
    });
    const send = (batch: LiveBatch): void => void out.write(eventOf(batch));
    // A reader that does not keep up is not sent to until it has caught up; it is then told everything as it is.
    let behind = false;
    const end = job.listen((batch) => {
      if (out.writableNeedDrain) behind = true;
      else send(batch);
    });
    out.on('drain', () => {
      if (behind) send(job.snapshot());
      behind = false;
    });
    const breath = setInterval(() => out.writableNeedDrain || send(batchOf([], [])), LIVE_BREATH_MS);
    request.raw.once('close', () => {
      clearInterval(breath);
      end();
      if (job.idle) jobs.delete(jobId);
    });
  });
}
