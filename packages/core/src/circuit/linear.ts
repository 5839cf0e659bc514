import { nth } from '../lists/index.ts';
import { add, entry } from './entries.ts';
import type { Compiled } from './compile.ts';
import { eliminate, expand, fillLeft, reduce } from './elimination.ts';
import { solveInPlace } from './lu.ts';
import type { Stamped } from './stamps.ts';

/** Room for the linear equations of a circuit. */
export interface Equations extends Pick<Stamped, 'slopes' | 'limited'> {
  /** Resistance of each node against what it hung on when it was eliminated, Ω. */
  readonly inverse: Float64Array;
  /** Equations of the nodes that are not eliminated and of the sources, row by row, and a right side of theirs. */
  readonly matrix: Float64Array;
  readonly right: Float64Array;
}

/**
 * Solves the linear equations that the slopes make (modified nodal analysis: a row a node, then a row a source) for
 * each right side, in place; the slopes are spent.
 * @param rights each as long as the unknowns and the reference. @param transposed solves with rows for columns.
 * @returns false where the equations are singular to working precision.
 */
export function solveLinear(
  c: Compiled,
  params: Float64Array,
  w: Equations,
  rights: readonly Float64Array[],
  transposed = false,
): boolean {
  const { plan } = c;
  for (const right of rights) takeOutSoft(c, params, w, right, transposed);
  for (const { source, slot, ohms } of c.soft)
    if (w.limited[source] !== 1) w.slopes[slot]! += 1 / params[ohms]!;
  if (!eliminate(plan, w.slopes, w.inverse)) return false;
  for (const right of rights) reduce(plan, w.slopes, w.inverse, right);
  if (c.open.length > 0 && !solveOpen(c, params, w, rights, transposed)) return false;
  for (const right of rights) {
    expand(plan, w.slopes, right);
    putBackSoft(c, params, w, right, transposed);
  }
  return true;
}

/**
 * Puts what a source's own equation leaves over to its two nodes, so that its current is no unknown any more. One that
 * holds its voltage behind its resistance ties them then; one at its limit does not.
 */
function takeOutSoft(
  { soft }: Compiled,
  p: Float64Array,
  { limited }: Equations,
  right: Float64Array,
  transposed: boolean,
): void {
  for (const { source, row, ohms, plus, minus } of soft) {
    const isLimited = limited[source] === 1;
    if (isLimited && transposed) continue;
    const amps = isLimited ? right[row]! : right[row]! / p[ohms]!;
    right[plus]! -= amps;
    right[minus]! += amps;
  }
}

/** The current of each source, from the voltages that were found. */
function putBackSoft(
  { soft }: Compiled,
  p: Float64Array,
  { limited }: Equations,
  right: Float64Array,
  transposed: boolean,
): void {
  right[0] = 0;
  for (const { source, row, ohms, plus, minus } of soft) {
    const across = right[plus]! - right[minus]!;
    if (limited[source] !== 1) right[row] = -(right[row]! + across) / p[ohms]!;
    else right[row] = transposed ? -(right[row]! + across) : -right[row]!;
  }
}

/** Solves the equations that elimination leaves. */
function solveOpen(
  c: Compiled,
  params: Float64Array,
  w: Equations,
  rights: readonly Float64Array[],
  transposed: boolean,
): boolean {
  const { open } = c;
  const m = rights.length;
  const right = m === 1 ? w.right : new Float64Array(open.length * m);
  rights.forEach((one, k) => open.forEach((unknown, i) => (right[i * m + k] = entry(one, unknown))));
  fillEquations(c, params, w, transposed);
  if (!solveInPlace(w.matrix, right, open.length, m)) return false;
  rights.forEach((one, k) => open.forEach((unknown, i) => (one[unknown] = entry(right, i * m + k))));
  return true;
}

/** Sets all to nothing; for lists this short it is quicker than `fill`. */
export function clear(list: Float64Array): void {
  for (let i = 0; i < list.length; i++) list[i] = 0;
}

/** The equations that elimination leaves: those of the nodes, then those of the stiff sources. */
function fillEquations(c: Compiled, p: Float64Array, w: Equations, transposed: boolean): void {
  const { matrix, limited } = w;
  const { open, plan, stiff } = c;
  const width = open.length;
  clear(matrix);
  fillLeft(plan, w.slopes, matrix, width);
  for (const { source, row, ohms, plus, minus } of stiff) {
    const own = open.indexOf(row);
    const held = limited[source] !== 1;
    matrix[own * width + own] = held ? -entry(p, ohms) : -1;
    for (const [node, sign] of [
      [plus, -1],
      [minus, 1],
    ] as const) {
      const at = open.indexOf(node);
      if (at < 0) continue;
      const [down, across] = transposed ? [held ? sign : 0, sign] : [sign, held ? sign : 0];
      add(matrix, at * width + own, down);
      add(matrix, own * width + at, across);
    }
  }
}

/** The same equations as plain rows, nothing eliminated: what any other solver can be given. */
export function plainMatrix(c: Compiled, p: Float64Array, w: Equations): number[][] {
  const { order, from, to, through, left, leftPairs } = c.plan;
  const size = 1 + c.nodeCount + c.sourceCount;
  const rows = Array.from({ length: size }, () => new Float64Array(size));
  const join = (a: number, b: number, slot: number): void => {
    const slope = entry(w.slopes, slot);
    add(nth(rows, a), a, slope);
    add(nth(rows, b), b, slope);
    add(nth(rows, a), b, -slope);
    add(nth(rows, b), a, -slope);
  };
  for (let node = 1; node <= c.nodeCount; node++) join(node, 0, node);
  order.forEach((node, i) => {
    for (let t = nth(from, i); t < nth(from, i + 1); t++) join(node, nth(to, t), nth(through, t));
  });
  for (let k = 0; k < leftPairs.length; k += 3)
    join(nth(left, nth(leftPairs, k)), nth(left, nth(leftPairs, k + 1)), nth(leftPairs, k + 2));
  for (const { source, row, ohms, plus, minus } of [...c.soft, ...c.stiff]) {
    const own = nth(rows, row);
    const held = w.limited[source] !== 1;
    own[row] = held ? -entry(p, ohms) : -1;
    add(nth(rows, plus), row, -1);
    add(nth(rows, minus), row, 1);
    if (!held) continue;
    add(own, plus, -1);
    add(own, minus, 1);
  }
  return rows.slice(1).map((row) => [...row.subarray(1)]);
}
