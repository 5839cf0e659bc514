import type { Compiled } from './compile.ts';
import { solveInPlace } from './lu.ts';
import { accumulate, stampElement } from './newton.ts';
import type { Workspace } from './newton.ts';

/** Step of the central differences over the unknowns, V or A. */
const STEP = 1e-6;

/**
 * How a quantity answers when each toleranced parameter goes from its least to its most at the solved point `w.x`,
 * by the adjoint method: one solution with the transposed slopes serves all parameters. The whole range counts, not
 * the slope at one point, so that a part which begins to conduct at one end of its tolerance is seen.
 * @param read the quantity at the present `w.x` and the given parameters.
 * @returns the answers in the order of `c.toleranced`, or undefined where the equations are singular.
 */
export function answers(
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
  const result = new Float64Array(c.toleranced.length);
  for (let t = 0; t < result.length; t++) {
    const parameter = c.toleranced[t]!;
    const element = c.tolerancedElement[t]!;
    const value = params[parameter]!;
    params[parameter] = c.least[parameter]!;
    const low = elementError(c, w, params, element).slice();
    const readLow = read(params);
    params[parameter] = c.most[parameter]!;
    const high = elementError(c, w, params, element);
    let through = 0;
    for (let i = 0; i < n; i++) through += adjoint[i]! * (high[i]! - low[i]!);
    result[t] = read(params) - readLow - through;
    params[parameter] = value;
  }
  return result;
}

function slopesOverUnknowns(
  w: Workspace,
  params: Float64Array,
  read: (params: Float64Array) => number,
): Float64Array {
  return Float64Array.from(w.x, (value, i) => {
    w.x[i] = value + STEP;
    const above = read(params);
    w.x[i] = value - STEP;
    const slope = (above - read(params)) / (2 * STEP);
    w.x[i] = value;
    return slope;
  });
}

function elementError(c: Compiled, w: Workspace, params: Float64Array, element: number): Float64Array {
  w.probe.fill(0);
  stampElement(c, params, w, w.x, w.probe, null, element, w.x.length);
  return w.probe;
}
