import { inputs } from '../../test/families.ts';
import { withPoint } from '../../test/jobs.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { nth, sure } from '../lists/index.ts';
import { groupsOf, suspects, unexplained } from './diagnose.ts';
import { dictionaryOf } from './dictionary.ts';
import { faultPairs, sightsOfPair } from './pairs.ts';
import { alike, isReading, middleOf } from './sight.ts';

const JOB = withPoint(inputs(), { typeId: 'inductive-3w', output: 'pnp' });
const analysis = analyse(new JobIndex(JOB), 'px-1');
const dictionary = dictionaryOf(analysis);
const seenOf = (ids: readonly [string, string]) =>
  sure(sightsOfPair(analysis, ids)).flatMap((sight, look) =>
    sight.kind === 'either' ? [] : [{ look, is: isReading(sight) ? middleOf(sight) : sight.kind === 'on' }],
  );

test('two faults that no single one explains are the first pair, and what one cannot explain is named', () => {
  const ids = ['stuck on', 'bit turned'] as const;
  const seen = seenOf(ids);
  const { pairs } = faultPairs(analysis, seen);
  // An output that stays on shows as a target that is always seen, a turned bit then as one of another address.
  const truth = sure(sightsOfPair(analysis, ids));
  const { first, second, others } = nth(pairs, 0);
  const found = sure(sightsOfPair(analysis, [first.id, second.id]));
  expect(found.every((sight, i) => alike(sight, nth(truth, i)))).toBe(true);
  expect(others).toBeGreaterThan(0);
  expect(pairs.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1 + 1e-9);
  expect(unexplained(suspects(groupsOf(dictionary), seen), seen).length).toBeGreaterThan(0);
});

test('pairs that nothing tells apart stand as one, and the look that tells most of the others apart is not one that was taken', () => {
  const ids = ['stuck on', 'bit turned'] as const;
  const seen = seenOf(ids).slice(0, 4);
  const { pairs, next } = faultPairs(analysis, seen);
  const all = pairs.map(({ first, second }) => sure(sightsOfPair(analysis, [first.id, second.id])));
  all.forEach((one, i) =>
    all.slice(i + 1).forEach((other) => {
      expect(one.every((sight, k) => alike(sight, nth(other, k)))).toBe(false);
    }),
  );
  expect(pairs.some(({ others }) => others > 0)).toBe(true);
  expect(seen.map(({ look }) => look)).not.toContain(next);
  const shown = new Set(all.map((sights) => JSON.stringify(nth(sights, sure(next)))));
  expect(shown.size).toBeGreaterThan(1);
});

test('two wires that touch both rails are one circuit with two bridges', () => {
  const shorts = dictionary.rows.flatMap(({ fault }) => (fault?.sort === 'wire-short' ? [fault.id] : []));
  expect(shorts.length).toBeGreaterThan(1);
  expect(sightsOfPair(analysis, [nth(shorts, 0), nth(shorts, 1)])).toHaveLength(dictionary.looks.length);
});

test('two that each make another circuit are not put together', () => {
  const kinds = dictionary.rows.flatMap(({ fault }) => (fault?.sort === 'kind' ? [fault.id] : []));
  expect(sightsOfPair(analysis, [nth(kinds, 0), nth(kinds, 1)])).toBeUndefined();
});
