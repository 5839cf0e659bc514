import { sampledSignal } from './signal.ts';
import { plainFunction } from './switchFunction.ts';
import { switchedBy } from './switched.ts';
import type { Noise } from './noise.ts';
import { fitLine } from './line.ts';

const DAY = 86_400;

/** A row of readings without its mean and its trend: what is left is noise. */
function noiseRow(values: readonly number[]): number[] {
  const { at } = fitLine(values);
  return values.map((value, n) => value - at(n));
}

const points = (half: number) => plainFunction({ kind: 'points', set: half, reset: -half });

/** What a row that was read every so many seconds holds of noise: its deviation, and its ways up through its mean. */
export function noiseOf(values: readonly number[], period: number): Noise {
  const row = noiseRow(values);
  const sigma = Math.sqrt(row.reduce((sum, x) => sum + x ** 2, 0) / Math.max(1, row.length - 2));
  const ups = row.filter((x, n) => n > 0 && x > 0 && (row[n - 1] ?? 0) <= 0).length;
  return { sigma, zeroRate: ups / (period * (row.length - 1)) };
}

/** How often a day a row switches on, replayed with its value resting in the middle between both points. */
export function replayedPerDay(
  values: readonly number[],
  period: number,
  { hysteresis, damping = 0 }: { readonly hysteresis: number; readonly damping?: number },
): number {
  const signal = sampledSignal(noiseRow(values), period);
  const { turns } = switchedBy(signal, { ...points(hysteresis / 2), damping });
  return (DAY * turns.filter(({ on }) => on).length) / (period * (values.length - 1));
}
