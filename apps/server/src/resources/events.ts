import type { Database } from '../db/connection.ts';
import type { FastifyInstance } from 'fastify';
import { listEvents } from '../db/events.ts';
import { register } from '../register.ts';

export function eventResource(app: FastifyInstance, db: Database): void {
  register(app, 'listEvents', ({ params, query }) => listEvents(db, params.jobId, query));
}
