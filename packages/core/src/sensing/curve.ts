import { nth, sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { JobProblem, refuse } from '../model/index.ts';
import type { TablePoint } from '../model/index.ts';

/** A rule by which one number follows from another, and back. */
export interface Curve {
  readonly at: (x: number) => number;
  /** Where the curve has a value. @throws JobProblem where it never has it, or has it at many places. */
  readonly inverse: (y: number) => number;
}

/**
 * The straight line through two points; it goes on beyond them. A reversed range is the same.
 * @throws JobProblem where the two points do not make one.
 */
export function straight(x0: number, y0: number, x1: number, y1: number): Curve {
  if (x0 === x1) refuse(say('scaling.range-zero-scaled-two'));
  const slope = (y1 - y0) / (x1 - x0);
  return {
    at: (x) => y0 + (x - x0) * slope,
    inverse: (y) => (slope === 0 ? refuse(say('scaling.range-zero-turned-round')) : x0 + (y - y0) / slope),
  };
}

/**
 * Square root of a share: √x, zero below the cut. A share below zero gives zero.
 * @param cut share of the output below which it gives zero, 0 to 1.
 */
export const rootOf = (cut: number): Curve => ({
  at: (x) => {
    const y = x > 0 ? Math.sqrt(x) : 0;
    return y < cut ? 0 : y;
  },
  inverse: (y) => (y <= 0 ? 0 : y * y),
});

/** Square of a share, keeping its sign. */
export const SQUARE: Curve = {
  at: (x) => x * Math.abs(x),
  inverse: (y) => Math.sign(y) * Math.sqrt(Math.abs(y)),
};

/** One after the other. */
export const then = (first: Curve, second: Curve): Curve => ({
  at: (x) => second.at(first.at(x)),
  inverse: (y) => first.inverse(second.inverse(y)),
});

/** What is to be said of a table before somebody trusts it. */
export interface TableCheck {
  /** Rising, falling, or turning round somewhere. */
  readonly course: 'rising' | 'falling' | 'turns';
  /** Where it turns round first: the point after which it goes the other way. */
  readonly turnsAt?: TablePoint;
  /** The largest change of the value from one point to the next. */
  readonly largestStep: { readonly from: TablePoint; readonly to: TablePoint };
  /**
   * Most by which straight pieces are likely to miss a smooth curve through the points: a piece's width squared
   * times the curvature over 8, the curvature taken from second differences.
   */
  readonly sag: number;
}

export const sortedTable = (points: readonly TablePoint[]): TablePoint[] =>
  [...points].sort((a, b) => a.in - b.in);

/** @throws JobProblem for fewer than two points, or two values for one signal. */
function soundTable(points: readonly TablePoint[]): TablePoint[] {
  const sorted = sortedTable(points);
  if (sorted.length < 2) refuse(say('scaling.table-needs-two-points'));
  const twice = sorted.find((point, i) => i > 0 && nth(sorted, i - 1).in === point.in);
  if (twice) refuse(say('scaling.stands-table-twice-each', { inValue: twice.in }));
  return sorted;
}

/** @throws JobProblem as `tableOf`. */
export function checkTable(points: readonly TablePoint[]): TableCheck {
  const sorted = soundTable(points);
  const steps = sorted
    .slice(1)
    .map((to, i) => ({ from: nth(sorted, i), to, size: to.out - nth(sorted, i).out }));
  const sign = Math.sign(steps.find(({ size }) => size !== 0)?.size ?? 0);
  const turn = steps.find(({ size }) => sign === 0 || Math.sign(size) !== sign);
  const largest = steps.reduce((a, b) => (Math.abs(b.size) > Math.abs(a.size) ? b : a));
  return {
    course: turn ? 'turns' : sign > 0 ? 'rising' : 'falling',
    ...(turn && { turnsAt: turn.from }),
    largestStep: { from: largest.from, to: largest.to },
    sag: Math.max(0, ...sagsOf(sorted)),
  };
}

function sagsOf(sorted: readonly TablePoint[]): number[] {
  return sorted.slice(1, -1).map((middle, i) => {
    const [a, b] = [nth(sorted, i), nth(sorted, i + 2)];
    const [left, right] = [middle.in - a.in, b.in - middle.in];
    const curvature = (2 * ((b.out - middle.out) / right - (middle.out - a.out) / left)) / (left + right);
    return (Math.abs(curvature) * Math.max(left, right) ** 2) / 8;
  });
}

/**
 * Straight pieces between the points of a table. Beyond its ends the first and last piece go on.
 * Where the table turns round, a value has many signals: it cannot be turned round then.
 * @throws JobProblem for fewer than two points, or two values for one signal.
 */
export function tableOf(points: readonly TablePoint[]): Curve {
  const sorted = soundTable(points);
  const { course, turnsAt } = checkTable(sorted);
  const falling = course === 'falling';
  const piece = (before: (point: TablePoint) => boolean): Curve => {
    let i = 0;
    while (i < sorted.length - 2 && before(nth(sorted, i + 1))) i++;
    const [a, b] = [nth(sorted, i), nth(sorted, i + 1)];
    return straight(a.in, a.out, b.in, b.out);
  };
  return {
    at: (x) => piece((point) => point.in <= x).at(x),
    inverse: (y) =>
      course === 'turns'
        ? refuse(say('scaling.table-turns-round-value', { inValue: sure(turnsAt).in }))
        : piece((point) => (falling ? point.out >= y : point.out <= y)).inverse(y),
  };
}

/** Whether a value lies beyond the points of a table, so that what it gives is a guess. */
export function beyondTable(points: readonly TablePoint[], x: number): boolean {
  const ins = points.map((point) => point.in);
  return x < Math.min(...ins) || x > Math.max(...ins);
}

/** What was refused, as a sentence; nothing where it went through. */
export function problemOfCurve(attempt: () => unknown): Message | undefined {
  try {
    attempt();
    return undefined;
  } catch (error) {
    if (error instanceof JobProblem) return error.first;
    throw error;
  }
}
