import { minSquares } from '../scaling/index.ts';

/** The line that lies closest to a row, by least squares over the numbers of its values. */
export interface FittedLine {
  readonly at: (n: number) => number;
  readonly mean: number;
  /** Rise from one value to the next, and its standard error. */
  readonly slope: number;
  readonly slopeError: number;
  /** Standard deviation around the line. */
  readonly scatter: number;
  /** Likeness of what is off at one value and at the next, −1 to 1. */
  readonly likeness: number;
}

export function fitLine(values: readonly number[]): FittedLine {
  const n = values.length;
  const mean = values.reduce((sum, value) => sum + value, 0) / n;
  const middle = (n - 1) / 2;
  const spread = (n * (n ** 2 - 1)) / 12;
  const slope = minSquares(values.map((y, x) => ({ x, y })))?.slope ?? 0;
  const at = (i: number): number => mean + slope * (i - middle);
  const off = values.map((value, i) => value - at(i));
  const square = off.reduce((sum, x) => sum + x ** 2, 0);
  const next = off.reduce((sum, x, i) => sum + (i > 0 ? x * (off[i - 1] ?? 0) : 0), 0);
  const scatter = Math.sqrt(square / Math.max(1, n - 2));
  return {
    at,
    mean,
    slope,
    scatter,
    slopeError: n > 2 ? scatter / Math.sqrt(spread) : Infinity,
    likeness: square > 0 ? next / square : 0,
  };
}
