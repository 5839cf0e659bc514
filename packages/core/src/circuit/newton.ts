import type { Compiled } from './compile.ts';
import { FLAG, KIND } from './compile.ts';
import { diodeCurve, leakCurve, optocouplerCurve, saturatedCurve } from './characteristics.ts';
import { solveInPlace } from './lu.ts';

/** Conductance from a loose node to the reference, S, so that one that hangs on nothing still has a number. */
const LOOSE_SIEMENS = 1e-12;
/** Conductance from every node with which a stubborn circuit is begun, S, and by what it falls from step to step. */
const FIRST_SIEMENS = 0.1;
const SIEMENS_STEP = 0.2;
const MOST_ITERATIONS = 120;
const MOST_HALVINGS = 14;
/** Weight of a node's current sum (A) against a source's voltage sum (V) in the size of the error. */
const CURRENT_WEIGHT = 100;

/** Buffers that a solution needs; made once, used again for every solution of the same circuit. */
export interface Workspace {
  /** Conductance from every node to the reference, S; above zero only while a stubborn circuit is begun. */
  siemens: number;
  readonly x: Float64Array;
  readonly trial: Float64Array;
  readonly error: Float64Array;
  /** Error at a trial step, while `error` holds the step. */
  readonly probe: Float64Array;
  readonly jacobian: Float64Array;
  readonly curve: Float64Array;
  /** 1 where an output's transistor to plus is on. */
  readonly highOn: Uint8Array;
  /** 1 where an output's transistor to minus is on. */
  readonly lowOn: Uint8Array;
}

export function workspaceFor(c: Compiled): Workspace {
  const n = c.nodeCount + c.sourceCount;
  return {
    siemens: 0,
    x: new Float64Array(n),
    trial: new Float64Array(n),
    error: new Float64Array(n),
    probe: new Float64Array(n),
    jacobian: new Float64Array(n * n),
    curve: new Float64Array(2),
    highOn: new Uint8Array(c.kind.length),
    lowOn: new Uint8Array(c.kind.length),
  };
}

/**
 * Solves from the present `w.x`; a circuit that does not yield is begun with every node tied to the reference, and
 * the ties are loosened step by step.
 * @returns whether it converged.
 */
export function solveFrom(c: Compiled, params: Float64Array, w: Workspace): boolean {
  if (newton(c, params, w)) return true;
  w.x.fill(0);
  for (w.siemens = FIRST_SIEMENS; w.siemens > LOOSE_SIEMENS; w.siemens *= SIEMENS_STEP) newton(c, params, w);
  w.siemens = 0;
  return newton(c, params, w);
}

/**
 * Newton's iteration with halved steps on the modified nodal equations, from the present `w.x`.
 * Unknowns: node voltages (V), then source currents (A).
 * @returns whether it converged.
 */
function newton(c: Compiled, params: Float64Array, w: Workspace): boolean {
  const n = c.nodeCount + c.sourceCount;
  let size = accumulate(c, params, w, w.x, w.error, w.jacobian);
  for (let round = 0; round < MOST_ITERATIONS; round++) {
    if (!solveInPlace(w.jacobian, w.error, n)) return false;
    let step = 1;
    let largest = 0;
    for (let i = 0; i < n; i++) largest = Math.max(largest, Math.abs(w.error[i]!));
    w.trial.set(w.x);
    let next = Infinity;
    for (let half = 0; half < MOST_HALVINGS; half++) {
      for (let i = 0; i < n; i++) w.x[i] = w.trial[i]! - step * w.error[i]!;
      next = accumulate(c, params, w, w.x, w.probe, null);
      if (next <= size * (1 - step / 4) || next < 1e-18) break;
      step /= 2;
    }
    const moved = largest * step;
    size = accumulate(c, params, w, w.x, w.error, w.jacobian);
    if (moved < 1e-9 && size < 1e-12) return true;
    if (moved < 1e-12) return size < 1e-8;
  }
  return false;
}

/** Fills the error (currents that leave each node, then source equations) and, if given, its slopes. */
export function accumulate(
  c: Compiled,
  params: Float64Array,
  w: Workspace,
  x: Float64Array,
  error: Float64Array,
  jacobian: Float64Array | null,
): number {
  const n = c.nodeCount + c.sourceCount;
  error.fill(0, 0, n);
  jacobian?.fill(0);
  for (let i = 0; i < c.nodeCount; i++) {
    error[i] = w.siemens * x[i]!;
    if (jacobian) jacobian[i * n + i] = w.siemens;
  }
  for (const i of c.loose) {
    error[i]! += LOOSE_SIEMENS * x[i]!;
    if (jacobian) jacobian[i * n + i]! += LOOSE_SIEMENS;
  }
  for (let e = 0; e < c.kind.length; e++) stampElement(c, params, w, x, error, jacobian, e, n);
  let sum = 0;
  for (let i = 0; i < n; i++) {
    const scaled = i < c.nodeCount ? error[i]! * CURRENT_WEIGHT : error[i]!;
    sum += scaled * scaled;
  }
  return sum;
}

