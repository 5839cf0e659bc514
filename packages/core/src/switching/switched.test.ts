import fc from 'fast-check';
import { nth } from '../lists/index.ts';
import type { Signal, SignalFault } from './signal.ts';
import { plainFunction } from './switchFunction.ts';
import type { SwitchFunction, SwitchMode } from './switchFunction.ts';
import { switchedBy } from './switched.ts';
import type { Course } from './timing.ts';

const corners = (...points: readonly (readonly [number, number])[]): Signal => ({
  at: points.map(([t]) => t),
  values: points.map(([, v]) => v),
});
const told = ({ first, turns }: Course): string =>
  [first ? 'on' : 'off', ...turns.map(({ at, on }) => `${on ? 'on' : 'off'} ${Number(at.toFixed(6))}`)].join(
    ', ',
  );
const over = { kind: 'points', set: 6, reset: 4 } as const;

describe('a switching function', () => {
  const triangle = corners([0, 0], [10, 10], [20, 0]);

  test.each<readonly [string, Partial<SwitchFunction>, string]>([
    ['two points', {}, 'off, on 6, off 16'],
    ['switching on falling', { mode: { kind: 'points', set: 4, reset: 6 } }, 'on, off 6, on 16'],
    [
      'a window with hysteresis',
      { mode: { kind: 'window', low: 3, high: 7, hysteresis: 1 } },
      'off, on 3, off 8, on 13, off 18',
    ],
    ['normally closed', { logic: 'nc' }, 'on, off 6, on 16'],
    ['delays', { onDelay: 2, offDelay: 3 }, 'off, on 8, off 19'],
    ['a delay that is longer than the call', { onDelay: 11 }, 'off'],
    ['a start that is passed over', { startUp: 9 }, 'off, on 9, off 16'],
    ['a pulse that is stretched', { leastPulse: 12 }, 'off, on 6, off 18'],
    ['a latch', { latches: true }, 'off, on 6'],
  ])('with %s', (_, own, expected) => {
    expect(told(switchedBy(triangle, { ...plainFunction(over), ...own }))).toBe(expected);
  });

  test('keeps its latch until it is reset while nothing calls for it', () => {
    const own = { ...plainFunction(over), latches: true };
    expect(told(switchedBy(triangle, own, [10, 18]))).toBe('off, on 6, off 18');
  });

  test('turns at once at a jump', () => {
    expect(told(switchedBy(corners([0, 0], [5, 0], [5, 9], [9, 9]), plainFunction(over)))).toBe('off, on 5');
  });

  test('behind a damping turns when 1 − e^(−t/τ) has come so far', () => {
    const step = corners([0, 0], [0, 10], [30, 10]);
    const { turns } = switchedBy(step, { ...plainFunction(over), damping: 2 });
    // 10·(1 − e^(−t/2)) = 6 at t = 2·ln 2.5.
    expect(nth(turns, 0).at).toBeCloseTo(2 * Math.log(2.5), 12);
    // A ramp is followed later by its time constant, once it has run for long.
    const ramp = switchedBy(corners([0, -100], [200, 100]), { ...plainFunction(over), damping: 2 });
    expect(nth(ramp.turns, 0).at).toBeCloseTo(108, 9);
  });

  test('behind a damping turns twice between two corners where the value goes there and back', () => {
    // From 10 the value jumps to 0 and rises by 2 a second: y = −2 + 2·t + 12·e^(−t), least at t = ln 6.
    const y = (t: number): number => -2 + 2 * t + 12 * Math.exp(-t);
    const { first, turns } = switchedBy(corners([0, 10], [0, 0], [10, 20]), {
      ...plainFunction(over),
      damping: 1,
    });
    expect([first, ...turns.map(({ on }) => on)]).toEqual([true, false, true]);
    expect(turns.map(({ at }) => at > Math.log(6))).toEqual([false, true]);
    expect(turns.map(({ at }) => y(at))).toEqual([expect.closeTo(4, 9), expect.closeTo(6, 9)]);
  });

  test.each<readonly ['on' | 'off' | 'hold', string]>([
    ['on', 'off, on 2, off 3, on 6, off 16'],
    ['off', 'off, on 6, off 8, on 9, off 16'],
    ['hold', 'off, on 6, off 16'],
  ])('that is %s without a signal', (does, expected) => {
    const gaps = does === 'off' ? { from: 8, to: 9 } : { from: 2, to: 3 };
    const signal: Signal = { ...triangle, faults: [{ ...gaps, is: 'break' }] };
    const own = plainFunction(over);
    expect(told(switchedBy(signal, { ...own, faults: { ...own.faults, break: does } }))).toBe(expected);
  });

  test.each<readonly [string, SwitchMode]>([
    ['switching.set-is-reset', { kind: 'points', set: 5, reset: 5 }],
    ['switching.window-turned', { kind: 'window', low: 5, high: 5, hysteresis: 0 }],
    ['switching.hysteresis-negative', { kind: 'window', low: 1, high: 5, hysteresis: -1 }],
  ])('is refused: %s', (code, mode) => {
    expect(() => switchedBy(triangle, plainFunction(mode))).toThrow(
      expect.objectContaining({ first: expect.objectContaining({ code }) as unknown }) as Error,
    );
  });
});

