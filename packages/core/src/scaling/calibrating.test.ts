import { sure } from '../lists/index.ts';
import { refusalOf, said } from '../../test/said.ts';
import fc from 'fast-check';
import { after, bareJob, withModule, withPoint } from '../../test/jobs.ts';
import { besideEachOther, tablesOf } from '../sensing/calibrationTable.ts';
import { tableOf } from '../sensing/curve.ts';
import {
  checkCoil,
  checkCutOff,
  checkPulses,
  noiseOf,
  rollOver,
  totalised,
  velocityIn,
  velocityText,
} from './flow.ts';
import { injectionPoints, judgeCalibration, MIN_RATIO } from './transmitterCalibration.ts';
import { reconcile } from './twoDisplays.ts';
import { ohmsOf, thermometerElement } from '../sensing/rtd.ts';

describe('two displays', () => {
  test('a screen that shows 5 % too much: its top goes from 12 to 11.43', () => {
    // Worked by hand: s = 1.05 f, so 12 / 1.05 = 11.4286; bottom stays at 0.
    const { becomes, remains, factor } = reconcile(
      [
        { first: 2, second: 2.1 },
        { first: 10, second: 10.5 },
      ],
      { low: 0, high: 12 },
      0.01,
    );
    expect(factor).toBeCloseTo(1.05, 12);
    expect(becomes).toEqual({ low: 0, high: 11.43 });
    // 10.5 of 12 is 0.875; 0.875 · 11.43 = 10.00125.
    expect(remains).toBeCloseTo(0.00125, 9);
  });

  test('offset and factor: from 0…12 to −0.48…11.05 for the pairs 2, 2.58 and 8, 8.82', () => {
    // Slope 6.24/6 = 1.04, offset 2.58 − 2.08 = 0.5: (0 − 0.5)/1.04 = −0.4808, (12 − 0.5)/1.04 = 11.0577.
    const { becomes, offset, atEnds } = reconcile(
      [
        { first: 2, second: 2.58 },
        { first: 8, second: 8.82 },
      ],
      { low: 0, high: 12 },
      0.01,
    );
    expect(offset).toBeCloseTo(0.5, 9);
    expect(becomes).toEqual({ low: -0.48, high: 11.06 });
    expect(atEnds.low).toBeCloseTo(0.0008, 4);
  });

  test('a single pair keeps the bottom', () => {
    const { becomes, fixedZero, remains } = reconcile([{ first: 5, second: 4 }], { low: 0, high: 12 }, 0.1);
    expect(fixedZero).toBe(true);
    expect(becomes).toEqual({ low: 0, high: 15 });
    expect(remains).toBeCloseTo(0, 12);
    const lifted = reconcile([{ first: 6, second: 10 }], { low: 2, high: 12 }, 0.1);
    expect(lifted.becomes).toEqual({ low: 2, high: 7 });
  });

  test('whatever the line was, the changed display agrees with the first one', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        number(0.3, 3),
        number(-5, 5),
        fc.uniqueArray(fc.integer({ min: 0, max: 100 }), { minLength: 2, maxLength: 12 }),
        (factor, offset, firsts) => {
          const pairs = firsts.map((first) => ({ first, second: offset + factor * first }));
          const { remains } = reconcile(pairs, { low: 0, high: 120 }, 1e-9);
          expect(remains).toBeLessThan(1e-6);
        },
      ),
    );
  });

  test('least squares: no other line leaves less', () => {
    const pairs = [
      { first: 1, second: 1.2 },
      { first: 4, second: 4.1 },
      { first: 9, second: 9.6 },
    ];
    const { factor, offset } = reconcile(pairs, { low: 0, high: 10 }, 1e-6);
    const sum = (a: number, b: number): number =>
      pairs.reduce((s, p) => s + (p.second - a - b * p.first) ** 2, 0);
    const best = sum(offset, factor);
    for (const d of [-0.01, 0.01]) {
      expect(sum(offset + d, factor)).toBeGreaterThan(best);
      expect(sum(offset, factor + d)).toBeGreaterThan(best);
    }
  });

  test.each([
    [[], { low: 0, high: 1 }, 0.1, 'scaling.enter-what-both-displays'],
    [
      [
        { first: 1, second: 2 },
        { first: 1, second: 3 },
      ],
      { low: 0, high: 1 },
      0.1,
      'scaling.all-pairs-show-same',
    ],
    [
      [
        { first: 1, second: 5 },
        { first: 5, second: 1 },
      ],
      { low: 0, high: 1 },
      0.1,
      'scaling.when-first-display-rises',
    ],
    [[{ first: 0, second: 0.2 }], { low: 0, high: 1 }, 0.1, 'scaling.single-pair-bottom-span low=0'],
    [[{ first: 1, second: 2 }], { low: 3, high: 3 }, 0.1, 'scaling.span-zero-changed-two'],
    [[{ first: 1, second: 2 }], { low: 0, high: 3 }, 0, 'scaling.step-what-set-above'],
    [[{ first: Number.NaN, second: 2 }], { low: 0, high: 3 }, 1, 'scaling.each-pair-needs-two'],
  ])('%j in %j by %d is refused', (pairs, span, step, says) => {
    expect(refusalOf(() => reconcile(pairs, span, step))).toMatch(says);
  });
});

