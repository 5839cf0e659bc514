import { FAMILIES } from '../../test/families.ts';
import { nth, sure } from '../lists/index.ts';
import { COLLECTION_NAMES, COLLECTIONS } from '../model/collections.ts';
import type { JobContent } from '../model/collections.ts';
import { checkLimits, sizeProblems } from './limits.ts';

const job = sure(FAMILIES['guard switch'])();

test('a sound job keeps to all of them, alone and after itself', () => {
  expect(checkLimits(job)).toEqual([]);
  expect(checkLimits(job, job)).toEqual([]);
});

describe.each(COLLECTION_NAMES)('%s', (name) => {
  const filled = (count: number): JobContent => ({
    ...job,
    [name]: Array.from({ length: count }, () => nth(job.supplies, 0)),
  });

  test('take as many rows as they may hold, and no more', () => {
    const { max } = COLLECTIONS[name];
    const codes = (count: number) => checkLimits(filled(count), filled(0)).map(({ message }) => message.code);
    expect(codes(Math.min(max, 200))).not.toContain('model.rows');
    expect(codes(max + 1)).toContain('model.rows');
  });

  test('take no row that could not be read again, and name its place', () => {
    const broken = { ...job, [name]: [...job[name], { id: 'x', tag: 7, fileName: 7, number: 7, at: 7 }] };
    const problems = checkLimits(broken as unknown as JobContent, job);
    expect(problems.length).toBeGreaterThan(0);
    for (const { path } of problems) expect(path.startsWith(`${name}[${job[name].length}]`)).toBe(true);
  });
});

test('the head is held to its schema as well', () => {
  expect(checkLimits({ ...job, name: '' }, job)).toMatchObject([{ path: 'name' }]);
  expect(checkLimits({ ...job, mainsHertz: 55 as 50 }, job)).toMatchObject([{ path: 'mainsHertz' }]);
});

test('a job that is too large already may become smaller, and no larger', () => {
  const text = 'a'.repeat(1_400_000);
  const holding = (count: number): JobContent => ({
    ...job,
    descriptions: Array.from({ length: count }, (_, i) => ({ id: `d${i}`, fileName: 'd', text })),
  });
  expect(sizeProblems(holding(11))).toEqual([]);
  expect(sizeProblems(holding(12))).toMatchObject([{ message: { code: 'job.too-large' } }]);
  expect(sizeProblems(holding(12), holding(13))).toEqual([]);
});
