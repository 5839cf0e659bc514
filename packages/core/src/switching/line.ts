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

/** How far a row bows away from a straight line. */
export interface FittedBow {
  /** From its middle to its ends, by least squares, and its standard error; positive where the ends lie higher. */
  readonly bow: number;
  readonly bowError: number;
  /** Likeness of what is off the parabola at one value and at the next, −1 to 1. */
  readonly likeness: number;
}

/** The bow of a row of four values or more, by the second orthogonal polynomial over the numbers of its values. */
export function fitBow(values: readonly number[]): FittedBow {
  const n = values.length;
  const middle = (n - 1) / 2;
  const { at } = fitLine(values);
  const square = (i: number): number => (i - middle) ** 2 - (n ** 2 - 1) / 12;
  const spread = (n * (n ** 2 - 1) * (n ** 2 - 4)) / 180;
  const curve = values.reduce((sum, value, i) => sum + value * square(i), 0) / spread;
  const off = values.map((value, i) => value - at(i) - curve * square(i));
  const squares = sumOf(off.map((x) => x ** 2));
  const scatter = Math.sqrt(squares / (n - 3));
  return {
    bow: curve * middle ** 2,
    bowError: (scatter / Math.sqrt(spread)) * middle ** 2,
    likeness: likenessOf(off),
  };
}

const sumOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0);

/** How like each value is to the one before it, −1 to 1. */
function likenessOf(off: readonly number[]): number {
  const square = sumOf(off.map((x) => x ** 2));
  return square > 0 ? sumOf(off.map((x, i) => (i > 0 ? x * (off[i - 1] ?? 0) : 0))) / square : 0;
}

export function fitLine(values: readonly number[]): FittedLine {
  const n = values.length;
  const mean = sumOf(values) / n;
  const middle = (n - 1) / 2;
  const spread = (n * (n ** 2 - 1)) / 12;
  const slope = minSquares(values.map((y, x) => ({ x, y })))?.slope ?? 0;
  const at = (i: number): number => mean + slope * (i - middle);
  const off = values.map((value, i) => value - at(i));
  const scatter = Math.sqrt(sumOf(off.map((x) => x ** 2)) / Math.max(1, n - 2));
  return {
    at,
    mean,
    slope,
    scatter,
    slopeError: n > 2 ? scatter / Math.sqrt(spread) : Infinity,
    likeness: likenessOf(off),
  };
}
