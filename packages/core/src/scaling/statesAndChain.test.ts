import { nth } from '../lists/index.ts';
import { FAMILIES } from '../../test/families.ts';
import { after } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { allSet, entered, meterJob } from '../../test/settingJobs.ts';
import { aboutPoint, changedParts } from '../network/fingerprint.ts';
import type { JobContent } from '../model/collections.ts';
import type { Range } from '../model/job.ts';
import { Scaling } from '../model/scaling.ts';
import { analyse } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { judge } from '../verdict/judge.ts';
import { disagreementOf } from './agreesAt.ts';
import { LINKS, moveChain } from './chain.ts';
import { effectiveRange } from './effective.ts';
import { chainOf } from './pointChain.ts';
import type { PointChain } from './pointChainTypes.ts';

const ranged = (family: string, range: Range): JobContent => {
  const job = nth([FAMILIES[family]?.()], 0) as JobContent;
  return after(job, { kind: 'editPoint', id: 'px-1', patch: { range } });
};

/** What the input of each state sees. */
const seen = (job: JobContent): number[] =>
  analyse(new JobIndex(job), 'px-1').shown.map(({ measured }) => nth(measured, 0).value.nom);

/** What the chain says that the sensor gives at the low end, in the middle and at the top. */
function given(job: JobContent): number[] {
  const made = chainOf(analyse(new JobIndex(job), 'px-1'));
  if (!made || 'problem' in made) throw new Error('no chain');
  const { low, high } = made.range;
  return [low, (low + high) / 2, high].map((value) => made.chain.sensor.curve.at(value));
}

const celsius = (low: number, high: number): Range => ({ low, high, unit: '°C' });

describe('the states of a point and its chain know one sensor', () => {
  test.each<[string, Range, number[]]>([
    // IEC 60751:2008, table of Pt100.
    ['four-wire RTD', celsius(0, 200), [100, 138.51, 175.86]],
    ['four-wire RTD', celsius(-100, 400), [60.26, 157.33, 247.09]],
    ['four-wire RTD', { low: 32, high: 392, unit: '°F' }, [100, 138.51, 175.86]],
    // IEC 60584-1:2013, type K, less 0.798 mV of terminals at 20 °C.
    ['thermocouple', celsius(0, 400), [-0.798, 8.138 - 0.798, 16.397 - 0.798]],
    ['thermocouple', celsius(0, 100), [-0.798, 2.023 - 0.798, 4.096 - 0.798]],
  ])('%s over %j', (family, range, published) => {
    const job = ranged(family, range);
    expect(judge(analyse(new JobIndex(job), 'px-1')).reasons).toEqual([]);
    seen(job).forEach((value, i) => expect(Math.abs(value - nth(published, i))).toBeLessThan(0.006));
    given(job).forEach((value, i) => expect(Math.abs(value - nth(published, i))).toBeLessThan(0.006));
  });

  test('a table in force rules the states', () => {
    const points = [
      { in: 5, out: 0 },
      { in: 11, out: 20 },
      { in: 19, out: 40 },
    ];
    const table = { kind: 'workshop' as const, points, unitIn: 'mA', unitOut: 'm³/h', note: '' };
    const job = [
      { kind: 'calibrate' as const, calibrations: [{ id: 't', pointId: 'px-1', body: table }] },
      {
        kind: 'calibrate' as const,
        calibrations: [
          {
            id: 'f',
            pointId: 'px-1',
            body: { kind: 'inForce' as const, table: 'workshop' as const, note: '' },
          },
        ],
      },
      {
        kind: 'setScaling' as const,
        pointId: 'px-1',
        scaling: Scaling.parse({ sensor: { shape: 'table' } }),
      },
    ].reduce<JobContent>(
      (job, change) => after(job, change as never),
      ranged('two-wire transmitter', { low: 0, high: 40, unit: 'm³/h' }),
    );
    seen(job).forEach((mA, i) => expect(mA).toBeCloseTo([5, 11, 19][i] ?? NaN, 2));
    expect(given(job)).toEqual([5, 11, 19]);
    expect(judge(analyse(new JobIndex(job), 'px-1')).reasons).toEqual([]);
  });
});

