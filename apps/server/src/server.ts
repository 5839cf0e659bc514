import { boardResource } from './resources/board.ts';
import type { Database } from './db/connection.ts';
import fastifyCors from '@fastify/cors';
import fastifyStatic from '@fastify/static';
import fastifySwagger from '@fastify/swagger';
import { jobFileSchema } from '@keypost/core/jobFile';
import Fastify from 'fastify';
import type { FastifyInstance } from 'fastify';
import { jsonSchemaTransform, serializerCompiler, validatorCompiler } from 'fastify-type-provider-zod';
import { existsSync } from 'node:fs';
import { guard } from './guard.ts';
import type { Callers } from './guard.ts';
import { refuseUnreadable } from './plainText.ts';
import { handleProblems, notFound, sendProblem } from './problems.ts';
import { openJobs } from './jobs/jobs.ts';
import { register } from './register.ts';
import { benchResource } from './resources/bench.ts';
import { changeResource } from './resources/changes.ts';
import { eventResource } from './resources/events.ts';
import { jobResource } from './resources/jobs.ts';
import { liveResource } from './resources/live.ts';
import { partnerResource } from './resources/partners.ts';
import { practiceResource } from './resources/practice.ts';
import type { Simulators } from './simulators/start.ts';

const VERSION = '0.1.0';

/**
 * Builds the server over an open database.
 * @param web folder of the built application, if it is to be served.
 * @param options.simulators simulated partners that can be practised with, if they run.
 * @param options.log whether it tells what it could not do.
 */
export async function buildServer(
  db: Database,
  web: string | undefined,
  { simulators, log = false, ...callers }: Callers & { simulators?: Simulators; log?: boolean } = {},
): Promise<FastifyInstance> {
  const jobs = await openJobs(db);
  const app = Fastify({
    // What it could not do is told on the error output, a line each.
    logger: log && { level: 'error', stream: process.stderr },
    bodyLimit: 1024 * 1024,
    forceCloseConnections: true,
    routerOptions: { maxParamLength: 128 },
    frameworkErrors: (error, request, reply) => sendProblem(error, request, reply),
  });
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  handleProblems(app);
  await guard(app, callers);
  refuseUnreadable(app);
  const { devOrigin } = callers;
  if (devOrigin) await app.register(fastifyCors, { origin: devOrigin, methods: ['GET', 'POST', 'DELETE'] });
  await app.register(fastifySwagger, {
    openapi: { info: { title: 'Key Post', version: VERSION } },
    transform: jsonSchemaTransform,
  });
  await app.register(async (scope) => {
    register(scope, 'health', async () => ({ ok: true as const, version: VERSION }));
    jobResource(scope, jobs);
    changeResource(scope, jobs);
    boardResource(scope, jobs);
    eventResource(scope, db);
    partnerResource(scope, jobs);
    practiceResource(scope, simulators);
    benchResource(scope);
    liveResource(scope, jobs);
    scope.get('/api/openapi.json', { schema: { hide: true } }, () => app.swagger());
    scope.get('/api/job.schema.json', { schema: { hide: true } }, () => jobFileSchema());
  });
  await serveApplication(app, web);
  return app;
}

/** Files of the built application; any other path outside /api gets its first page, which routes by itself. */
async function serveApplication(app: FastifyInstance, web: string | undefined): Promise<void> {
  const built = web !== undefined && existsSync(web);
  if (built) await app.register(fastifyStatic, { root: web, maxAge: '1h', immutable: false });
  app.setNotFoundHandler((request, reply) => {
    // A file that is missing is missing: the page in its place would be taken for it.
    const isPage =
      built &&
      (request.method === 'GET' || request.method === 'HEAD') &&
      !/^\/(?:api|_expo|assets)(?:\/|$)|\.\w{1,8}(?:\?|$)/.test(request.url);
    if (!isPage) throw notFound('This address');
    return reply.header('cache-control', 'no-cache').sendFile('index.html', { cacheControl: false });
  });
}
