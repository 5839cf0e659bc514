import { say } from '@keypost/core/messages';
import type { z } from 'zod';
import { ProblemDetails } from './schemas.ts';
import { CALLS } from './calls.ts';
import { problemDetails } from './problemDetails.ts';
import type { ROUTES } from './routes.ts';
import type { RouteName } from './routes.ts';

type Part<N extends RouteName, K extends 'params' | 'query' | 'body'> = (typeof ROUTES)[N] extends {
  readonly [P in K]: infer S extends z.ZodType;
}
  ? { [P in K]: z.input<S> }
  : unknown;

/** What of a route a client needs. */
interface Called {
  readonly method: string;
  readonly path: string;
  readonly response: z.ZodType;
}

export type Input<N extends RouteName> = Part<N, 'params'> & Part<N, 'query'> & Part<N, 'body'>;
export type Output<N extends RouteName> = z.output<(typeof ROUTES)[N]['response']>;

/** A refusal by the server, or no answer at all (`status` 0). */
export class ApiProblem extends Error {
  readonly details: ProblemDetails;
  constructor(details: ProblemDetails) {
    super(details.detail);
    this.name = 'ApiProblem';
    this.details = details;
  }
  /** Whether trying again with the same input can help. */
  get retryable(): boolean {
    return this.details.status === 0 || this.details.status >= 500;
  }
}

export type Fetch = (url: string, init: RequestInit) => Promise<Response>;

/** Makes the typed client. @param base what stands before `/api`, empty for the page's own server. */
export function createClient(base: string, send: Fetch = (url, init) => fetch(url, init)) {
  return async function call<N extends RouteName>(name: N, input: Input<N>): Promise<Output<N>> {
    const route: Called = CALLS[name];
    const parts = input as {
      params?: Record<string, string>;
      query?: Record<string, unknown>;
      body?: unknown;
    };
    const response = await reach(send, base + address(route, parts), init(route, parts.body));
    const text = await response.text();
    if (!response.ok) throw new ApiProblem(problemFrom(response.status, text));
    const isText = !(response.headers.get('content-type') ?? '').includes('json') || name === 'exportJob';
    return route.response.parse(isText ? text : JSON.parse(text)) as Output<N>;
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
  if (typeof body === 'string')
    return { method: route.method, body, headers: { 'content-type': 'text/plain' } };
  return {
    method: route.method,
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  };
}

async function reach(send: Fetch, url: string, request: RequestInit): Promise<Response> {
  try {
    return await send(url, request);
  } catch {
    throw new ApiProblem(problemDetails(0, 'No answer', say('service.away')));
  }
}

function problemFrom(status: number, text: string): ProblemDetails {
  try {
    return ProblemDetails.parse(JSON.parse(text));
  } catch {
    return problemDetails(status, 'Unexpected answer', say('service.unexpected', { status }));
  }
}
