import { nth } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import { minSquares } from './minSquares.ts';

/** What two displays showed at the same moment. */
export interface DisplayPair {
  /** The one that is trusted, such as the sensor's own. */
  readonly first: number;
  /** The one that is to be changed. */
  readonly second: number;
}

export interface DisplaySpan {
  readonly low: number;
  readonly high: number;
}

/** How the second display is to be changed, and what stays. */
export interface Reconciled {
  /** second = offset + factor · first, as it is now. */
  readonly factor: number;
  readonly offset: number;
  readonly was: DisplaySpan;
  /** The new span, rounded to what can be set. */
  readonly becomes: DisplaySpan;
  /** Each pair: what the second will show then, and by how much that is off. */
  readonly after: readonly (DisplayPair & { readonly shows: number; readonly off: number })[];
  /** The largest difference that stays at the pairs. */
  readonly remains: number;
  /** What rounding the settable values leaves at both ends of the range. */
  readonly atEnds: DisplaySpan;
  /** Whether one pair alone decided, with the bottom kept. */
  readonly fixedZero: boolean;
}

const toStep = (value: number, step: number): number =>
  Number((Math.round(value / step) * step).toPrecision(12));

/**
 * Finds the span of the second display with which it shows what the first one shows: a line through the pairs by
 * least squares, its ends moved by what that line says. From a single pair only the top is moved and the bottom stays.
 * @param step of the values that can be set.
 * @throws JobProblem for no pair, pairs that do not make a line, or a line that turns the display round.
 */
export function reconcile(pairs: readonly DisplayPair[], was: DisplaySpan, step: number): Reconciled {
  if (!pairs.length) refuse(say('scaling.enter-what-both-displays'));
  if (!pairs.every(({ first, second }) => Number.isFinite(first) && Number.isFinite(second)))
    refuse(say('scaling.each-pair-needs-two'));
  if (was.low === was.high) refuse(say('scaling.span-zero-changed-two'));
  if (!(step > 0)) refuse(say('scaling.step-what-set-above'));
  const { factor, offset } = pairs.length === 1 ? throughZero(nth(pairs, 0), was) : throughPairs(pairs);
  if (!(factor > 0)) refuse(say('scaling.when-first-display-rises'));
  // The second shows s = low + x (high − low) of the same x; it is to show (s − offset) / factor.
  const becomes = {
    low: toStep((was.low - offset) / factor, step),
    high: toStep((was.high - offset) / factor, step),
  };
  if (becomes.low === becomes.high) refuse(say('scaling.step-both-ends-same'));
  const shows = (second: number): number =>
    becomes.low + ((second - was.low) / (was.high - was.low)) * (becomes.high - becomes.low);
  const after = pairs.map((pair) => ({
    ...pair,
    shows: shows(pair.second),
    off: shows(pair.second) - pair.first,
  }));
  const end = (which: 'low' | 'high'): number => becomes[which] - (was[which] - offset) / factor;
  return {
    factor,
    offset,
    was,
    becomes,
    after,
    remains: Math.max(...after.map(({ off }) => Math.abs(off))),
    atEnds: { low: end('low'), high: end('high') },
    fixedZero: pairs.length === 1,
  };
}

/** One pair: what is above the bottom is too much or too little by one factor. */
function throughZero(
  { first, second }: DisplayPair,
  { low }: DisplaySpan,
): { factor: number; offset: number } {
  if (first === low) refuse(say('scaling.single-pair-bottom-span', { low }));
  const factor = (second - low) / (first - low);
  return { factor, offset: low - factor * low };
}

/** The line second = offset + factor · first through several pairs. */
function throughPairs(pairs: readonly DisplayPair[]): { factor: number; offset: number } {
  const line =
    minSquares(pairs.map(({ first: x, second: y }) => ({ x, y }))) ??
    refuse(say('scaling.all-pairs-show-same'));
  return { factor: line.slope, offset: line.offset };
}