describe('a transmitter that was found set otherwise', () => {
  const found = (values: Record<string, string>, shape: 'linear' | 'square' = 'linear'): JobContent =>
    after(entered(meterJob('shape' in values ? 'pressure-2w' : 'transmitter-2w', {}), 'found', values), {
      kind: 'setScaling',
      pointId: 'ft-1',
      scaling: Scaling.parse({ sensor: { shape } }),
    });
  const both = (job: JobContent): [states: number[], chain: number[]] => {
    const analysis = analyse(new JobIndex(job), 'ft-1');
    const made = chainOf(analysis);
    if (!made || 'problem' in made) throw new Error('no chain');
    const states = analysis.shown.map(({ measured }) => nth(measured, 0).value.nom);
    return [states, [0, 20, 40].map((value) => made.chain.sensor.curve.at(value))];
  };

  // Closed form: 4 mA and 16 mA times the share of its own range that 0, 20 and 40 m³/h are.
  test.each<[string, Record<string, string>, 'linear' | 'square', number[]]>([
    ['over twice the range', { low: '0', high: '80', unit: 'm³/h' }, 'linear', [4, 8, 12]],
    [
      'in another unit',
      { low: '0', high: '20', unit: 'l/s' },
      'linear',
      [4, 4 + (16 * 20) / 72, 4 + (16 * 40) / 72],
    ],
    ['from below zero', { low: '-40', high: '40', unit: 'm³/h' }, 'linear', [12, 16, 20]],
    ['turned', { low: '40', high: '0', unit: 'm³/h' }, 'linear', [20, 12, 4]],
    ['taking the root that it should leave', { shape: 'root' }, 'linear', [4, 4 + 16 * Math.SQRT1_2, 20]],
    ['taking the root of a square', { shape: 'root' }, 'square', [4, 12, 20]],
  ])('%s gives in its states what its chain says', (_, values, shape, mA) => {
    const [states, chain] = both(found(values, shape));
    states.forEach((value, i) => expect(value).toBeCloseTo(nth(mA, i), 2));
    chain.forEach((value, i) => expect(value).toBeCloseTo(nth(mA, i), 6));
  });

  test('stops beyond its range where its kind does (NAMUR NE 43), and opens what was proven before', () => {
    const job = found({ low: '0', high: '20', unit: 'm³/h' });
    expect(both(job)[0]).toEqual([expect.closeTo(4, 2), expect.closeTo(20, 2), expect.closeTo(20.5, 2)]);
    const about = (of: JobContent) => aboutPoint(analyse(new JobIndex(of), 'ft-1').context);
    expect(changedParts(about(found({})), about(job))).toEqual(['point:ft-1']);
    expect(changedParts(about(found({})), about(found({ low: '0', high: '40', unit: 'm³/h' })))).toEqual([]);
  });
});

const analog = Object.keys(FAMILIES).filter((name) => {
  const made = chainOf(analyse(new JobIndex(ranged(name, { low: 0, high: 50, unit: '' })), 'px-1'));
  return made && !('problem' in made);
});

test('there are chains of many kinds to go through', () => expect(analog.length).toBeGreaterThan(8));

test.each(analog)('%s: whatever the chain gives forwards, it takes backwards, at both ends too', (name) => {
  const made = chainOf(analyse(new JobIndex(ranged(name, { low: 0, high: 50, unit: '' })), 'px-1'));
  if (!made || 'problem' in made) throw new Error('no chain');
  const { low, high } = made.chain.sensor;
  for (const share of [0, 0.001, 0.5, 0.999, 1]) {
    const value = low + share * (high - low);
    const forwards = moveChain(made.chain, 'value', value);
    for (const key of LINKS) {
      const back = moveChain(made.chain, key, forwards.rows[key].value).rows.value.value;
      expect([key, Math.abs(back - value) / (high - low) < 0.005]).toEqual([key, true]);
    }
  }
});

test('a range that a device gave as no number says nothing of how it stands', () => {
  const job = after(meterJob(), {
    kind: 'enter',
    entries: [{ id: 'r', itemId: 'ft-1-b', side: 'found', how: 'read', values: { high: 'NaN' } }],
  });
  expect(nth(job.entries, 0).values.high).toBe('raw NaN');
  const range = effectiveRange(new JobIndex(job), 'ft-1-b', 'm³/h');
  expect(range).toMatchObject({ high: 40, assumed: true });
});

describe('a screen', () => {
  const onScreen = (display: object, multiplier = 1) => {
    const job = after(allSet(allSet(meterJob('transmitter-2w', {})), 'm'), {
      kind: 'setScaling',
      pointId: 'ft-1',
      scaling: Scaling.parse({
        display: { label: 'Screen', decimals: 1, ...display },
        sensor: { multiplier },
        controller: { multiplier },
      }),
    });
    const analysis = analyse(new JobIndex(job), 'ft-1');
    return disagreementOf(analysis, chainOf(analysis) as PointChain);
  };

  test.each<[string, object, number]>([
    ['in the sensor’s unit, with its numbers', { unit: 'm³/h', low: 0, high: 40 }, 1],
    ['in another unit of the same kind, with the right numbers', { unit: 'l/s', low: 0, high: 40 / 3.6 }, 1],
    ['in a unit of its own', { unit: '%', low: 0, high: 100 }, 1],
    ['with what both multiply by', { unit: 'm³/h', low: 0, high: 240 }, 6],
  ])('%s agrees', (_, display, multiplier) => {
    expect(onScreen(display, multiplier)).toBeUndefined();
  });

  test.each<[string, object]>([
    ['in the sensor’s unit', { unit: 'm³/h', low: 0, high: 100 }],
    ['in another unit of the same kind', { unit: 'l/s', low: 0, high: 40 }],
  ])('%s that shows another number is flagged', (_, display) => {
    const off = onScreen(display);
    expect(said(off?.sentence)).toMatch(/^scaling\.shows-where label=Screen/);
  });
});
