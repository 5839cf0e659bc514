import { nth } from '../lists/index.ts';

/** Value of a polynomial with the given coefficients, constant first, by Horner's scheme. */
export function polynomial(coefficients: readonly number[], x: number): number {
  let sum = 0;
  for (let i = coefficients.length - 1; i >= 0; i--) sum = sum * x + nth(coefficients, i);
  return sum;
}

/** Its slope there. */
export function slopeOf(coefficients: readonly number[], x: number): number {
  let sum = 0;
  for (let i = coefficients.length - 1; i > 0; i--) sum = sum * x + i * nth(coefficients, i);
  return sum;
}

/**
 * Where a rising function has a value: Newton's steps, kept between two places that enclose it, so that it always
 * ends. The enclosing halves where a step would leave it.
 * @param slope its slope.
 */
export function whereRising(
  value: number,
  low: number,
  high: number,
  at: (x: number) => number,
  slope: (x: number) => number,
  start: number,
): number {
  let [left, right] = [low, high];
  let x = Math.min(Math.max(start, low), high);
  for (let round = 0; round < 100; round++) {
    const off = at(x) - value;
    if (off > 0) right = x;
    else left = x;
    const step = off / slope(x);
    let next = x - step;
    if (!(next > left && next < right)) next = (left + right) / 2;
    if (Math.abs(next - x) <= 1e-12 * Math.max(1, Math.abs(x))) return next;
    x = next;
  }
  return x;
}
