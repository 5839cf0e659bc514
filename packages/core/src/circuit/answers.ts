import { nth } from '../lists/index.ts';
import { entry } from './entries.ts';
import type { Compiled } from './compile.ts';
import { solveManyInPlace } from './lu.ts';
import { accumulate, stampElement } from './newton.ts';
import type { Workspace } from './newton.ts';

/** Step of the central differences over the unknowns, V or A. */
const STEP = 1e-6;

/** A quantity at the present `w.x` and the given parameters. */
export type Reader = (params: Float64Array) => number;

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
  const n = w.x.length;
  const m = readers.length;
  accumulate(c, params, w, w.x, w.error, w.jacobian);
  const transposed = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) transposed[j * n + i] = entry(w.jacobian, i * n + j);
  const adjoint = slopesOverUnknowns(w, params, readers);
  if (!solveManyInPlace(transposed, adjoint, n, m)) return undefined;
  const result = readers.map(() => new Float64Array(c.toleranced.length));
  for (let t = 0; t < c.toleranced.length; t++) {
    const parameter = entry(c.toleranced, t);
    const element = entry(c.tolerancedElement, t);
    const value = entry(params, parameter);
    params[parameter] = entry(c.min, parameter);
    const low = elementError(c, w, params, element).slice();
    const readLow = readers.map((read) => read(params));
    params[parameter] = entry(c.max, parameter);
    const high = elementError(c, w, params, element);
    for (let k = 0; k < m; k++) nth(result, k)[t] = nth(readers, k)(params) - nth(readLow, k);
    for (let i = 0; i < n; i++) {
      const change = nth(high, i) - nth(low, i);
      if (change !== 0)
        for (let k = 0; k < m; k++)
          nth(result, k)[t] = entry(nth(result, k), t) - entry(adjoint, i * m + k) * change;
    }
    params[parameter] = value;
  }
  return result;
}

/** Slopes of all quantities over all unknowns, one row an unknown. */
function slopesOverUnknowns(w: Workspace, params: Float64Array, readers: readonly Reader[]): Float64Array {
  const m = readers.length;
  const slopes = new Float64Array(w.x.length * m);
  for (let i = 0; i < w.x.length; i++) {
    const value = entry(w.x, i);
    w.x[i] = value + STEP;
    for (let k = 0; k < m; k++) slopes[i * m + k] = nth(readers, k)(params);
    w.x[i] = value - STEP;
    for (let k = 0; k < m; k++)
      slopes[i * m + k] = (entry(slopes, i * m + k) - nth(readers, k)(params)) / (2 * STEP);
    w.x[i] = value;
  }
  return slopes;
}

function elementError(c: Compiled, w: Workspace, params: Float64Array, element: number): Float64Array {
  w.probe.fill(0);
  stampElement(c, params, w, w.x, w.probe, null, element, w.x.length);
  return w.probe;
}
