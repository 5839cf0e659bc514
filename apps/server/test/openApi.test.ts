import SwaggerParser from '@apidevtools/swagger-parser';
import { randomUUID } from 'node:crypto';
import { LIVE_ROUTE, PICTURE_ROUTE, ROUTES } from '@keypost/api';
import { sure } from '@keypost/core/lists';
import { jobFileSchema, writeJobFile } from '@keypost/core/jobFile';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { demoJob } from '../src/demo/demoJob.ts';
import { startTestServer } from './server.ts';
import type { TestServer } from './server.ts';

interface Told {
  readonly tags: readonly string[];
  readonly operationId: string;
  readonly requestBody?: { content: Record<string, unknown> };
  readonly responses: Record<
    string,
    { content: Record<string, { schema: object }>; headers?: Record<string, unknown> }
  >;
}

let server: TestServer;
let paths: Record<string, Record<string, Told>>;
let api: { openapi: string; tags: { name: string }[]; components: { schemas: Record<string, object> } };
beforeAll(async () => {
  server = await startTestServer();
  const text = await (await fetch(`${server.address}/api/openapi.json`)).text();
  api = JSON.parse(text);
  ({ paths } = JSON.parse(text));
}, 60_000);
afterAll(() => server.close());

/** The check of one answer: a schema of the description by its place there. */
function checkOf(path: string, ...steps: readonly string[]) {
  const made = ajv().addSchema({ ...api, $id: ID });
  const pointer = ['paths', braced(path), ...steps].map((step) =>
    encodeURIComponent(step.replace(/~/g, '~0').replace(/\//g, '~1')),
  );
  return sure(made.getSchema(`${ID}#/${pointer.join('/')}`));
}

const ID = 'https://keypost.test/openapi';
const ajv = (): Ajv2020 => {
  const made = new Ajv2020({ strict: false, allErrors: true, logger: false });
  addFormats(made);
  return made;
};
const braced = (path: string): string => path.replace(/:(\w+)/g, '{$1}');
const told = (path: string, method: string): Told => sure(paths[braced(path)]?.[method.toLowerCase()]);

test('it is a valid description of OpenAPI 3.1, of every route', async () => {
  await expect(SwaggerParser.validate(structuredClone(api) as never)).resolves.toBeTruthy();
  expect(api.openapi).toBe('3.1.0');
  const names = new Set(api.tags.map(({ name }) => name));
  for (const { path, method } of Object.values(ROUTES)) {
    const { tags, responses } = told(path, method);
    expect(tags.every((tag) => names.has(tag))).toBe(true);
    expect(Object.keys(responses)).toEqual(expect.arrayContaining(['200', '4XX', '5XX']));
    expect(Object.keys(sure(responses['4XX']).content)).toEqual(['application/problem+json']);
  }
  expect(Object.keys(sure(told(LIVE_ROUTE, 'GET').responses['200']).content)).toEqual(['text/event-stream']);
  expect(Object.keys(sure(told(PICTURE_ROUTE, 'GET').responses['200']).content)).toEqual(['image/jpeg']);
  expect(sure(told(ROUTES.exportJob.path, 'GET').responses['200']).headers).toHaveProperty(
    'content-disposition',
  );
  expect(Object.keys(api.components.schemas)).toEqual(
    expect.arrayContaining(['JobContent', 'JobView', 'ProblemDetails', 'Point', 'Photo', 'Wire']),
  );
});

test('what the server answers is what the description says', async () => {
  const jobId = randomUUID();
  const send = async (method: string, path: string, body?: unknown, params: Record<string, string> = {}) => {
    const address = Object.entries(params).reduce((all, [key, value]) => all.replace(`:${key}`, value), path);
    const answer = await fetch(server.address + address, {
      method,
      ...(body !== undefined && {
        body: JSON.stringify(body),
        headers: { 'content-type': 'application/json' },
      }),
    });
    const range = answer.ok ? String(answer.status) : `${Math.floor(answer.status / 100)}XX`;
    const { content } = sure(told(path, method).responses[range]);
    const type = sure(answer.headers.get('content-type')?.split(';')[0]);
    expect([path, Object.keys(content)]).toEqual([path, [type]]);
    const check = checkOf(path, method.toLowerCase(), 'responses', range, 'content', type, 'schema');
    const answered: unknown = await answer.json();
    expect([path, check(answered) || check.errors]).toEqual([path, true]);
    return answer.status;
  };
  const { job, pictures } = demoJob();
  const shown = new Map(pictures.map(({ sha256, file }) => [sha256, Buffer.from(file).toString('base64')]));
  const by = { id: jobId, by: 'TT' };
  const of = { jobId };
  const change = (what: object) => ({ changeId: randomUUID(), by: 'TT', change: what });
  expect(await send('POST', ROUTES.importJob.path, { ...by, file: writeJobFile(job, shown) })).toBe(200);
  for (const route of ['getJob', 'exportJob', 'revision', 'board', 'listEvents', 'practice'] as const)
    expect(await send('GET', ROUTES[route].path, undefined, of)).toBe(200);
  for (const path of [ROUTES.listJobs.path, ROUTES.health.path]) expect(await send('GET', path)).toBe(200);
  const changes = ROUTES.changeJob.path;
  const patch = { kind: 'editJob', patch: { site: 'Elsewhere' } };
  expect(await send('POST', changes, change(patch), of)).toBe(200);
  // Refused: too little, a field that nobody knows, what is not sound, what is not there.
  expect(await send('POST', changes, {}, of)).toBe(400);
  expect(await send('POST', changes, change({ ...patch, colour: 'red' }), of)).toBe(400);
  expect(await send('POST', changes, change({ kind: 'removePoint', id: 'pe-106' }), of)).toBe(422);
  expect(await send('GET', ROUTES.getJob.path, undefined, { jobId: 'none' })).toBe(404);
  expect(await send('POST', ROUTES.importJob.path, { ...by, id: randomUUID(), file: '{' })).toBe(422);
  expect(await send('DELETE', ROUTES.removeJob.path, undefined, of)).toBe(400);
});

test('the schema of the job file takes the demo, and nothing that nobody knows', () => {
  const schema = jobFileSchema() as {
    $id: string;
    title: string;
    properties: { job: { properties: object } };
  };
  expect(schema).toMatchObject({ $id: 'urn:keypost:job:2', title: 'Key Post job file' });
  for (const list of Object.values(schema.properties.job.properties)) {
    const { title, description } = list as { title?: string; description?: string };
    expect(title ?? description).toBeTruthy();
  }
  const check = ajv().compile(schema);
  const { job, pictures } = demoJob();
  const shown = new Map(pictures.map(({ sha256, file }) => [sha256, Buffer.from(file).toString('base64')]));
  const file = JSON.parse(writeJobFile(job, shown));
  expect(check(file) || check.errors).toBe(true);
  for (const odd of [
    { ...file, more: 1 },
    { ...file, job: { ...file.job, more: 1 } },
    { ...file, job: { ...file.job, points: [{ ...file.job.points[0], more: 1 }] } },
  ])
    expect(check(odd)).toBe(false);
});
