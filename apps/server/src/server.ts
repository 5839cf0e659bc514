import fastifyCompress from '@fastify/compress';
import fastifyCors from '@fastify/cors';
import fastifyStatic from '@fastify/static';
import { FORM, FORM_HEADER } from '@keypost/api';
import { aheadOf, isPage } from '@keypost/api/page';
import { jobFileSchema } from '@keypost/core/jobFile';
import Fastify from 'fastify';
import type { FastifyInstance } from 'fastify';
import { serializerCompiler, validatorCompiler } from 'fastify-type-provider-zod';
import { existsSync } from 'node:fs';
import { constants } from 'node:zlib';
import { z } from 'zod';
import type { Database } from './db/connection.ts';
import { guard } from './guard.ts';
import { describe } from './openApi.ts';
import type { Callers } from './guard.ts';
import { refuseUnreadable } from './plainText.ts';
import { handleProblems, notFound, sendProblem } from './problems.ts';
import { openJobs } from './jobs/jobs.ts';
import { answered, REFUSALS, register } from './register.ts';
import { backupResource } from './resources/backup.ts';
import { benchResource } from './resources/bench.ts';
import { boardResource } from './resources/board.ts';
import { changeResource } from './resources/changes.ts';
import { eventResource } from './resources/events.ts';
import { jobResource } from './resources/jobs.ts';
import { liveResource } from './resources/live.ts';
import { partnerResource } from './resources/partners.ts';
import { photoResource } from './resources/photos.ts';
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
  // What is kept compressed is sent as it is; the rest is compressed while it goes out, never a stream of events.
  await app.register(fastifyCompress, {
    threshold: 1024,
    encodings: ['br', 'gzip'],
    brotliOptions: { params: { [constants.BROTLI_PARAM_QUALITY]: 4 } },
  });
  await guard(app, callers);
  refuseUnreadable(app);
  const { devOrigin } = callers;
  if (devOrigin)
    await app.register(fastifyCors, {
      origin: devOrigin,
      methods: ['GET', 'POST', 'DELETE'],
      exposedHeaders: [FORM_HEADER],
    });
  await describe(app, VERSION);
  app.addHook('onRequest', async ({ url }, reply) => {
    if (url.startsWith('/api/')) void reply.header(FORM_HEADER, FORM);
  });
  await app.register(async (scope) => {
    register(scope, 'health', async () => ({ ok: true as const, version: VERSION }));
    jobResource(scope, jobs);
    changeResource(scope, jobs);
    boardResource(scope, jobs);
    photoResource(scope, jobs);
    eventResource(scope, db);
    backupResource(scope, db);
    partnerResource(scope, jobs);
    practiceResource(scope, simulators);
    benchResource(scope);
    liveResource(scope, jobs);
    scope.get('/api/openapi.json', { schema: { hide: true } }, () => app.swagger());
    const schema = {
      summary: 'The JSON Schema of a job file',
      operationId: 'jobSchema',
      tags: ['jobs'],
      response: { 200: answered('The schema', 'application/schema+json', z.unknown()), ...REFUSALS },
    };
    scope.get('/api/job.schema.json', { schema }, (_, reply) =>
      reply.type('application/schema+json').send(JSON.stringify(jobFileSchema())),
    );
  });
  await serveApplication(app, web);
  return app;
}

/** Files whose name changes with what is in them are kept for good, fonts and icons for a week; a page is asked for anew. */
const keptFor = (file: string): string =>
  /^[\\/](?:_expo|assets)[\\/]/.test(file)
    ? 'public, max-age=31536000, immutable'
    : /^[\\/](?:fonts|icons)[\\/]/.test(file)
      ? 'public, max-age=604800'
      : 'no-cache';

/** Files of the built application; any other path outside /api gets its first page, which routes by itself. */
async function serveApplication(app: FastifyInstance, web: string | undefined): Promise<void> {
  const built = web !== undefined && existsSync(web);
  if (built)
    await app.register(fastifyStatic, {
      root: web,
      preCompressed: true,
      cacheControl: false,
      setHeaders: (reply, file) => void reply.setHeader('cache-control', keptFor(file.slice(web.length))),
    });
  app.addHook('onRequest', async ({ method, url }, reply) => {
    const link = built && method === 'GET' ? aheadOf(url) : undefined;
    if (link !== undefined) void reply.header('link', link);
  });
  app.setNotFoundHandler((request, reply) => {
    const asked = request.method === 'GET' || request.method === 'HEAD';
    if (!built || !asked || !isPage(request.url)) throw notFound('This address');
    return reply.sendFile('index.html');
  });
}