describe('a transmitter', () => {
  const injects = { low: 0, high: 6, unit: 'bar' };
  const gives = { low: 4, high: 20, unit: 'mA' };
  const reference = { name: 'Gauge', percent: 0.02, fixed: 0.001 };
  const given = { injects, gives, limitPercent: 0.5, reference };

  test('what to inject, and what must come', () => {
    const points = injectionPoints(injects, gives, 0.5, [0, 50, 100]);
    expect(points.map(({ inject, wanted }) => [inject, wanted])).toEqual([
      [0, 4],
      [3, 12],
      [6, 20],
    ]);
    expect(points[1]).toMatchObject({ min: 11.92, max: 12.08 });
  });

  test('for a resistance thermometer the ohms of the temperature', () => {
    const pt = thermometerElement('Pt100');
    const curve = { at: (t: number) => ohmsOf(pt, t), inverse: () => 0 };
    const points = injectionPoints({ low: 100, high: 138.51, unit: 'Ω' }, gives, 0.5, [0, 50, 100], {
      curve,
      low: 0,
      high: 100,
    });
    // IEC 60751: 100.00, 119.40, 138.51 Ω; the middle is not the mean of the ends.
    expect(points.map(({ inject }) => Number(inject.toFixed(2)))).toEqual([100, 119.4, 138.51]);
  });

  test('as found: zero 0.08 mA high and span 0.04 mA short, worked by hand', () => {
    const outcome = judgeCalibration(given, [
      { share: 0, injected: 0, read: 4.08 },
      { share: 50, injected: 3, read: 12.07 },
      { share: 100, injected: 6, read: 20.04 },
    ]);
    // 0.08 of 16 mA is 0.5 %; 0.07 is 0.4375 %; 0.04 is 0.25 %.
    expect(outcome.readings.map(({ errorPercent }) => Number(errorPercent.toFixed(4)))).toEqual([
      0.5, 0.4375, 0.25,
    ]);
    expect(outcome.pass).toBe(true);
    expect(sure(outcome.correction).zero).toBeCloseTo(-0.08, 9);
    expect(sure(outcome.correction).span).toBeCloseTo(0.04, 9);
    // The line through the ends gives 12.06 in the middle: 0.01 mA stay there, 0.0626 % of span.
    expect(outcome.middlePercent).toBeCloseTo(0.0627, 3);
    expect(outcome.bentPercent).toBeCloseTo(0.0625, 3);
    // 0.5 % of 6 bar are 30 mbar; the gauge is good for 0.02 % of 6 bar and 1 mbar, 2.2 mbar: 13.6 to one.
    expect(outcome.ratio).toBeCloseTo(13.636, 3);
    expect(outcome.ratio).toBeGreaterThan(MIN_RATIO);
  });

  test('fails beyond its limit, and with the fault signal going the wrong way', () => {
    const bad = judgeCalibration(given, [
      { share: 0, injected: 0, read: 4.09 },
      { share: 100, injected: 6, read: 20 },
    ]);
    expect(bad.pass).toBe(false);
    const ends = [
      { share: 0, injected: 0, read: 4 },
      { share: 100, injected: 6, read: 20 },
    ];
    const wrong = judgeCalibration({ ...given, burnout: { wanted: 'low', read: 21.6 } }, ends);
    expect(wrong).toMatchObject({ pass: false, burnout: { pass: false } });
    expect(said(sure(wrong.burnout).sentence)).toContain(
      'scaling.sensor-opened-ma-wanted words=(scaling.goes goes=high) read=21.6 wanted=low limit=(scaling.ma-less low=3.6)',
    );
    expect(judgeCalibration({ ...given, burnout: { wanted: 'low', read: 3.5 } }, ends).pass).toBe(true);
    expect(
      said(
        sure(judgeCalibration({ ...given, burnout: { wanted: 'high', read: 12 } }, ends).burnout).sentence,
      ),
    ).toContain(
      'scaling.sensor-opened-ma-wanted words=(scaling.stays-where-looks-like) read=12 wanted=high limit=(scaling.ma-more high=21)',
    );
  });

  test('a straight error is told apart from a bent one', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        fc.double({ min: 0.9, max: 1.1, noNaN: true }),
        (zero, gain) => {
          const readings = [0, 25, 50, 75, 100].map((share) => {
            const wanted = 4 + 0.16 * share;
            return { share, injected: (share / 100) * 6, read: 4 + zero + gain * (wanted - 4) };
          });
          const { bentPercent, correction } = judgeCalibration(given, readings);
          expect(bentPercent).toBeLessThan(1e-9);
          expect(sure(correction).zero).toBeCloseTo(-zero, 9);
          expect(sure(correction).span).toBeCloseTo(16 - gain * 16, 9);
        },
      ),
    );
  });

  test('a coarse reference is told, a range of zero refused', () => {
    const coarse = { name: 'Old gauge', percent: 1, fixed: 0 };
    expect(
      judgeCalibration({ ...given, reference: coarse }, [{ share: 100, injected: 6, read: 20 }]).ratio,
    ).toBeCloseTo(0.5, 9);
    expect(refusalOf(() => injectionPoints({ ...injects, high: 0 }, gives, 0.5, [0]))).toMatch(
      'scaling.range-zero-calibrated-two',
    );
    expect(
      refusalOf(() =>
        judgeCalibration({ ...given, gives: { ...gives, high: 4 } }, [{ share: 0, injected: 0, read: 4 }]),
      ),
    ).toMatch('scaling.range-zero-calibrated-two');
    expect(refusalOf(() => judgeCalibration(given, []))).toMatch('scaling.enter-least-reading');
  });
});

