import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import { LEAST_READINGS } from './steady.ts';
import type { SwitchMode } from './switchFunction.ts';

/** Ways to teach: one value with a margin, two values, a window around one, a range of flow, over a cycle, present as zero. */
export type TeachKind = 'margin' | 'two' | 'window' | 'flow' | 'cycle' | 'zero';

/** What one value was taught from: its mean and the scatter of its readings. */
interface Taught {
  readonly mean: number;
  readonly scatter: number;
}

/** What may be too near: the device's own step, its hysteresis, and the least span that it takes. */
export interface TeachLimits {
  readonly unit: string;
  readonly resolution?: number;
  readonly hysteresis?: number;
  readonly leastSpan?: number;
}

export interface TeachOutcome {
  /** How it switches afterwards; of a range or a zero nothing. */
  readonly mode?: SwitchMode;
  /** Ends of a range that was taught, or the zero. */
  readonly range?: { readonly low: number; readonly high: number };
  readonly zero?: number;
  /** How far apart is what has to be told apart, and how far it has to be at least, with what asks for that. */
  readonly distance: number;
  readonly least: number;
  readonly because: Message;
  /** Nothing where it is far enough. */
  readonly refusal?: Message;
  readonly words: readonly Message[];
}

/** Between two values lie six standard deviations of either side at least: three for each. */
const DEVIATIONS = 6;

/**
 * What teaching makes of what was read. A distance that is too small is refused with what asks for more.
 * @throws JobProblem where a value is missing or a margin is not above zero.
 */
export function teach(
  kind: TeachKind,
  taught: readonly Taught[],
  { unit, resolution = 0, hysteresis = 0, leastSpan = 0 }: TeachLimits,
  margin = 0,
): TeachOutcome {
  const [one, two] = taught;
  if (!one) return refuse(say('switching.nothing-taught'), 'readings');
  const needsTwo = kind === 'two' || kind === 'flow' || kind === 'cycle';
  if (needsTwo && !two) return refuse(say('switching.second-value'), 'second');
  if ((kind === 'margin' || kind === 'window') && margin === 0)
    return refuse(say('switching.margin-not-zero'), 'margin');
  const scatter = Math.max(one.scatter, two?.scatter ?? 0);
  const asks: readonly (readonly [number, Message])[] = [
    [DEVIATIONS * scatter, say('switching.asks-noise', { scatter, unit })],
    [2 * resolution, say('switching.asks-resolution', { resolution, unit })],
    [2 * hysteresis, say('switching.asks-hysteresis', { hysteresis, unit })],
    ...(kind === 'flow' || kind === 'two'
      ? [[leastSpan, say('switching.asks-span', { leastSpan, unit })] as const]
      : []),
  ];
  const [least, because] = asks.reduce((a, b) => (b[0] > a[0] ? b : a));
  const base = { ...outcome(kind, one, two, { unit, hysteresis, margin }), least, because };
  const isNear = kind !== 'zero' && base.distance < least;
  return {
    ...base,
    ...(isNear && { refusal: say('switching.too-near', { distance: base.distance, least, because, unit }) }),
  };
}

function outcome(
  kind: TeachKind,
  { mean }: Taught,
  two: Taught | undefined,
  { unit, hysteresis, margin }: { unit: string; hysteresis: number; margin: number },
): Pick<TeachOutcome, 'mode' | 'range' | 'zero' | 'distance' | 'words'> {
  const other = two?.mean ?? mean;
  const [low, high] = [Math.min(mean, other), Math.max(mean, other)];
  switch (kind) {
    case 'zero':
      return { zero: mean, distance: 0, words: [say('switching.zero-words', { zero: mean, unit })] };
    case 'flow':
      return {
        range: { low, high },
        distance: high - low,
        words: [say('switching.under-run', { low, unit }), say('switching.over-run', { high, unit })],
      };
    case 'window':
      return {
        mode: { kind: 'window', low: mean - Math.abs(margin), high: mean + Math.abs(margin), hysteresis },
        distance: 2 * Math.abs(margin),
        words: [],
      };
    case 'margin':
      return {
        mode: { kind: 'points', set: mean + margin, reset: mean + margin - Math.sign(margin) * hysteresis },
        distance: Math.abs(margin),
        words: [],
      };
    default: {
      const middle = (low + high) / 2;
      // On towards the second value: the object, the end of the cycle.
      const up = other >= mean ? 1 : -1;
      return {
        mode: { kind: 'points', set: middle + (up * hysteresis) / 2, reset: middle - (up * hysteresis) / 2 },
        distance: high - low,
        words: [],
      };
    }
  }
}

/**
 * Both ends of a cycle. What its readings scatter is told by how far each lies off the middle of its neighbours, since
 * the cycle itself moves: the variance of that is 6/4 of theirs.
 */
export function cycleOf(values: readonly number[]): readonly [Taught, Taught] {
  if (values.length < LEAST_READINGS)
    refuse(say('switching.six-readings', { least: LEAST_READINGS }), 'readings');
  const off = values.slice(1, -1).map((x, i) => x - ((values[i] ?? x) + (values[i + 2] ?? x)) / 2);
  const scatter = Math.sqrt(off.reduce((sum, x) => sum + x ** 2, 0) / 1.5 / off.length);
  return [
    { mean: Math.min(...values), scatter },
    { mean: Math.max(...values), scatter },
  ];
}
