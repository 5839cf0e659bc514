import { ROUTES } from '@keypost/api';
import type { Input, Output, Route, RouteName } from '@keypost/api';
import type { FastifyInstance } from 'fastify';
import type { z } from 'zod';

/** What a handler receives: the parts of a request after their schemas. */
type Parsed<N extends RouteName> = {
  [K in keyof Input<N>]: (typeof ROUTES)[N] extends { readonly [P in K]: infer S extends z.ZodType }
    ? z.output<S>
    : never;
};

/** Registers one of the API's routes with its handler; schemas, method and path come from the route's data. */
export function register<N extends RouteName>(
  app: FastifyInstance,
  name: N,
  handler: (request: Parsed<N>) => Promise<Output<N>>,
  options: { bodyLimit?: number } = {},
): void {
  const route: Route = ROUTES[name];
  app.route({
    method: route.method,
    url: route.path,
    ...options,
    schema: {
      summary: route.summary,
      operationId: name,
      ...(route.params && { params: route.params }),
      ...(route.query && { querystring: route.query }),
      ...(route.body && { body: route.body }),
      response: { 200: route.response },
    },
    handler: async ({ params, query, body }) => handler({ params, query, body } as unknown as Parsed<N>),
  });
}