describe('flow', () => {
  test('velocity: 36 m³/h in 80 mm are 1.99 m/s', () => {
    // 0.01 m³/s over π/4 · 0.08² = 0.0050265 m².
    expect(velocityIn(36, 80)).toBeCloseTo(1.98944, 4);
    expect(said(velocityText(1.99))).toContain('scaling.good-0-5-3');
    expect([0.1, 0.4, 5, 12].map(velocityText).map(said)).toEqual([
      'scaling.very-slow-little-signal',
      'scaling.slow-low-end-what',
      'scaling.fast-more-pressure-lost',
      'scaling.above-10-m-s',
    ]);
    expect(refusalOf(() => velocityIn(1, 0))).toMatch('scaling.pipe-inner-diameter-above');
  });

  test('pulses: 36 m³/h of 0.02 l are 500 a second; 1 ms is the widest', () => {
    const counter = { maxHertz: 1000, minPulse: 0.5 };
    expect(checkPulses(36, 0.02, 1, counter)).toMatchObject({
      hertz: 500,
      duty: 0.5,
      widest: 1,
      fits: true,
      counted: true,
    });
    const wide = checkPulses(36, 0.02, 2, counter);
    expect(wide).toMatchObject({ fits: false, counted: false });
    expect(wide.sentences.map(said).join(' ')).toContain('scaling.pulses-run-into-each');
    expect(checkPulses(36, 0.005, 0.2, counter).sentences.map(said).join(' ')).toMatch(
      'scaling.pulses-second-full-flow',
    );
    expect(refusalOf(() => checkPulses(36, 0, 1, counter))).toMatch(
      'scaling.above-0 what=(scaling.volume-pulse)',
    );
  });

  test('a totaliser of 6 digits in litres at 40 m³/h is full after 25 hours', () => {
    expect(rollOver(6, 1, 40)).toEqual({ litres: 1e6, hours: 25 });
    expect(totalised(999_990, 15, 6)).toBe(25);
    expect(totalised(15, 999, 6)).toBe(984);
    expect(refusalOf(() => rollOver(0, 1, 1))).toMatch('scaling.totaliser-1-15-digits');
    expect(refusalOf(() => totalised(1_000_000, 0, 6))).toMatch('scaling.reading-most-digits digits=6');
  });

  test('a cut-off of 0.5 % of 40 m³/h hides what is below 0.2', () => {
    expect(checkCutOff(0.5, 40, 0.4)).toMatchObject({ flow: 0.2, hides: false, maxPercent: 0.8 });
    expect(checkCutOff(50, 40, 0.4)).toMatchObject({ flow: 20, hides: true });
    expect(refusalOf(() => checkCutOff(101, 40))).toMatch('scaling.cut-off-0-100');
  });

  test('the noise at rest says the least cut-off', () => {
    // Mean 0.02, deviation (n − 1) of ±0.01 about it: √(4 · 0.0001 / 3) = 0.011547.
    const rest = [0.01, 0.03, 0.01, 0.03];
    expect(noiseOf(rest)).toBeCloseTo(0.02 + 3 * 0.011547, 5);
    expect(checkCutOff(0.5, 40, 0.4, rest).minPercent).toBeCloseTo((100 * 0.054641) / 40, 4);
    expect(checkCutOff(0.5, 40, 0.04, rest).clash).toBe(true);
  });

  test('a coil of 64 Ω ± 5 Ω reads 64.8 to 75.8 Ω at 45 °C, by hand', () => {
    // 1 + 0.00393 · 25 = 1.09825.
    expect(checkCoil(64, 5, 45)).toEqual({ min: 59 * 1.09825, max: 69 * 1.09825 });
    expect(checkCoil(64, 5, 45, 70).at20).toBeCloseTo(63.738, 3);
    expect(checkCoil(64, 5, 45, 70).verdict).toBe('sound');
    // Cold it would have been told sound without its temperature.
    expect(checkCoil(64, 5, 45, 62).verdict).toBe('low');
    expect(checkCoil(64, 5, 20, 5000).verdict).toBe('high');
  });

  test.each<[() => unknown, string]>([
    [() => checkCoil(0, 5, 20), 'nominal: scaling.resistance-above-0'],
    [() => checkCoil(64, 64, 20), 'tolerance: scaling.coil-tolerance nominal=64'],
    [() => checkCoil(64, 5, -235), 'celsius: scaling.coil-temperature min=-50 max=250'],
    [() => checkCoil(64, 5, 20, -1), 'ohms: scaling.resistance-0-more'],
  ])('%s is refused', (act, problem) => expect(refusalOf(act)).toBe(problem));
});

