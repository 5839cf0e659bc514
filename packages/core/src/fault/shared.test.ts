import { inputs } from '../../test/families.ts';
import { withPoint } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { say } from '../messages/index.ts';
import { JobIndex } from '../job/index.ts';
import { sure } from '../lists/index.ts';
import type { FaultSort, Often } from '../model/index.ts';
import { groupsOf, suspects } from './diagnose.ts';
import { dictionaryOf } from './dictionary.ts';
import { analyse } from '../analysis/index.ts';
import { sharedParts, sharedSuspects } from './shared.ts';
import type { Does, SharedPart } from './shared.ts';

const part = (id: string, points: string): SharedPart => ({
  id,
  what: say('fault.shared-cable', { cable: id }),
  likely: 'usual',
  points: new Set(points.split('')),
});
const PARTS = [part('all', 'abcdefgh'), part('common', 'abcd'), part('cable', 'ab')];
const after = (text: string) =>
  sharedSuspects(
    PARTS,
    new Map(
      [...text.split(' ')].map((word): [string, Does] => [
        word.slice(1),
        word.startsWith('-') ? 'fails' : 'works',
      ]),
    ),
  );

test('four that fail and one beside them that works lead to what the four share', () => {
  const { suspects: found, apart } = after('-a -b -c -d +e');
  expect(sure(found[0]).id).toBe('common');
  expect(sure(found[0]).share).toBeGreaterThan(0.8);
  expect(apart).toBeLessThan(0.01);
});

test('the point that tells most is asked for: one that only some of the suspects make fail', () => {
  const { next } = after('-a -b');
  expect('cdefgh').toContain(next);
  expect(['c', 'd']).toContain(after('-a -b +h').next);
  expect(sure(after('-a -b +h +c').suspects[0]).id).toBe('cable');
});

test('points that share nothing fail each for itself', () => {
  expect(after('-x -y')).toMatchObject({ suspects: [], apart: 1, next: undefined });
});

test('shares and what is left add up to one', () => {
  const { suspects: found, apart } = after('-a +b -e');
  expect(found.reduce((sum, { share }) => sum + share, apart)).toBeCloseTo(1, 9);
});

test('two points on one card share its supply, its common and itself', () => {
  const one = withPoint(inputs(), { typeId: 'inductive-3w', output: 'pnp' });
  const two = withPoint(one, { typeId: 'inductive-3w', output: 'pnp', tag: 'PX-2', at: ['m', 1] });
  expect(sharedParts(new JobIndex(two)).map(({ what }) => said(what).split(' ')[0])).toEqual([
    'fault.shared-supply',
    'fault.shared-module',
    'fault.shared-common',
  ]);
});

test('what was mended before counts for what is broken now', () => {
  const job = withPoint(inputs(), { typeId: 'inductive-3w', output: 'pnp' });
  const groups = groupsOf(dictionaryOf(analyse(new JobIndex(job), 'px-1')));
  const shareOf = (experience?: Parameters<typeof suspects>[2]) =>
    suspects(groups, [], experience)
      .filter(({ rows }) => rows.some(({ fault }) => fault?.sort === 'wire-weak'))
      .reduce((sum, { share }) => sum + share, 0);
  const mended = new Map([['wire-weak', 20]] as const);
  expect(shareOf({ mended, rated: new Map() })).toBeGreaterThan(shareOf() + 0.3);
  // What somebody said of it counts at once, and less the more was mended since.
  const said = (often: Often, counted = new Map<FaultSort, number>()) =>
    shareOf({
      mended: counted,
      rated: new Map([['wire-weak', { often, by: 'JT', at: '2026-10-01T08:00:00.000Z' }]]),
    });
  expect(said('often')).toBeGreaterThan(1.5 * shareOf());
  expect(said('usual')).toBeCloseTo(shareOf(), 12);
  expect(said('seldom')).toBeLessThan(0.5 * shareOf());
  expect(said('seldom', mended)).toBeGreaterThan(shareOf());
});
