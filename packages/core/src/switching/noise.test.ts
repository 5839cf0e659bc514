import { seeded } from '../lists/index.ts';
import {
  bandwidthOf,
  dampedNoise,
  dampingFor,
  delayFor,
  falsePerDay,
  flatNoise,
  hysteresisFor,
} from './noise.ts';
import { noiseOf, replayedPerDay } from './noiseRecord.ts';
import { sampledSignal } from './signal.ts';
import { plainFunction } from './switchFunction.ts';
import { switchedBy } from './switched.ts';

const DAY = 86_400;
const DIGITS = 16;

/** Flat noise up to 1 Hz with a deviation of 1: many cosines, turned on by a product each. */
function flatRow(seconds: number, seed: number, weight = (_: number) => 1): number[] {
  const draw = seeded(seed);
  const n = seconds * DIGITS;
  const row = new Float64Array(n);
  const MANY = 192;
  for (let k = 0; k < MANY; k++) {
    const f = (k + draw()) / MANY;
    const phase = 2 * Math.PI * draw();
    const turn = (2 * Math.PI * f) / DIGITS;
    const [cr, sr] = [Math.cos(turn), Math.sin(turn)];
    const size = Math.sqrt(2 / MANY) * weight(f);
    let [c, s] = [Math.cos(phase), Math.sin(phase)];
    for (let i = 0; i < n; i++) {
      row[i] = (row[i] ?? 0) + size * c;
      [c, s] = [c * cr - s * sr, s * cr + c * sr];
    }
  }
  return Array.from(row);
}

const LONG = 40_000;
const row = flatRow(LONG, 7);
const noise = flatNoise(1, 1);
const within = (a: number, b: number): number => Math.abs(a / b - 1);

describe('false switchings of flat noise', () => {
  test.each([1, 2, 3, 4, 4.6])(
    'with a hysteresis of %d deviations are as many as are counted, within 10 %%',
    (h) => {
      const counted = replayedPerDay(row, 1 / DIGITS, { hysteresis: h });
      expect(counted).toBeGreaterThan(0);
      expect(within(falsePerDay(noise, h), counted)).toBeLessThan(0.1);
      // A row tells its own noise: its deviation and how often it goes through its mean.
      expect(within(falsePerDay(noiseOf(row, 1 / DIGITS), h), counted)).toBeLessThan(0.1);
    },
  );

  test('behind a damping are as many as are counted, within 10 %, and below 4 deviations rather more', () => {
    const tau = 0.4;
    const damped = dampedNoise(noise, tau);
    for (const times of [2, 3, 4, 5]) {
      const hysteresis = times * damped.sigma;
      const counted = replayedPerDay(row, 1 / DIGITS, { hysteresis, damping: tau });
      const ratio = falsePerDay(damped, hysteresis) / counted;
      expect(ratio).toBeGreaterThan(times < 4 ? 1 : 0.9);
      expect(ratio).toBeLessThan(times < 4 ? 1.2 : 1.1);
    }
  });

  test('of a bare threshold with delays are as many as are counted, within 15 %', () => {
    for (const delay of [2, 3]) {
      const { turns } = switchedBy(sampledSignal(row, 1 / DIGITS), {
        ...plainFunction({ kind: 'points', set: 1e-9, reset: -1e-9 }),
        onDelay: delay,
        offDelay: delay,
      });
      const counted = (DAY * turns.filter(({ on }) => on).length) / LONG;
      expect(within(delayFor(noise, counted), delay)).toBeLessThan(0.15 / 1.68 / delay + 0.02);
    }
  });
});

describe('damped noise', () => {
  test.each([1e-5, 0.001, 0.02, 0.4, 3])('with %d s has the moments of its spectrum, summed', (tau) => {
    const STEPS = 200_000;
    let [power, moved] = [0, 0];
    for (let i = 0; i < STEPS; i++) {
      const f = (i + 0.5) / STEPS;
      const share = 1 / (1 + (2 * Math.PI * f * tau) ** 2);
      power += share / STEPS;
      moved += (f ** 2 * share) / STEPS;
    }
    const { sigma, zeroRate } = dampedNoise(noise, tau);
    expect(sigma).toBeCloseTo(Math.sqrt(power), 6);
    expect(zeroRate).toBeCloseTo(Math.sqrt(moved / power), 6);
  });
});

describe('what is asked for', () => {
  test('is the least that does', () => {
    const some = flatNoise(0.2, 5);
    const hysteresis = hysteresisFor(some, 0.5);
    expect(falsePerDay(some, hysteresis)).toBeCloseTo(0.5, 6);
    const damping = dampingFor(some, 0.4, 0.5) ?? NaN;
    expect(falsePerDay(dampedNoise(some, damping), 0.4)).toBeCloseTo(0.5, 4);
    expect(dampingFor(some, hysteresis * 1.01, 0.5)).toBe(0);
    expect(dampingFor(some, 0, 0.5)).toBeUndefined();
    expect(delayFor(some, 1e9)).toBe(0);
    expect(bandwidthOf(some)).toBeCloseTo(5, 12);
  });

  test.each([
    ['sigma', () => flatNoise(0, 1)],
    ['hertz', () => flatNoise(1, 0)],
    ['perDay', () => hysteresisFor(noise, 0)],
  ] as const)('is refused at %s where it cannot be', (path, act) => {
    expect(act).toThrow(expect.objectContaining({ problems: [expect.objectContaining({ path })] }) as Error);
  });
});
