import { nth } from '../lists/index.ts';
import { entry } from './entries.ts';
import type { Compiled } from './compile.ts';
import { solveLinear } from './linear.ts';
import { accumulate } from './newton.ts';
import type { Workspace } from './newton.ts';
import { stampElement } from './stamps.ts';

/** Step of the central differences over the unknowns, V or A. */
const STEP = 1e-6;

/** A quantity at the present `w.x` and the given parameters. */
export interface Reader {
  readonly read: (params: Float64Array) => number;
  /** The unknowns that it is read off, by their numbers. */
  readonly unknowns: readonly number[];
  /** The element whose parameters it is worked out with, by its number. */
  readonly element?: number;
}

/**
 * How quantities answer when each toleranced parameter goes from its least to its most at the solved point `w.x`,
 * by the adjoint method: one decomposition of the transposed slopes serves all quantities and parameters. The whole
 * range counts, not the slope at one point, so that a part which begins to conduct at one end of its tolerance is
 * seen.
 * @returns for each quantity its answers in the order of `c.toleranced`, or undefined where the equations are singular.
 */
export function answers(
  c: Compiled,
  w: Workspace,
  params: Float64Array,
  readers: readonly Reader[],
): Float64Array[] | undefined {
  accumulate(c, params, w);
  const adjoint = readers.map((reader) => slopesOverUnknowns(w, params, reader));
  if (readers.length && !solveLinear(c, params, w, adjoint, true)) return undefined;
  const result = readers.map(() => new Float64Array(c.toleranced.length));
  for (let t = 0; t < c.toleranced.length; t++) {
    const parameter = nth(c.toleranced, t);
    const element = nth(c.tolerancedElement, t);
    const value = entry(params, parameter);
    const touched = unknownsOf(c, element);
    params[parameter] = entry(c.min, parameter);
    const low = leftOver(c, w, params, element, touched);
    const readLow = readers.map((reader) => (reader.element === element ? reader.read(params) : 0));
    params[parameter] = entry(c.max, parameter);
    const high = leftOver(c, w, params, element, touched);
    readers.forEach((reader, k) => {
      let sum = reader.element === element ? reader.read(params) - nth(readLow, k) : 0;
      touched.forEach((i, j) => (sum -= entry(nth(adjoint, k), i) * (nth(high, j) - nth(low, j))));
      nth(result, k)[t] = sum;
    });
    params[parameter] = value;
  }
  return result;
}

/** Slopes of a quantity over all unknowns. */
function slopesOverUnknowns(w: Workspace, params: Float64Array, { read, unknowns }: Reader): Float64Array {
  const slopes = new Float64Array(w.x.length);
  for (const i of unknowns) {
    const value = entry(w.x, i);
    w.x[i] = value + STEP;
    const above = read(params);
    w.x[i] = value - STEP;
    slopes[i] = (above - read(params)) / (2 * STEP);
    w.x[i] = value;
  }
  return slopes;
}

/** The unknowns in whose equations an element has a part. */
function unknownsOf(c: Compiled, element: number): number[] {
  const nodes = c.nodes.subarray(element * 3, element * 3 + 3);
  return [...new Set([...nodes, entry(c.sourceRow, element)])].filter((i) => i > 0);
}

/** The part of one element in the equations of some unknowns. */
function leftOver(
  c: Compiled,
  w: Workspace,
  params: Float64Array,
  element: number,
  unknowns: readonly number[],
): number[] {
  for (const i of unknowns) w.error[i] = 0;
  stampElement(c, params, w.x, w, element);
  return unknowns.map((i) => entry(w.error, i));
}
