import { say } from '@keypost/core/messages';
import type { z } from 'zod';
import type * as Answers from './answers.ts';
import { CALLS } from './calls.ts';
import { FORM, FORM_HEADER } from './form.ts';
import { problemDetails } from './problemDetails.ts';
import type { ROUTES } from './routes.ts';
import type { RouteName } from './routes.ts';
import type { ProblemDetails } from './schemas.ts';

type Part<N extends RouteName, K extends 'params' | 'query' | 'body'> = (typeof ROUTES)[N] extends {
  readonly [P in K]: infer S extends z.ZodType;
}
  ? { [P in K]: z.input<S> }
  : unknown;

/** What of a route a client needs. */
interface Called {
  readonly method: string;
  readonly path: string;
  /** How long an answer may take, s. */
  readonly patience?: number;
}

/** How long an answer may take where nothing is said, s. */
const PATIENCE = 12;

export type Input<N extends RouteName> = Part<N, 'params'> & Part<N, 'query'> & Part<N, 'body'>;
export type Output<N extends RouteName> = z.output<(typeof Answers.ANSWERS)[N]>;

/** A refusal by the server, or no answer at all (`status` 0). */
export class ApiProblem extends Error {
  readonly details: ProblemDetails;
  constructor(details: ProblemDetails) {
    super(details.detail);
    this.name = 'ApiProblem';
    this.details = details;
  }
  /** Whether it may have been done all the same: the answer was lost on its way, not given. */
  get uncertain(): boolean {
    return this.details.status === 0 || this.details.status === 503;
  }
  /** Whether trying again with the same input can help. */
  get retryable(): boolean {
    return this.details.status === 0 || this.details.status >= 500;
  }
}

export type Fetch = (url: string, init: RequestInit) => Promise<Response>;

/** Takes an answer or a refusal to the one who called: as it is, or read by its schema. */
type Take = (name: RouteName | 'refusal', answer: unknown, headers: Headers) => unknown;

/** What is to be known of answers to check them. */
export type Schemas = typeof Answers;

/** Reads an answer by its schema. @throws ZodError where it does not fit. */
export const readBy = (
  { ANSWERS, REFUSAL }: Schemas,
  name: RouteName | 'refusal',
  answer: unknown,
): unknown => (name === 'refusal' ? REFUSAL : ANSWERS[name]).parse(answer);

/**
 * Takes an answer with the mark of our own form as it is. The schemas, which are most of what a page would have to read
 * before it asks for anything, are fetched for any other.
 */
export const takeOurs =
  (fetchSchemas: () => Promise<Schemas>): Take =>
  async (name, answer, headers) =>
    headers.get(FORM_HEADER) === FORM ? answer : readBy(await fetchSchemas(), name, answer);

/** Makes the typed client. @param base what stands before `/api`, empty for the page's own server. */
export function clientWith(take: Take, base: string, send: Fetch = (url, init) => fetch(url, init)) {
  return async function call<N extends RouteName>(name: N, input: Input<N>): Promise<Output<N>> {
    const route: Called = CALLS[name];
    const parts = input as {
      params?: Record<string, string>;
      query?: Record<string, unknown>;
      body?: unknown;
    };
    const { ok, status, headers, text } = await reach(send, base + address(route, parts), route, parts.body);
    if (!ok) throw new ApiProblem(await problemFrom(take, status, headers, text));
    const isText = !(headers.get('content-type') ?? '').includes('json') || name === 'exportJob';
    return (await take(name, isText ? text : JSON.parse(text), headers)) as Output<N>;
  };
}

function address(
  route: Called,
  parts: { params?: Record<string, string>; query?: Record<string, unknown> },
): string {
  const path = route.path.replace(/:(\w+)/g, (_, key: string) =>
    encodeURIComponent(parts.params?.[key] ?? ''),
  );
  const query = new URLSearchParams();
  for (const [key, value] of Object.entries(parts.query ?? {}))
    if (value !== undefined) query.set(key, String(value));
  const text = query.toString();
  return text ? `${path}?${text}` : path;
}

function init(route: Called, body: unknown): RequestInit {
  if (body === undefined) return { method: route.method };
  return {
    method: route.method,
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  };
}

/** The whole answer of the server, or a problem that says that there is none: at once, or once patience is over. */
async function reach(send: Fetch, url: string, route: Called, body: unknown) {
  const seconds = route.patience ?? PATIENCE;
  const giveUp = new AbortController();
  const timer = setTimeout(() => giveUp.abort(), seconds * 1000);
  try {
    const response = await send(url, { ...init(route, body), signal: giveUp.signal });
    const { ok, status, headers } = response;
    return { ok, status, headers, text: await response.text() };
  } catch {
    throw new ApiProblem(
      problemDetails(
        0,
        'No answer',
        giveUp.signal.aborted ? say('service.silent', { seconds }) : say('service.away'),
      ),
    );
  } finally {
    clearTimeout(timer);
  }
}

async function problemFrom(
  take: Take,
  status: number,
  headers: Headers,
  text: string,
): Promise<ProblemDetails> {
  try {
    return (await take('refusal', JSON.parse(text), headers)) as ProblemDetails;
  } catch {
    return problemDetails(status, 'Unexpected answer', say('service.unexpected', { status }));
  }
}
