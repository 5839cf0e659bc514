import type { Signal } from '../signal.ts';
import type { Ladder } from './ladder.ts';

/** Courses over which a ladder is tried: slowly through all levels, with noise at them, and with a wire that breaks. */
export type Example = 'slow' | 'noisy' | 'broken';

/** A corner of a course: when, s, and the value there. */
type Corner = readonly [at: number, value: number];

const signalOf = (corners: readonly Corner[]): Signal => ({
  at: corners.map(([at]) => at),
  values: corners.map(([, value]) => value),
});

/**
 * A made-up course of a value that comes to every level within the range, rests beyond it longer than its delay, and comes
 * back; nothing of it was measured.
 */
export function exampleSignal(ladder: Ladder, example: Example): Signal {
  const corners = slowly(ladder);
  if (example === 'slow') return signalOf(corners);
  if (example === 'noisy') return signalOf(noisy(corners, 0.03 * (ladder.range.high - ladder.range.low)));
  const end = corners.at(-1)?.[0] ?? 0;
  return { ...signalOf(corners), faults: [{ from: 0.12 * end, to: 0.22 * end, is: 'break' }] };
}

function slowly({ levels, range, startUp }: Ladder): Corner[] {
  const span = range.high - range.low;
  const upper = levels.filter(({ direction }) => direction === 'above').map(({ limit }) => limit);
  const lower = levels.filter(({ direction }) => direction === 'below').map(({ limit }) => limit);
  const longest = Math.max(2, ...levels.map(({ delay }) => delay));
  const rest = restValue({ levels, range });
  const ramp = Math.max(10, 3 * longest);
  const stay = 1.6 * longest;
  const corners: Corner[] = [
    [0, rest],
    [startUp + 0.5 * ramp, rest],
  ];
  const go = (seconds: number, value: number): void => {
    corners.push([(corners.at(-1)?.[0] ?? 0) + seconds, value]);
  };
  for (const far of [
    ...(upper.length ? [Math.min(range.high, Math.max(...upper) + 0.06 * span)] : []),
    ...(lower.length ? [Math.max(range.low, Math.min(...lower) - 0.06 * span)] : []),
  ]) {
    go(ramp, far);
    go(stay, far);
    go(ramp, rest);
    go(stay, rest);
  }
  return corners;
}

/** A value at which nothing is called for, with some room to every level. */
export function restValue({ levels, range }: Pick<Ladder, 'levels' | 'range'>): number {
  const upper = levels.filter(({ direction }) => direction === 'above').map(({ limit }) => limit);
  const lower = levels.filter(({ direction }) => direction === 'below').map(({ limit }) => limit);
  const above = upper.length ? Math.min(...upper) : range.high;
  const below = lower.length ? Math.max(...lower) : range.low;
  return upper.length && !lower.length ? range.low + 0.4 * (above - range.low) : (above + below) / 2;
}

/** A course with a ripple over it, the same each time. */
function noisy(corners: readonly Corner[], size: number): Corner[] {
  const end = corners.at(-1)?.[0] ?? 0;
  const steps = 400;
  let k = 0;
  return Array.from({ length: steps + 1 }, (_, n): Corner => {
    const t = (n / steps) * end;
    while ((corners[k + 1]?.[0] ?? Infinity) < t) k++;
    const [from, first] = corners[k] ?? [0, 0];
    const [to, last] = corners[k + 1] ?? [from + 1, first];
    const value = first + ((last - first) * (t - from)) / (to - from || 1);
    return [t, value + size * (0.6 * Math.sin(2.1 * n) + 0.4 * Math.sin(5.7 * n + 1))];
  });
}
