import { inputs } from '../../test/families.ts';
import { withPoint } from '../../test/jobs.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { nth, sure } from '../lists/index.ts';
import { groupsOf, suspects, unexplained } from './diagnose.ts';
import { dictionaryOf } from './dictionary.ts';
import { faultPairs, sightsOfPair } from './pairs.ts';
import { isReading, middleOf } from './sight.ts';

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
  const pairs = faultPairs(analysis, seen);
  // An output that stays on shows as a target that is always seen, a turned bit then as one of another address.
  const named = pairs.map(({ first, second }) => [first.id, second.id].sort().join(' + '));
  expect(named.slice(0, 4)).toContain('bit turned + stuck on');
  expect(pairs.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1 + 1e-9);
  expect(unexplained(suspects(groupsOf(dictionary), seen), seen).length).toBeGreaterThan(0);
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
