import { nth, sure } from '@keypost/core/lists';
import * as schemas from './answers.ts';
import { createClient } from './checkingClient.ts';
import { ApiProblem, clientWith, takeOurs } from './client.ts';
import { FORM, FORM_HEADER } from './form.ts';
import { patchJob } from './patch.ts';
import { ROUTES } from './routes.ts';
import type { ChangeResponse, JobView } from './schemas.ts';
import { emptyJob } from '@keypost/core/model';

const json = (body: unknown, status = 200): Response =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });

const ID = '11111111-1111-4111-8111-111111111111';

describe('the client', () => {
  test('puts parameters, query and body where the route says', async () => {
    const sent: [string, RequestInit][] = [];
    const call = createClient('http://panel', async (url, init) => {
      sent.push([url, init]);
      return json(url.includes('events') ? [] : { removed: 'x' });
    });
    await call('listEvents', { params: { jobId: 'a b' }, query: { pointId: 'p', limit: 5 } });
    await call('removeJob', { params: { jobId: 'x' }, query: { by: 'MR' } });
    expect(sent[0]).toMatchObject([
      'http://panel/api/jobs/a%20b/events?pointId=p&limit=5',
      { method: 'GET' },
    ]);
    expect(sent[1]).toMatchObject(['http://panel/api/jobs/x?by=MR', { method: 'DELETE' }]);
  });

  test('sends everything as JSON, a file too', async () => {
    const bodies: RequestInit[] = [];
    const view = { id: 'j', revision: 1, content: emptyJob('N', ''), revisions: {}, damaged: [] };
    const call = createClient('', async (_, init) => {
      bodies.push(init);
      return json(view);
    });
    await call('createJob', { body: { id: ID, name: 'N', site: '', by: 'MR' } });
    await call('importJob', { body: { id: ID, by: 'MR', file: '{"format":1}' } });
    expect(bodies.map(({ headers }) => (headers as Record<string, string>)['content-type'])).toEqual([
      'application/json',
      'application/json',
    ]);
    expect(JSON.parse(String(nth(bodies, 1).body))).toMatchObject({ file: '{"format":1}' });
  });

  test.each([
    [FORM, 'as it is'],
    ['another', 'refused'],
    [undefined, 'refused'],
  ])('an answer of the form %s that fits no schema is %s', async (form, comes) => {
    const odd = { revision: 'many' };
    const headers = { 'content-type': 'application/json', ...(form && { [FORM_HEADER]: form }) };
    const answers = async () => new Response(JSON.stringify(odd), { headers });
    const params = { jobId: 'j' };
    const answer = clientWith(
      takeOurs(async () => schemas),
      '',
      answers,
    )('revision', { params });
    if (comes === 'as it is') expect(await answer).toEqual(odd);
    else await expect(answer).rejects.toThrow(/revision/);
    await expect(createClient('', answers)('revision', { params })).rejects.toThrow(/revision/);
  });

  test('no answer is a problem that can be tried again', async () => {
    const call = createClient('', () => Promise.reject(new TypeError('network')));
    const problem = await call('listJobs', {}).catch((error: unknown) => error as ApiProblem);
    expect(problem).toBeInstanceOf(ApiProblem);
    expect((problem as ApiProblem).retryable).toBe(true);
    expect((problem as ApiProblem).details.detail).toMatch(/kept here/);
  });

  // To make the demo is as much work for a server as to read a file.
  test.each([
    ['listJobs', {}, 12],
    ['board', { params: { jobId: 'j' } }, 30],
    ['openDemo', { body: { id: ID } }, 120],
  ] as const)(
    'a server that holds its answer to %s back is told after a while',
    async (name, input, seconds) => {
      jest.useFakeTimers();
      const call = createClient(
        '',
        (_, { signal }) =>
          new Promise((__, reject) => signal?.addEventListener('abort', () => reject(new Error('aborted')))),
      );
      let told = false;
      const answer = call(name, input).catch((error: unknown) => {
        told = true;
        return error as ApiProblem;
      });
      await jest.advanceTimersByTimeAsync(seconds * 1000 - 500);
      expect(told).toBe(false);
      await jest.advanceTimersByTimeAsync(1000);
      const problem = (await answer) as ApiProblem;
      jest.useRealTimers();
      expect(problem.details.message).toEqual({ code: 'service.silent', values: { seconds } });
      expect([problem.retryable, problem.uncertain]).toEqual([true, true]);
    },
  );

  test('a refusal keeps its details, an odd answer says its status', async () => {
    const details = {
      type: '/problems/x',
      title: 'Not allowed',
      status: 422,
      detail: 'No.',
      message: { code: 'x' },
    };
    const refused = await createClient('', async () => json(details, 422))('listJobs', {}).catch(
      (e: unknown) => e as ApiProblem,
    );
    expect((refused as ApiProblem).details).toEqual(details);
    expect([(refused as ApiProblem).retryable, (refused as ApiProblem).uncertain]).toEqual([false, false]);
    const odd = await createClient('', async () => new Response('<html>', { status: 502 }))(
      'listJobs',
      {},
    ).catch((e: unknown) => e as ApiProblem);
    expect((odd as ApiProblem).details.detail).toBe('The server answered with status 502.');
    expect((odd as ApiProblem).retryable).toBe(true);
  });

  test('an answer of another shape than the route’s is refused', async () => {
    await expect(createClient('', async () => json([{ id: 1 }]))('listJobs', {})).rejects.toThrow();
  });

  test('every route stands below /api and names its parameters', () => {
    for (const route of Object.values(ROUTES)) {
      expect(route.path).toMatch(/^\/api\//);
      const named = [...route.path.matchAll(/:(\w+)/g)].map(([, name]) => name);
      expect(Object.keys('params' in route ? route.params.shape : {})).toEqual(named);
    }
  });
});

describe('patching a copy of a job', () => {
  const supply = nth(emptyJob('N', 'S').supplies, 0);
  const view: JobView = {
    id: 'j',
    revision: 4,
    content: emptyJob('N', 'S'),
    revisions: { 'supplies/g1': 1 },
    damaged: [],
  };
  const change = (rows: ChangeResponse['rows'], revision = 5, again = false): ChangeResponse => ({
    again,
    revision,
    head: { name: 'N', site: 'S', colours: 'iec', mainsHertz: 50, numbers: 'point', units: 'metric' },
    rows,
  });

  test('adds, changes and removes rows, and leaves the old copy alone', () => {
    const second = { ...supply, id: 'g2', tag: 'G2' };
    const added = sure(
      patchJob(view, change([{ collection: 'supplies', id: 'g2', revision: 1, row: second }])),
    );
    expect(added.content.supplies.map(({ id }) => id)).toEqual(['g1', 'g2']);
    const edited = sure(
      patchJob(
        added,
        change([{ collection: 'supplies', id: 'g1', revision: 2, row: { ...supply, volts: 12 } }], 6),
      ),
    );
    expect(nth(edited.content.supplies, 0).volts).toBe(12);
    expect(edited.revisions).toEqual({ 'supplies/g1': 2, 'supplies/g2': 1 });
    const removed = sure(
      patchJob(edited, change([{ collection: 'supplies', id: 'g2', revision: 1, row: null }], 7)),
    );
    expect(removed.content.supplies).toHaveLength(1);
    expect(removed.revisions).toEqual({ 'supplies/g1': 2 });
    expect(view.content.supplies).toHaveLength(1);
  });

  test('takes the name along', () => {
    expect(
      sure(
        patchJob(view, {
          ...change([]),
          head: {
            name: 'Other',
            site: 'S',
            colours: 'iec',
            mainsHertz: 50,
            numbers: 'point',
            units: 'metric',
          },
        }),
      ).content.name,
    ).toBe('Other');
  });

  test('gives up when others were faster or the change had come before', () => {
    expect(patchJob(view, change([], 6))).toBeUndefined();
    expect(patchJob(view, change([], 4))).toBeUndefined();
    expect(patchJob(view, change([], 5, true))).toBeUndefined();
  });
});
