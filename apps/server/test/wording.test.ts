import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { JobIndex } from '@keypost/core/job';
import { bracketed, ownTextOf, say, textOf, useWording } from '@keypost/core/messages';
import { jobProgress, openJobFile } from '@keypost/core/proving';
import { analyse } from '@keypost/core/analysis';
import { verdictOf } from '@keypost/core/verdict';
import { CATALOG } from '../../../packages/core/src/messages/catalog.ts';
import { ternRock } from '../src/demo/ternRock.ts';
import { startTestServer } from './server.ts';
import type { TestServer } from './server.ts';

const ROOT = path.resolve(__dirname, '../../..');
const read = (name: string): string => readFileSync(path.join(ROOT, name), 'utf8');

afterEach(() => useWording());

describe('a catalog of messages in another language', () => {
  test('changes no verdict, reason or remedy, and no step or result that holds', () => {
    const job = ternRock();
    const before = jobProgress(job);
    useWording(bracketed());
    expect(jobProgress(job)).toEqual(before);
    const index = new JobIndex(job);
    const remedies = job.points.flatMap(({ id }) => verdictOf(analyse(index, id)).remedies);
    expect(remedies.length).toBeGreaterThan(5);
    for (const { sentence } of remedies) expect(textOf(sentence)).toMatch(/^⟦.*⟧$/s);
    for (const { verdict, line } of before) {
      expect(textOf(verdict.sentence)).toMatch(/^⟦.*⟧$/s);
      expect(textOf(line)).toMatch(/^⟦.*⟧$/s);
    }
  });

  test('leaves the work of a version 1 file standing', () => {
    const text = read('apps/server/test/fixtures/version1.keypost.json');
    const before = openJobFile(text);
    useWording(bracketed());
    expect(openJobFile(text)).toEqual(before);
  });

  test('words what is nested too, and leaves names as they stand', () => {
    const message = say('proof.with-target', { name: say('proof.input-led') });
    expect(textOf(message)).toBe('Input LED with target');
    useWording(bracketed());
    expect(textOf(message)).toBe('⟦⟦Input LED⟧ with target⟧');
    expect(ownTextOf(message)).toBe('Input LED with target');
    expect(textOf('PE-101')).toBe('PE-101');
    expect(textOf({ code: 'of.another-version' })).toBe('of.another-version');
  });
});

describe('a refusal of the server', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startTestServer();
  });
  afterAll(() => server.close());

  const refusal = async () => {
    const response = await fetch(`${server.address}/api/jobs`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id: randomUUID(), name: '', site: '', by: 'MR' }),
    });
    return (await response.json()) as Record<string, unknown>;
  };

  test('has the same type and code in any language; only its detail is worded', async () => {
    const { detail, problems, ...own } = await refusal();
    useWording(bracketed());
    const other = await refusal();
    expect(own).toMatchObject({ type: '/problems/model.name-job', message: { code: 'model.name-job' } });
    expect(other).toMatchObject(own);
    expect([detail, other.detail]).toEqual(['Give the job a name.', '⟦Give the job a name.⟧']);
    expect(problems).toHaveLength(1);
  });
});

describe('every process that words anything', () => {
  const OWN_PROCESS = [
    'apps/server/src/problems.ts',
    'apps/server/src/check/main.ts',
    ...readdirSync(path.join(ROOT, 'apps/app/src/workers'))
      .filter((name) => name.endsWith('.worker.ts'))
      .map((name) => `apps/app/src/workers/${name}`),
  ];

  test.each(OWN_PROCESS)('%s has all sentences', (name) =>
    expect(read(name)).toContain("import '@keypost/core/messages/all';"),
  );
});

describe('the catalog', () => {
  const sources = ['packages/core/src', 'packages/api/src', 'apps/server/src', 'apps/app/src'].flatMap(
    (folder) =>
      readdirSync(path.join(ROOT, folder), { recursive: true, encoding: 'utf8' })
        .map((name) => path.join(folder, name))
        .filter((name) => /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name))
        .filter((name) => !name.includes('core/src/messages/') || name.endsWith('issue.ts'))
        .map(read),
  );
  const all = sources.join('\n');

  test('holds no sentence that nobody says', () => {
    expect(Object.keys(CATALOG).filter((code) => !all.includes(`'${code}'`))).toEqual([]);
  });

  test('has codes of an area and a name, and sentences that end as sentences do', () => {
    for (const code of Object.keys(CATALOG)) expect(code).toMatch(/^[a-zA-Z]+\.[a-z0-9.-]+$/);
  });

  test('stands in docs/problems.md, code by code', () => {
    const page = read('docs/problems.md');
    const listed = [...page.matchAll(/^\| `([^`]+)`/gm)].map((found) => found[1]);
    expect(listed.sort()).toEqual(Object.keys(CATALOG).sort());
  });
});
