import { capital } from '@keypost/core/lists';
import fastifySwagger from '@fastify/swagger';
import {
  BoardView,
  ChangeRequest,
  ChangeResponse,
  JobEvent,
  JobSummary,
  JobView,
  Json,
  LiveBatch,
  ProblemDetails,
  ReadOutcome,
  Said,
  TAGS,
  WriteOutcome,
} from '@keypost/api';
import { COLLECTION_NAMES, COLLECTIONS, JobContent, OwnKind } from '@keypost/core/model';
import type { FastifyInstance } from 'fastify';
import { createJsonSchemaTransform, createJsonSchemaTransformObject } from 'fastify-type-provider-zod';
import { z } from 'zod';

/** Schemas that have a name of their own in the description; every other one stands where it is used. */
const NAMED = {
  BoardView,
  ChangeRequest,
  ChangeResponse,
  JobContent,
  JobEvent,
  JobSummary,
  JobView,
  Json,
  LiveBatch,
  Message: Said,
  ProblemDetails,
  ReadOutcome,
  OwnKind,
  WriteOutcome,
};

/** A row of each list of a job is called as its label is. */
const rowName = (label: string): string => label.split(' ').map(capital).join('');

/** Describes the server by OpenAPI 3.1: what is registered after this, from the schemas that it is checked by. */
export async function describe(app: FastifyInstance, version: string): Promise<void> {
  const schemaRegistry = z.registry<{ id: string; description?: string }>();
  for (const [id, schema] of Object.entries(NAMED)) schemaRegistry.add(schema, { id });
  for (const name of COLLECTION_NAMES) {
    const { row, label } = COLLECTIONS[name];
    if (!schemaRegistry.has(row)) schemaRegistry.add(row, { id: rowName(label) });
  }
  const named = createJsonSchemaTransformObject({ schemaRegistry });
  await app.register(fastifySwagger, {
    openapi: {
      openapi: '3.1.0',
      info: {
        title: 'Key Post',
        version,
        description:
          'Jobs, their changes and photos, and the devices of a panel. Bodies are JSON; unknown fields are refused. A refusal is problem details (RFC 9457).',
      },
      servers: [{ url: '/', description: 'This server' }],
      tags: Object.entries(TAGS).map(([name, description]) => ({ name, description })),
    },
    transform: createJsonSchemaTransform({ schemaRegistry }),
    transformObject: (given) => withFileNames(withoutUnused(named(given) as OpenApi)),
  });
}

interface OpenApi {
  readonly paths?: Readonly<
    Record<string, Record<string, { responses: Record<string, { headers?: object }> }>>
  >;
  readonly components?: { readonly schemas?: Readonly<Record<string, unknown>> };
}

/** What is a file says its name; the transform of schemas knows no heads. */
function withFileNames(whole: OpenApi): OpenApi {
  const answer = whole.paths?.['/api/jobs/{jobId}/file']?.get?.responses['200'];
  if (answer)
    answer.headers = {
      'content-disposition': {
        description: 'The name under which a browser stores it (RFC 6266)',
        schema: { type: 'string' },
      },
    };
  return whole;
}

/** Without named schemas to which nothing leads: each is made for what is sent and for what is answered. */
function withoutUnused(whole: OpenApi): OpenApi {
  const { schemas = {} } = whole.components ?? {};
  const uses = (value: unknown): string[] =>
    [...JSON.stringify(value).matchAll(/"#\/components\/schemas\/([^"/]+)/g)].map(([, name]) => String(name));
  const used = new Set<string>();
  const open = uses({ ...whole, components: {} });
  for (let name = open.pop(); name !== undefined; name = open.pop()) {
    if (used.has(name)) continue;
    used.add(name);
    open.push(...uses(schemas[name]));
  }
  const kept = Object.entries(schemas).filter(([name]) => used.has(name));
  return { ...whole, components: { ...whole.components, schemas: Object.fromEntries(kept) } };
}
