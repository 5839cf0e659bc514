import { bareJob, withModule, withPoint } from '../../test/jobs.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { nth, sure } from '../lists/index.ts';
import { groupsOf, suspects, unexplained } from './diagnose.ts';
import { dictionaryOf, hasDictionary } from './dictionary.ts';
import { isReading, middleOf } from './sight.ts';

/** A two-wire pressure transmitter of 0 to 6 bar on a current input. */
const JOB = withPoint(withModule(bareJob(), 'm', 'ai4-switch', ['-', '-', '-', '-']), {
  tag: 'PT-1',
  typeId: 'pressure-2w',
  output: 'none',
  logic: 'none',
  range: { low: 0, high: 6, unit: 'bar' },
  at: ['m', 0],
});
const analysis = analyse(new JobIndex(JOB), 'pt-1');
const dictionary = dictionaryOf(analysis);

const shows = (id: string | undefined, look: RegExp): number => {
  const row = sure(dictionary.rows.find(({ fault }) => fault?.id === id));
  const sight = sure(row.sights[dictionary.looks.findIndex((one) => look.test(one.id))]);
  return isReading(sight) ? middleOf(sight) : NaN;
};
const wire = sure(
  JOB.wires.find(({ from, to }) => /^m:/.test(from) !== /^m:/.test(to) && `${from}${to}`.includes('pt-1-b')),
);

test('a sound loop has 4 and 20 mA at the ends of its range, and the program 0 and 6 bar', () => {
  expect(hasDictionary(analysis)).toBe(true);
  expect(shows(undefined, /^milliamps .* away/)).toBeCloseTo(4, 1);
  expect(shows(undefined, /^milliamps .* present/)).toBeCloseTo(20, 1);
  expect(shows(undefined, /^value away/)).toBeCloseTo(0, 1);
  expect(shows(undefined, /^value present/)).toBeCloseTo(6, 1);
});

test('an open loop is no current and far below the range; a value that stands still is what it stands at', () => {
  expect(shows(`open ${wire.id}`, /^milliamps .* present/)).toBeCloseTo(0, 1);
  expect(shows(`open ${wire.id}`, /^value present/)).toBeLessThan(-0.5);
  expect(shows('value low', /^value present/)).toBeCloseTo(0, 1);
  expect(shows('value high', /^value away/)).toBeCloseTo(6, 1);
});

test('a switch of the card that stands elsewhere is among the suspects, with what the value then is', () => {
  const elsewhere = dictionary.rows.filter(({ fault }) => fault?.sort === 'setting');
  expect(elsewhere.length).toBeGreaterThan(0);
  expect(elsewhere.some(({ fault }) => Math.abs(shows(fault?.id, /^value present/) - 6) > 0.5)).toBe(true);
});

test('every fault of a value is first once everything was looked at, or nothing can show it', () => {
  const groups = groupsOf(dictionary);
  for (const group of groups) {
    // Another channel may show anything, also what something else would.
    if (group.some(({ fault }) => fault?.id === 'value other')) continue;
    const seen = nth(group, 0).sights.flatMap((sight, look) =>
      sight.kind === 'either' ? [] : [{ look, is: isReading(sight) ? middleOf(sight) : sight.kind === 'on' }],
    );
    const found = suspects(groups, seen);
    expect(nth(found, 0).rows.map(({ fault }) => fault?.id)).toEqual(group.map(({ fault }) => fault?.id));
    expect(unexplained(found, seen)).toEqual([]);
  }
});

test('whoever reads the settings beside their sheet finds what stands elsewhere, and only there', () => {
  const looks = dictionary.looks.flatMap((look, i) =>
    look.kind === 'asSet' ? [{ part: look.part, i }] : [],
  );
  expect(looks.map(({ part }) => part)).toContain('m');
  for (const { fault, sights } of dictionary.rows)
    for (const { part, i } of looks) {
      const isThere = fault?.place.in === 'part' && fault.place.id === part;
      const elsewhere = isThere && /^(setting|other) /.test(fault.id);
      expect(nth(sights, i).kind).toBe(elsewhere ? 'off' : 'on');
    }
});
