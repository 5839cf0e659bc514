import { said } from '../../test/said.ts';
import { seeded } from '../lists/index.ts';
import { slowestReaction } from './reaction.ts';
import { fitBow } from './line.ts';
import { steadiness, studentT } from './steady.ts';
import { cycleOf, teach } from './teach.ts';

/** Scatter that repeats: ±1 in an order without a trend. */
const SCATTER = [1, -1, -1, 1, 1, -1, -1, 1, 1, -1, -1, 1];
const around = (mean: number, size: number, rise = 0): number[] =>
  SCATTER.map((s, n) => mean + size * s + rise * n);

/** Student's t, two-sided, 95 %: a published table. */
test.each([
  [4, 2.776],
  [5, 2.571],
  [9, 2.262],
  [19, 2.093],
  [29, 2.045],
  [119, 1.98],
])('with %d degrees of freedom the quantile is %d', (freedom, t) => {
  expect(Math.abs(studentT(freedom) / t - 1)).toBeLessThan(0.005);
});

describe('a row of readings', () => {
  test('that only scatters is steady, with its mean', () => {
    const row = steadiness(around(20, 0.1), 1, 1);
    expect(row).toMatchObject({ is: 'steady', allowed: 1 });
    expect(row.mean).toBeCloseTo(20, 9);
    expect(row.uncertainty).toBeGreaterThan(0.05);
  });

  test('that rises moves, and by how much is told', () => {
    const row = steadiness(around(20, 0.1, 0.5), 1, 1);
    expect(row.is).toBe('moves');
    expect(row.drift).toBeCloseTo(11 * 0.5, 1);
    expect(row.settles).toBeUndefined();
  });

  test('that settles is waited for until it goes no further than allowed', () => {
    const settling = (from: number) =>
      Array.from({ length: 30 }, (_, n) => 50 - 20 * Math.exp(-(from + n) / 12));
    const row = steadiness(settling(0), 1, 0.2);
    expect(row.is).toBe('moves');
    expect(row.settles?.timeConstant).toBeCloseTo(12, 0);
    // 20·e^(−t/12) from a time t to 30 s later is 0.2.
    const exact = 12 * Math.log((20 * Math.exp(-30 / 12) * (1 - Math.exp(-30 / 12))) / 0.2);
    expect(Math.abs((row.settles?.seconds ?? NaN) - exact)).toBeLessThan(1.5);
    expect(steadiness(settling(30 + exact + 3), 1, 0.2).is).toBe('steady');
  });

  test('of what swings slowly moves, whatever part of the swing it falls on', () => {
    const parts = Array.from({ length: 40 }, (_, part) =>
      steadiness(
        Array.from({ length: 10 }, (_, n) => 2 - 2 * Math.cos((2 * Math.PI * (n + part)) / 40)),
        1,
      ),
    );
    expect(parts.map(({ is }) => is)).toEqual(parts.map(() => 'moves'));
    const [bottom] = parts.filter(({ turns }) => turns !== undefined);
    expect(bottom?.settles).toBeUndefined();
  });

  test('that lies on a parabola bows by what it rises from its middle to its ends', () => {
    const { bow, bowError } = fitBow(Array.from({ length: 9 }, (_, n) => 3 * n + 0.25 * (n - 4) ** 2));
    expect(bow).toBeCloseTo(4, 9);
    expect(bowError).toBeCloseTo(0, 9);
  });

  test('that only scatters is seldom taken for one that moves', () => {
    const random = seeded(7);
    const rows = Array.from({ length: 400 }, () =>
      steadiness(
        Array.from({ length: 10 }, () => random() + random() + random() - 1.5),
        1,
      ),
    );
    expect(rows.filter(({ is }) => is === 'moves').length).toBeLessThan(0.03 * rows.length);
  });

  test('that scatters more than is allowed is not sure', () => {
    expect(steadiness(around(20, 2), 1, 0.5).is).toBe('unsure');
  });

  test('of which every value is the same is steady', () => {
    expect(steadiness([4, 4, 4, 4, 4, 4], 1)).toMatchObject({ is: 'steady', mean: 4, scatter: 0 });
  });

  test('of fewer than six is refused', () => {
    expect(() => steadiness([1, 2, 3], 1)).toThrow(/6 readings/);
  });
});

const at = (mean: number, scatter = 0.1) => ({ mean, scatter });
const LIMITS = { unit: 'mm', hysteresis: 1, resolution: 0.1, leastSpan: 5 };

describe('teaching', () => {
  test('two values switches in the middle, towards the second', () => {
    expect(teach('two', [at(10), at(30)], LIMITS)).toMatchObject({
      mode: { kind: 'points', set: 20.5, reset: 19.5 },
      distance: 20,
    });
    expect(teach('two', [at(30), at(10)], LIMITS).mode).toEqual({ kind: 'points', set: 19.5, reset: 20.5 });
  });

  test('one value with a margin, above or below it', () => {
    expect(teach('margin', [at(10)], LIMITS, 4).mode).toEqual({ kind: 'points', set: 14, reset: 13 });
    expect(teach('margin', [at(10)], LIMITS, -4).mode).toEqual({ kind: 'points', set: 6, reset: 7 });
  });

  test('a window, a range of flow, and zero', () => {
    expect(teach('window', [at(10)], LIMITS, 3).mode).toEqual({
      kind: 'window',
      low: 7,
      high: 13,
      hysteresis: 1,
    });
    const flow = teach('flow', [at(18), at(4)], LIMITS);
    expect([flow.range, flow.words.map(said)]).toEqual([
      { low: 4, high: 18 },
      ['switching.under-run low=4 unit=mm', 'switching.over-run high=18 unit=mm'],
    ]);
    expect(teach('zero', [at(0.3)], LIMITS)).toMatchObject({ zero: 0.3 });
  });

  test.each([
    ['noise', 'two', [at(10, 1), at(14, 0.1)], {}],
    ['resolution', 'two', [at(10), at(11)], { resolution: 1, leastSpan: 0, hysteresis: 0 }],
    ['hysteresis', 'two', [at(10), at(14)], { hysteresis: 3, leastSpan: 0 }],
    ['span', 'flow', [at(10), at(14)], {}],
  ] as const)('is refused for its %s where both are too near', (why, kind, taught, limits) => {
    const { refusal, because } = teach(kind, taught, { ...LIMITS, ...limits });
    expect(said(because)).toContain(`switching.asks-${why}`);
    expect(said(refusal ?? '')).toContain('switching.too-near');
  });

  test('over a cycle takes both ends, and the scatter that is left when the cycle is taken out', () => {
    const cycle = Array.from({ length: 400 }, (_, n) => 10 * Math.sin(n / 30) + (n % 2 ? 0.05 : -0.05));
    const [low, high] = cycleOf(cycle);
    expect([low.mean, high.mean].map(Math.round)).toEqual([-10, 10]);
    // ±0.05 in turn lies 0.1 off the middle of its neighbours: 0.1/√1.5.
    expect(low.scatter).toBeCloseTo(0.1 / Math.sqrt(1.5), 2);
  });
});

test('the slowest reaction counts two cycles of what is asked in turn, and names each part', () => {
  const none = { sensor: 0, damping: 0, link: 0, filter: 0, program: 0, delay: 0, relay: 0 };
  const { seconds, steps } = slowestReaction({ ...none, damping: 0.5, link: 0.005, program: 0.02 });
  expect(seconds).toBeCloseTo(0.55, 12);
  expect(steps.map(({ part }) => part)).toEqual(['damping', 'link', 'program']);
  expect(() => slowestReaction({ ...none, relay: -1 })).toThrow(/time is 0 s or more/);
});
