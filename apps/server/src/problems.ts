import { DatabaseAway } from './db/postgres.ts';
import { isDiskFull } from './diskFull.ts';
import { problemDetails } from '@keypost/api';
import type { ChangedRow, ProblemDetails } from '@keypost/api';
import '@keypost/core/messages/all';
import { say, textOf } from '@keypost/core/messages';
import type { Message, Text } from '@keypost/core/messages';
import { JobProblem, problemsOfIssues } from '@keypost/core/model';
import type { Problem } from '@keypost/core/model';
import type { FastifyError, FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';

/** Short names of the statuses that are answered with. */
const TITLES: Readonly<Record<number, string>> = {
  400: 'Not allowed',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed meanwhile',
  413: 'Too large',
  415: 'Unknown kind of content',
  421: 'Not here',
  422: 'Not allowed',
  500: 'Something broke',
  503: 'Not now',
  504: 'No answer',
  507: 'No room',
};

/** A refusal that becomes problem details (RFC 9457). */
export class Refusal extends Error {
  readonly details: ProblemDetails;
  constructor(status: number, message: Message, more: Partial<ProblemDetails> = {}) {
    super(textOf(message));
    this.details = { ...problem(status, message), ...more };
  }
}

export const notFound = (what: Text): Refusal => new Refusal(404, say('service.not-found', { what }));

export const stale = (current: ChangedRow[]): Refusal => new Refusal(409, say('service.stale'), { current });

/** Turns every error into problem details; nothing of the program's inside goes out. */
export function handleProblems(app: FastifyInstance): void {
  app.setErrorHandler((error, request, reply) => sendProblem(error as FastifyError, request, reply));
}

/** Answers with an error as problem details. */
export const sendProblem = (
  error: FastifyError,
  request: FastifyRequest,
  reply: FastifyReply,
): FastifyReply => send(reply, request, detailsOf(error, request));

function send(reply: FastifyReply, request: FastifyRequest, details: ProblemDetails): FastifyReply {
  return reply
    .code(details.status)
    .header('content-type', 'application/problem+json; charset=utf-8')
    .serializer((payload: unknown) => JSON.stringify(payload))
    .send(details);
}

function detailsOf(error: FastifyError, request: FastifyRequest): ProblemDetails {
  if (error instanceof Refusal) return error.details;
  if (error instanceof JobProblem) return invalid(422, error.problems);
  if (hasZodFastifySchemaValidationErrors(error))
    return invalid(
      400,
      problemsOfIssues(
        error.validation.map(({ instancePath, params, message = '' }) => ({
          ...(params.issue as object),
          message,
          path: pathOf(instancePath),
        })),
      ),
    );
  switch (error.code) {
    case 'FST_ERR_CTP_BODY_TOO_LARGE':
      return problem(413, say('service.too-large'));
    case 'FST_ERR_CTP_INVALID_JSON_BODY':
    case 'FST_ERR_CTP_EMPTY_JSON_BODY':
      return problem(400, say('service.not-json'));
    case 'FST_ERR_CTP_INVALID_MEDIA_TYPE':
      return problem(415, say('service.content-type'));
  }
  if (error.statusCode && error.statusCode < 500) return problem(error.statusCode, say('service.cannot'));
  request.log.error(error);
  if (error instanceof DatabaseAway) return problem(503, say('service.database-away'));
  if (isDiskFull(error)) return problem(507, say('service.disk-full'));
  return problem(500, say('service.broke'));
}

const pathOf = (pointer: string): PropertyKey[] =>
  pointer
    .split('/')
    .filter(Boolean)
    .map((part) => (/^\d+$/.test(part) ? Number(part) : part));

const problem = (status: number, message: Message, problems: readonly Problem[] = []): ProblemDetails =>
  problemDetails(status, TITLES[status] ?? 'Not possible', message, problems);

const invalid = (status: number, problems: readonly Problem[]): ProblemDetails =>
  problem(status, problems[0]?.message ?? say('service.not-allowed'), problems);
