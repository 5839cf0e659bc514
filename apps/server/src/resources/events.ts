import type { PGlite } from '@electric-sql/pglite';
import type { FastifyInstance } from 'fastify';
import { listEvents } from '../db/store.ts';
import { register } from '../register.ts';

export function eventResource(app: FastifyInstance, db: PGlite): void {
  register(app, 'listEvents', ({ params, query }) => listEvents(db, params.jobId, query));
}