/** Adds one element's part to the error and, if given, to its slopes. */
export function stampElement(
  c: Compiled,
  p: Float64Array,
  w: Workspace,
  x: Float64Array,
  error: Float64Array,
  jacobian: Float64Array | null,
  e: number,
  n: number,
): void {
  const a = c.nodes[e * 3]!;
  const b = c.nodes[e * 3 + 1]!;
  const q = c.param[e]!;
  const curve = w.curve;
  switch (c.kind[e]) {
    case KIND.resistor: {
      const siemens = 1 / p[q]!;
      curve[0] = (volt(x, a) - volt(x, b)) * siemens;
      curve[1] = siemens;
      stampBranch(a, b, curve, error, jacobian, n);
      return;
    }
    case KIND.diode:
      diodeCurve(volt(x, a) - volt(x, b), p[q]!, p[q + 1]!, curve);
      stampBranch(a, b, curve, error, jacobian, n);
      return;
    case KIND.optocoupler: {
      const flags = c.flags[e]!;
      const volts = volt(x, a) - volt(x, b);
      const forward = (flags & FLAG.forward) !== 0;
      const backward = (flags & FLAG.backward) !== 0;
      optocouplerCurve(volts, p[q]!, p[q + 1]!, p[q + 2]!, forward, backward, curve);
      stampBranch(a, b, curve, error, jacobian, n);
      return;
    }
    case KIND.output: {
      const minus = c.nodes[e * 3 + 2]!;
      const flags = c.flags[e]!;
      if (flags & FLAG.high) {
        transistor(volt(x, a) - volt(x, b), p, q, w.highOn[e] === 1, curve);
        stampBranch(a, b, curve, error, jacobian, n);
      }
      if (flags & FLAG.low) {
        transistor(volt(x, b) - volt(x, minus), p, q, w.lowOn[e] === 1, curve);
        stampBranch(b, minus, curve, error, jacobian, n);
      }
      return;
    }
    case KIND.source:
      stampSource(a, b, c.sourceRow[e]!, p, q, x, error, jacobian, n);
  }
}

/** One transistor of an output at `volts` (V) across it. */
export function transistor(
  volts: number,
  p: Float64Array,
  q: number,
  on: boolean,
  curve: Float64Array,
): void {
  if (on) saturatedCurve(volts, p[q]!, p[q + 1]!, p[q + 3]!, curve);
  else leakCurve(volts, p[q + 2]!, curve);
}

function volt(x: Float64Array, node: number): number {
  return node < 0 ? 0 : x[node]!;
}

function stampBranch(
  a: number,
  b: number,
  curve: Float64Array,
  error: Float64Array,
  jacobian: Float64Array | null,
  n: number,
): void {
  const amps = curve[0]!;
  const slope = curve[1]!;
  if (a >= 0) error[a]! += amps;
  if (b >= 0) error[b]! -= amps;
  if (!jacobian) return;
  if (a >= 0) jacobian[a * n + a]! += slope;
  if (b >= 0) jacobian[b * n + b]! += slope;
  if (a >= 0 && b >= 0) {
    jacobian[a * n + b]! -= slope;
    jacobian[b * n + a]! -= slope;
  }
}

/** Voltage V − R·I at the terminals until the current reaches its limit: the smaller of the two slacks is zero. */
function stampSource(
  plus: number,
  minus: number,
  row: number,
  p: Float64Array,
  q: number,
  x: Float64Array,
  error: Float64Array,
  jacobian: Float64Array | null,
  n: number,
): void {
  const amps = x[row]!;
  if (plus >= 0) error[plus]! -= amps;
  if (minus >= 0) error[minus]! += amps;
  const voltSlack = p[q]! - p[q + 1]! * amps - (volt(x, plus) - volt(x, minus));
  const ampSlack = p[q + 2]! - amps;
  const limited = ampSlack < voltSlack;
  error[row] = limited ? ampSlack : voltSlack;
  if (!jacobian) return;
  if (plus >= 0) jacobian[plus * n + row]! -= 1;
  if (minus >= 0) jacobian[minus * n + row]! += 1;
  jacobian[row * n + row] = limited ? -1 : -p[q + 1]!;
  if (limited) return;
  if (plus >= 0) jacobian[row * n + plus]! -= 1;
  if (minus >= 0) jacobian[row * n + minus]! += 1;
}