describe('tables from workshop and field', () => {
  const job = withPoint(withModule(bareJob(), 'm', 'ai2-switch', ['-', '-']), {
    tag: 'WT-1',
    typeId: 'rope-link-2w',
    output: 'none',
    logic: 'none',
    range: { low: 0, high: 500, unit: 'kg' },
  });
  const field = (id: string, signal: number, value: number) => ({
    id,
    pointId: 'wt-1',
    body: { kind: 'field' as const, unitIn: 'mA', unitOut: 'kg', in: signal, out: value, note: 'hook block' },
  });
  const workshop = {
    id: 'w1',
    pointId: 'wt-1',
    body: {
      kind: 'workshop' as const,
      unitIn: 'mA',
      unitOut: 'kg',
      points: [
        { in: 4, out: 0 },
        { in: 20, out: 500 },
      ],
      note: '',
    },
  };

  test('none, then the workshop’s, then the field’s; the last one of a signal counts, what was taken back does not', () => {
    expect(tablesOf(job, 'wt-1')).toMatchObject({ inForce: 'none', points: [], field: [] });
    const done = after(job, {
      kind: 'calibrate',
      calibrations: [
        workshop,
        field('f1', 4.1, 0),
        field('f2', 12, 260),
        field('f3', 12, 251),
        field('f4', 16, 9999),
        { id: 'v', pointId: 'wt-1', body: { kind: 'void', of: 'f4', reason: 'typed wrong' } },
        { id: 'i', pointId: 'wt-1', body: { kind: 'inForce', table: 'field', note: '' } },
      ],
    });
    const tables = tablesOf(done, 'wt-1');
    expect(tables.points).toEqual([
      { in: 4.1, out: 0 },
      { in: 12, out: 251 },
    ]);
    expect(tables.since).toEqual({ by: 'TT', at: '2026-01-02T03:04:05.000Z' });
    expect(sure(tables.workshop).points).toHaveLength(2);
    const rows = besideEachOther(sure(tables.workshop).points, tables.points, (points, x) =>
      tableOf(points).at(x),
    );
    expect(rows.map((row) => row.in)).toEqual([4, 4.1, 12, 20]);
    expect(rows[2]).toMatchObject({ workshop: 250, field: 251, difference: 1 });
  });

  test('what is not sound is refused whole, and calibrations keep their point', () => {
    const twice = {
      ...workshop,
      body: {
        ...workshop.body,
        points: [
          { in: 4, out: 0 },
          { in: 4, out: 1 },
        ],
      },
    };
    expect(refusalOf(() => after(job, { kind: 'calibrate', calibrations: [twice] }))).toMatch(
      'job.stands-table-twice-each inValue=4 unitIn=mA',
    );
    expect(
      refusalOf(() =>
        after(job, {
          kind: 'calibrate',
          calibrations: [{ id: 'v', pointId: 'wt-1', body: { kind: 'void', of: 'x', reason: 'y' } }],
        }),
      ),
    ).toMatch('job.point-holds-calibration of=x');
    expect(
      refusalOf(() => after(job, { kind: 'calibrate', calibrations: [{ ...workshop, pointId: 'nowhere' }] })),
    ).toMatch('job.job-holds-point pointId=nowhere');
    const kept = after(job, { kind: 'calibrate', calibrations: [workshop] });
    expect(refusalOf(() => after(kept, { kind: 'removePoint', id: 'wt-1' }))).toMatch(
      'job.holds-stored-which-never point=WT-1 kept=1',
    );
  });

  // 64 points are taken, 65 not.
  test('64 points fit into a table', () => {
    const of = (n: number) => ({
      ...workshop,
      body: { ...workshop.body, points: Array.from({ length: n }, (_, i) => ({ in: i, out: i })) },
    });
    expect(
      sure(tablesOf(after(job, { kind: 'calibrate', calibrations: [of(64)] }), 'wt-1').workshop).points,
    ).toHaveLength(64);
  });
});