/** The values of a signal at moments that never go back. */
function reader(signal: Signal): (t: number) => number {
  let i = 0;
  return (t) => {
    while (i + 2 < signal.at.length && (signal.at[i + 1] ?? 0) <= t) i++;
    const [a, b] = [signal.at[i] ?? 0, signal.at[i + 1] ?? 0];
    const [x, y] = [signal.values[i] ?? 0, signal.values[i + 1] ?? 0];
    return x + ((y - x) * (t - a)) / (b - a);
  };
}

function isOn(mode: SwitchMode, v: number, was: boolean): boolean {
  if (mode.kind === 'window') {
    const room = was ? mode.hysteresis : 0;
    return v >= mode.low - room && v <= mode.high + room;
  }
  const [s, r, x] = mode.set > mode.reset ? [mode.set, mode.reset, v] : [-mode.set, -mode.reset, -v];
  return was ? x > r : x >= s;
}

/** Counters in place of moments: what is called for, after delays, the least pulse and the latch. */
function counters(
  own: SwitchFunction,
  step: number,
): (wanted: boolean, t: number, reset: boolean) => boolean {
  let begun = false;
  let [called, kept, since] = [false, false, -Infinity];
  let wait: number | undefined;
  return (wanted, t, reset) => {
    if (!begun) called = wanted;
    else if (wanted === called) wait = undefined;
    else {
      wait ??= t;
      if (t - wait >= (wanted ? own.onDelay : own.offDelay) - step / 2) [called, wait] = [wanted, undefined];
    }
    begun = true;
    if (called && !kept) since = t;
    const still = called || (kept && t - since < own.leastPulse - step / 2);
    kept = own.latches && kept ? still || !reset : still;
    return kept;
  };
}

/** The same in small steps, value by value. */
function stepped(signal: Signal, own: SwitchFunction, step: number, resets: readonly number[]): Course {
  const end = nth(Array.from(signal.at), signal.at.length - 1);
  const valueAt = reader(signal);
  const count = counters(own, step);
  const share = own.damping > 0 ? Math.exp(-step / own.damping) : 0;
  let y = signal.values[0] ?? 0;
  let [before, raw] = [y, false];
  const states: { at: number; on: boolean }[] = [];
  for (let t = 0; t <= end; t += step) {
    const u = valueAt(t);
    // The middle of the step stands for all of it.
    const middle = share > 0 ? (u + before) / 2 : u;
    y = t > 0 ? middle + (y - middle) * share : u;
    before = u;
    const fault = signal.faults?.find(({ from, to }) => t >= from && t < to)?.is;
    const does = fault && own.faults[fault];
    raw = does ? (does === 'hold' ? raw : does === 'on') : isOn(own.mode, y, raw);
    const on = count(
      raw && t >= own.startUp,
      t,
      resets.some((at) => t >= at && t < at + step),
    );
    states.push({ at: t, on: on !== (own.logic === 'nc') });
  }
  return {
    first: nth(states, 0).on,
    turns: states.filter(({ on }, n) => n > 0 && on !== nth(states, n - 1).on),
  };
}

