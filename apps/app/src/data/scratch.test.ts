import { SCRATCH } from './server';
import { answerScratch, beginScratch, scratchJob } from './scratch';
import { smallJob } from '../../test/openPoint';

/** What a browser makes of an answer, and this test's window does not know. */
class Answer {
  readonly status: number;
  readonly #body: string;
  constructor(body: string, { status = 200 }: { status?: number } = {}) {
    this.status = status;
    this.#body = body;
  }
  json = (): Promise<unknown> => Promise.resolve(JSON.parse(this.#body));
}
beforeAll(() => {
  globalThis.Response = Answer as never;
});

const ask = async (path: string, body?: object): Promise<[number, Record<string, unknown>]> => {
  const init = body ? { method: 'POST', body: JSON.stringify(body) } : { method: 'GET' };
  const answer = answerScratch(`/api/jobs/${SCRATCH}${path}`, init);
  return [answer.status, (await answer.json()) as Record<string, unknown>];
};
const rename = (name: string) => ({ by: 'JT', change: { kind: 'editPoint', id: 'p', patch: { name } } });

beforeEach(() => {
  localStorage.clear();
  beginScratch(String(Math.random()), smallJob());
});

test('what is tried is read and changed without a server, and outlasts the page', async () => {
  const [, before] = await ask('');
  expect(before).toMatchObject({ id: SCRATCH, content: { points: [{ tag: 'PX-1' }] } });
  const [status] = await ask('/changes', rename('Other'));
  expect(status).toBe(200);
  expect(scratchJob()?.points[0]?.name).toBe('Other');
  expect(localStorage.getItem('keypost.scratch')).toContain('"Other"');
  const [, after] = await ask('/revision');
  expect(after.revision).toBe((before.revision as number) + 1);
});

test('a change that cannot be is refused as by a server, and nothing is changed', async () => {
  const [status, problem] = await ask('/changes', rename('x'.repeat(200)));
  expect([status, problem.status]).toEqual([422, 422]);
  expect(scratchJob()?.points[0]?.name).not.toContain('xxx');
});

test('what only a server can do says so', async () => {
  const [status, problem] = await ask('/items/d/read', {});
  expect([status, (problem.message as { code: string }).code]).toEqual([404, 'service.tried-only']);
});

test('the same answers keep what was done with it meanwhile; others begin anew', async () => {
  beginScratch('one', smallJob());
  await ask('/changes', rename('Other'));
  expect(beginScratch('one', smallJob())).toBe(false);
  expect(scratchJob()?.points[0]?.name).toBe('Other');
  expect(beginScratch('two', smallJob())).toBe(true);
  expect(scratchJob()?.points[0]?.name).not.toBe('Other');
});
