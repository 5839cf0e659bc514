import type { Compiled } from './compile.ts';
import { solveInPlace } from './lu.ts';
import { accumulate, stampElement } from './newton.ts';
import type { Workspace } from './newton.ts';

/** Step of the one-sided differences, as a share of the value. */
const STEP = 1e-6;

/**
 * How a quantity answers to each toleranced parameter at the solved point `w.x`, by the adjoint method: one
 * solution with the transposed slopes serves all parameters.
 * @param read the quantity at the present `w.x` and the given parameters.
 * @returns the slopes in the order of `c.toleranced`, or undefined where the equations are singular.
 */
export function gradient(
  c: Compiled,
  w: Workspace,
  params: Float64Array,
  read: (params: Float64Array) => number,
): Float64Array | undefined {
  const n = w.x.length;
  accumulate(c, params, w, w.x, w.error, w.jacobian);
  const transposed = new Float64Array(n * n);
  for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) transposed[j * n + i] = w.jacobian[i * n + j]!;
  const adjoint = slopesOverUnknowns(w, params, read);
  if (!solveInPlace(transposed, adjoint, n)) return undefined;
  const base = read(params);
  const slopes = new Float64Array(c.toleranced.length);
  for (let t = 0; t < slopes.length; t++) {
    const parameter = c.toleranced[t]!;
    const value = params[parameter]!;
    const step = STEP * Math.max(Math.abs(value), 1e-9);
    const before = elementError(c, w, params, c.tolerancedElement[t]!).slice();
    params[parameter] = value + step;
    const after = elementError(c, w, params, c.tolerancedElement[t]!);
    let through = 0;
    for (let i = 0; i < n; i++) through += adjoint[i]! * (after[i]! - before[i]!);
    slopes[t] = (read(params) - base - through) / step;
    params[parameter] = value;
  }
  return slopes;
}

function slopesOverUnknowns(
  w: Workspace,
  params: Float64Array,
  read: (params: Float64Array) => number,
): Float64Array {
  const base = read(params);
  return Float64Array.from(w.x, (value, i) => {
    w.x[i] = value + STEP;
    const slope = (read(params) - base) / STEP;
    w.x[i] = value;
    return slope;
  });
}

function elementError(c: Compiled, w: Workspace, params: Float64Array, element: number): Float64Array {
  w.probe.fill(0);
  stampElement(c, params, w, w.x, w.probe, null, element, w.x.length);
  return w.probe;
}
