import type { BoardRow } from '@keypost/api';
import { JobIndex } from '@keypost/core/job';
import { jobProgress } from '@keypost/core/proving';
import { ternRock } from '../../../server/src/demo/ternRock';
import { ASK_ALL, askedRows, factsOf, valuesOf } from './boardFilter';
import type { BoardAsk } from './boardFilter';
import { inOrder } from './Tally';

const job = ternRock();
const facts = factsOf(new JobIndex(job));
const rows: readonly BoardRow[] = inOrder(jobProgress(job));
const asked = (ask: Partial<BoardAsk>) => askedRows(rows, facts, { ...ASK_ALL, ...ask });
const tags = (ask: Partial<BoardAsk>): string[] =>
  asked(ask).flatMap((item) => (item.is === 'row' ? item.row.tag : []));

test('asked for nothing, the board shows all, those that need somebody first', () => {
  expect(tags({})).toEqual(rows.map(({ tag }) => tag));
});

test.each<[string, Partial<BoardAsk>, (tag: string) => boolean]>([
  ['a part of a tag', { text: 'pe-1' }, (tag) => tag.startsWith('PE-1')],
  ['words of name and module, in any order', { text: 'ai 1 pressure' }, (tag) => /^PT-/.test(tag)],
  ['an area', { area: 'Hoist' }, (tag) => /^(PE-106|ZS|WT|GS-212)/.test(tag)],
  [
    'what cannot work',
    { state: 'cannot' },
    (tag) => rows.find((row) => row.tag === tag)?.overall === 'cannot',
  ],
])('finds by %s', (_, ask, holds) => {
  const found = tags(ask);
  expect(found.length).toBeGreaterThan(0);
  expect(found.every(holds)).toBe(true);
  expect(found.length).toBeLessThan(rows.length);
});

test('each value of each filter finds points, and together they find every one', () => {
  for (const name of ['area', 'module', 'kind'] as const) {
    const found = valuesOf(facts, name).map(({ value }) => tags({ [name]: value }));
    expect(found.every((list) => list.length > 0)).toBe(true);
    expect(found.flat().sort()).toEqual(rows.map(({ tag }) => tag).sort());
  }
});

test('groups hold every point once, under a name that tells how many, those without last', () => {
  const items = asked({ group: 'module', sort: 'tag' });
  const names = items.flatMap((item) => (item.is === 'group' ? item.name : []));
  expect(names.at(-1)).toBe('On no module');
  expect(new Set(names).size).toBe(names.length);
  const counted = items.reduce((sum, item) => sum + (item.is === 'group' ? item.count : 0), 0);
  expect(counted).toBe(rows.length);
});

test('numbers in tags are put in order by their size', () => {
  const [row] = rows as [BoardRow];
  const three = ['PX-10', 'PX-9', 'PX-100'].map((tag) => ({ ...row, pointId: tag, tag }));
  const sorted = askedRows(three, new Map(), { ...ASK_ALL, sort: 'tag' });
  expect(sorted.map((item) => (item.is === 'row' ? item.row.tag : ''))).toEqual(['PX-9', 'PX-10', 'PX-100']);
});
