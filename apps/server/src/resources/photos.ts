import { PICTURE_ROUTE } from '@keypost/api';
import { say } from '@keypost/core/messages';
import type { FastifyInstance } from 'fastify';
import { z } from 'zod';
import type { Jobs } from '../jobs/jobs.ts';
import { figuresOf, lookAt, readPicture } from '../photos/pictures.ts';
import { notFound } from '../problems.ts';
import { answered, REFUSALS, register } from '../register.ts';

export function photoResource(app: FastifyInstance, { db, queue }: Jobs): void {
  register(app, 'addPhoto', ({ params, body: { photo, picture: text, ...body } }) => {
    const picture = lookAt(text);
    return queue.store(params.jobId, {
      ...body,
      expects: [],
      change: { kind: 'addPhoto', photo: { ...photo, ...figuresOf(picture) } },
      picture,
    });
  });

  app.get(
    PICTURE_ROUTE,
    {
      schema: {
        summary: 'The picture of a photo, by the SHA-256 of its file',
        operationId: 'picture',
        tags: ['photos'],
        params: z.object({ jobId: z.string().min(1).max(64), sha256: z.string().regex(/^[0-9a-f]{64}$/) }),
        response: { 200: answered('The picture', 'image/jpeg', z.string()), ...REFUSALS },
      },
    },
    async (request, reply) => {
      const { jobId, sha256 } = request.params as { jobId: string; sha256: string };
      const file = await readPicture(db, jobId, sha256);
      if (!file) throw notFound(say('service.this-photo'));
      // What it is called by is what is in it; one that is removed is gone from browsers a week later.
      return reply
        .type('image/jpeg')
        .header('cache-control', 'private, max-age=604800, immutable')
        .send(Buffer.from(file));
    },
  );
}
