import contentDisposition from 'content-disposition';
import { ProblemDetails, ROUTES } from '@keypost/api';
import type { Input, Output, Route, RouteName } from '@keypost/api';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import type { z } from 'zod';

/** What a handler receives: the parts of a request after their schemas. */
type Parsed<N extends RouteName> = {
  [K in keyof Input<N>]: (typeof ROUTES)[N] extends { readonly [P in K]: infer S extends z.ZodType }
    ? z.output<S>
    : never;
};

/** An answer that is JSON already, kept in memory with the tag of its state. */
export class Ready {
  readonly #kept: {
    readonly tag: string;
    readonly text: () => string;
    readonly zipped: () => Promise<Buffer>;
  };
  constructor(kept: { tag: string; text: () => string; zipped: () => Promise<Buffer> }) {
    this.#kept = kept;
  }

  /** Sends it, compressed where that is taken; nothing where the client has this state already (RFC 9110, 13.1.2). */
  async send(request: FastifyRequest, reply: FastifyReply): Promise<FastifyReply> {
    const { tag, text, zipped } = this.#kept;
    void reply
      .header('etag', tag)
      .header('cache-control', 'private, no-cache')
      .header('vary', 'accept-encoding');
    if (request.headers['if-none-match'] === tag) return reply.code(304).send();
    void reply.type('application/json; charset=utf-8');
    if (!/\bgzip\b/.test(request.headers['accept-encoding'] ?? '')) return reply.send(Buffer.from(text()));
    return reply.header('content-encoding', 'gzip').send(await zipped());
  }
}

/** An answer that is a file, which a browser stores under its name (RFC 6266). */
export class FileAnswer {
  readonly #type: string;
  readonly #name: string;
  readonly #text: string;
  constructor(type: string, name: string, text: string) {
    this.#type = type;
    this.#name = name;
    this.#text = text;
  }

  send(_: FastifyRequest, reply: FastifyReply): FastifyReply {
    return reply
      .type(`${this.#type}; charset=utf-8`)
      .header('content-disposition', contentDisposition(this.#name))
      .header('cache-control', 'private, no-cache')
      .send(Buffer.from(this.#text));
  }
}

/** One answer of a route as its description tells it. */
export function answered(description: string, type: string, schema: z.ZodType) {
  return { description, content: { [type]: { schema } } };
}

/** What every route may answer instead, as its description tells. */
export const REFUSALS = {
  '4XX': answered('Refused, and why (RFC 9457)', 'application/problem+json', ProblemDetails),
  '5XX': answered('Not possible now, and why (RFC 9457)', 'application/problem+json', ProblemDetails),
};

/** Registers one of the API's routes with its handler; schemas, method and path come from the route's data. */
export function register<N extends RouteName>(
  app: FastifyInstance,
  name: N,
  handler: (request: Parsed<N>) => Promise<Output<N> | Ready | FileAnswer>,
  { described, ...options }: { bodyLimit?: number; described?: object } = {},
): void {
  const route: Route = ROUTES[name];
  app.route({
    method: route.method,
    url: route.path,
    ...options,
    schema: {
      summary: route.summary,
      operationId: name,
      tags: [route.tag],
      ...(route.params && { params: route.params }),
      ...(route.query && { querystring: route.query }),
      ...(route.body && { body: route.body }),
      response: { 200: described ?? answered('Done', 'application/json', route.response), ...REFUSALS },
    },
    handler: async (request, reply) => {
      const { params, query, body } = request;
      const answer = await handler({ params, query, body } as unknown as Parsed<N>);
      return answer instanceof Ready || answer instanceof FileAnswer ? answer.send(request, reply) : answer;
    },
  });
}
