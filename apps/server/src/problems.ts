import type { ChangedRow, ProblemDetails } from '@keypost/api';
import { JobProblem, pathText } from '@keypost/core/model';
import type { FastifyError, FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';

/** A refusal that becomes problem details (RFC 9457). */
export class Refusal extends Error {
  readonly details: ProblemDetails;
  constructor(status: number, title: string, detail: string, more: Partial<ProblemDetails> = {}) {
    super(detail);
    this.details = { type: 'about:blank', title, status, detail, ...more };
  }
}

export const notFound = (what: string): Refusal =>
  new Refusal(404, 'Not found', `${what} is not here. It may have been removed.`);

export const stale = (current: ChangedRow[]): Refusal =>
  new Refusal(
    409,
    'Changed meanwhile',
    'Somebody changed this while you worked on it. Keep yours or take theirs.',
    {
      current,
    },
  );

/** Turns every error into problem details; nothing of the program's inside goes out. */
export function handleProblems(app: FastifyInstance): void {
  app.setErrorHandler((error, request, reply) =>
    send(reply, request, detailsOf(error as FastifyError, request)),
  );
}

function send(reply: FastifyReply, request: FastifyRequest, details: ProblemDetails): FastifyReply {
  return reply
    .code(details.status)
    .header('content-type', 'application/problem+json; charset=utf-8')
    .serializer((payload: unknown) => JSON.stringify(payload))
    .send(details);
}

function detailsOf(error: FastifyError, request: FastifyRequest): ProblemDetails {
  if (error instanceof Refusal) return error.details;
  if (error instanceof JobProblem) {
    const problems = [...error.problems];
    return invalid(422, problems);
  }
  if (hasZodFastifySchemaValidationErrors(error)) {
    const problems = error.validation.map(({ instancePath, message }) => ({
      path: pathText(
        instancePath
          .split('/')
          .filter(Boolean)
          .map((p) => (/^\d+$/.test(p) ? Number(p) : p)),
      ),
      message: message ?? 'This value is not allowed.',
    }));
    return invalid(400, problems);
  }
  switch (error.code) {
    case 'FST_ERR_CTP_BODY_TOO_LARGE':
      return problem(
        413,
        'Too large',
        'This is larger than the server takes: 16 MB for a job file, 4 MB for a change.',
      );
    case 'FST_ERR_CTP_INVALID_JSON_BODY':
    case 'FST_ERR_CTP_EMPTY_JSON_BODY':
      return problem(400, 'Not JSON', 'The body is not JSON.');
    case 'FST_ERR_CTP_INVALID_MEDIA_TYPE':
      return problem(415, 'Unknown kind of content', 'Send JSON, or a job file as plain text.');
  }
  if (error.statusCode && error.statusCode < 500)
    return problem(error.statusCode, 'Not possible', error.message);
  request.log.error(error);
  return problem(500, 'Something broke', 'The server could not do this. Nothing was stored; try again.');
}

function problem(status: number, title: string, detail: string): ProblemDetails {
  return { type: 'about:blank', title, status, detail };
}

function invalid(status: number, problems: { path: string; message: string }[]): ProblemDetails {
  return { ...problem(status, 'Not allowed', problems[0]?.message ?? 'This is not allowed.'), problems };
}