const value = fc.double({ min: -10, max: 10, noNaN: true });
const mode = fc.oneof(
  fc
    .tuple(value, fc.double({ min: 0.3, max: 5, noNaN: true }), fc.boolean())
    .map(([set, h, up]): SwitchMode => ({ kind: 'points', set, reset: up ? set - h : set + h })),
  fc
    .tuple(value, fc.double({ min: 1, max: 8, noNaN: true }), fc.double({ min: 0.2, max: 2, noNaN: true }))
    .map(([low, wide, hysteresis]): SwitchMode => ({ kind: 'window', low, high: low + wide, hysteresis })),
);
const time = fc.oneof(fc.constant(0), fc.double({ min: 0.05, max: 2, noNaN: true }));
const functions = fc.record({
  mode,
  logic: fc.constantFrom<'no' | 'nc'>('no', 'nc'),
  damping: time,
  onDelay: time,
  offDelay: time,
  startUp: time,
  leastPulse: time,
  latches: fc.boolean(),
  faults: fc.record({
    break: fc.constantFrom('on', 'off', 'hold'),
    short: fc.constantFrom('on', 'off', 'hold'),
    invalid: fc.constantFrom('on', 'off', 'hold'),
  }),
}) as fc.Arbitrary<SwitchFunction>;
const signals = fc
  .tuple(
    fc.array(fc.tuple(fc.double({ min: 0.3, max: 3, noNaN: true }), value), { minLength: 2, maxLength: 7 }),
    value,
  )
  .chain(([steps, begin]) => {
    let t = 0;
    const points = steps.map(([dt, v]) => [(t += dt), v] as const);
    const signal = corners([0, begin], ...points);
    return fc
      .tuple(
        fc.boolean(),
        fc.double({ min: 0.05, max: 0.6, noNaN: true }),
        fc.constantFrom('break', 'short', 'invalid'),
      )
      .map(([is, share, kind]): Signal =>
        is
          ? { ...signal, faults: [{ from: share * t, to: (share + 0.2) * t, is: kind as SignalFault }] }
          : signal,
      );
  });

const STEP = 0.001;
const shiftedBy = (own: SwitchMode, by: number): SwitchMode =>
  own.kind === 'points'
    ? { ...own, set: own.set + by, reset: own.reset + by }
    : { ...own, low: own.low + by, high: own.high + by };
const alike = (a: Course, b: Course, within: number): boolean =>
  a.first === b.first &&
  a.turns.length === b.turns.length &&
  a.turns.every(({ at, on }, i) => on === b.turns[i]?.on && Math.abs(at - b.turns[i].at) <= within);

test('over random functions and signals it turns when a simulation in small steps does', () => {
  let compared = 0;
  fc.assert(
    fc.property(functions, signals, fc.double({ min: 0, max: 8, noNaN: true }), (own, signal, reset) => {
      const exact = switchedBy(signal, own, [reset]);
      // Where a hair more or less makes something else of it, small steps tell nothing.
      const near = [0.02, -0.02].flatMap((by) => [
        switchedBy(signal, { ...own, mode: shiftedBy(own.mode, by) }, [reset]),
        switchedBy(signal, { ...own, onDelay: Math.max(0, own.onDelay + by / 4) }, [reset]),
        switchedBy(signal, { ...own, offDelay: Math.max(0, own.offDelay + by / 4) }, [reset]),
        switchedBy(signal, own, [reset + by]),
        switchedBy(signal, { ...own, startUp: Math.max(0, own.startUp + by / 4) }, [reset]),
        switchedBy(signal, { ...own, leastPulse: Math.max(0, own.leastPulse + by / 4) }, [reset]),
      ]);
      const end = nth(Array.from(signal.at), signal.at.length - 1);
      if (near.some((one) => !alike(one, exact, 0.3)) || exact.turns.some(({ at }) => at > end - 0.02))
        return;
      compared++;
      const small = stepped(signal, own, STEP, [reset]);
      const off = 3 * STEP + (own.damping > 0 ? 2 * STEP : 0);
      expect([told(small), alike(exact, small, off)]).toEqual([told(small), true]);
    }),
    { numRuns: 2000, seed: 15 },
  );
  expect(compared).toBeGreaterThan(250);
});
