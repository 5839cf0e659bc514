import { nth } from '../lists/index.ts';
import { engineeringOf, shownOn } from './chain.ts';
import type { SignalChain } from './chain.ts';

/** What the error is at some values, so that it can be told between them too. */
export interface ErrorKnot {
  readonly value: number;
  readonly plusMinus: number;
}

interface SweepPoint {
  readonly counts: number;
  readonly value: number;
  readonly plusMinus: number;
}

/** A chain gone through count by count. */
export interface Sweep {
  readonly counts: number;
  /** So many different numbers the screen can show. */
  readonly shown: number;
  /** The largest step of the value from one count to the next, and at which counts. */
  readonly largestStep: { readonly size: number; readonly at: number };
  /** The first counts at which the value goes the other way, if it does anywhere. */
  readonly turnsAt?: number;
  /** The largest error, and at which counts. */
  readonly worst: { readonly plusMinus: number; readonly at: number };
  /** Some of it, evenly taken, for a drawing. */
  readonly points: readonly SweepPoint[];
}

const DRAWN = 240;

/** Straight pieces between knots in rising order, gone along from low to high without searching. */
class Walker {
  #i = 0;
  readonly #knots: readonly ErrorKnot[];
  constructor(knots: readonly ErrorKnot[]) {
    this.#knots = [...knots].sort((a, b) => a.value - b.value);
  }
  at(value: number): number {
    const knots = this.#knots;
    if (knots.length === 0) return 0;
    while (this.#i > 0 && nth(knots, this.#i).value > value) this.#i--;
    while (this.#i < knots.length - 2 && nth(knots, this.#i + 1).value <= value) this.#i++;
    const [a, b] = [nth(knots, this.#i), knots[this.#i + 1]];
    if (!b || value <= a.value) return a.plusMinus;
    if (value >= b.value) return b.plusMinus;
    return a.plusMinus + ((value - a.value) / (b.value - a.value)) * (b.plusMinus - a.plusMinus);
  }
}

/**
 * Goes through every number of counts that the converter can write, with the error band. Yields how many are done.
 * @param knots errors at some values, in any order.
 */
export function* sweepChain(chain: SignalChain, knots: readonly ErrorKnot[]): Generator<number, Sweep> {
  const { min, max, step } = chain.converter.format;
  const all = Math.floor((max - min) / step) + 1;
  const every = Math.max(1, Math.floor(all / DRAWN));
  const errors = new Walker(knots);
  const shown = new Set<number>();
  const points: SweepPoint[] = [];
  let before: number | undefined;
  let way = 0;
  let turnsAt: number | undefined;
  let largestStep = { size: 0, at: min };
  let worst = { plusMinus: 0, at: min };
  for (let i = 0; i < all; i++) {
    const counts = min + i * step;
    const value = engineeringOf(chain, counts);
    const plusMinus = errors.at(value);
    shown.add(shownOn(chain, value).value);
    if (plusMinus > worst.plusMinus) worst = { plusMinus, at: counts };
    if (before !== undefined) {
      const size = value - before;
      if (Math.abs(size) > largestStep.size) largestStep = { size: Math.abs(size), at: counts };
      if (size !== 0 && way !== 0 && Math.sign(size) !== way) turnsAt ??= counts;
      if (size !== 0) way = Math.sign(size);
    }
    before = value;
    if (i % every === 0 || i === all - 1) points.push({ counts, value, plusMinus });
    if (i % 4096 === 0) yield i;
  }
  return {
    counts: all,
    shown: shown.size,
    largestStep,
    ...(turnsAt !== undefined && { turnsAt }),
    worst,
    points,
  };
}
