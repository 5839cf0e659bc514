import { add, entry } from './entries.ts';
import type { Compiled } from './compile.ts';
import { FLAG, KIND } from './compile.ts';
import {
  diodeCurve,
  heldCurve,
  leakCurve,
  optocouplerCurve,
  restCurve,
  saturatedCurve,
  transmitterCurve,
} from './characteristics.ts';
import { solveInPlace } from './lu.ts';

// Taken into this file once: the inner loop reads them at every element.
const { resistor: RESISTOR, source: SOURCE, diode: DIODE, output: OUTPUT, optocoupler: OPTOCOUPLER } = KIND;
const { contact: CONTACT, twoWire: TWO_WIRE, transmitter: TRANSMITTER } = KIND;
const { high: HIGH, low: LOW, forward: FORWARD, backward: BACKWARD } = FLAG;

/** Conductance from a loose node to the reference, S, so that one that hangs on nothing still has a number. */
const LOOSE_CONDUCTANCE = 1e-12;
/**
 * Conductance from every node with which a stubborn circuit is begun, S, and by what it falls from step to step: first
 * in few large steps, which nearly every circuit takes, then in small ones.
 */
const LADDERS = [
  { first: 1e-3, fall: 1e-3 },
  { first: 0.1, fall: 0.2 },
] as const;
const MAX_ITERATIONS = 120;
/** What has not converged in so many steps from where it began is begun anew. */
const FIRST_ITERATIONS = 24;
const MAX_HALVINGS = 14;
/** Sizes of the error that count as none at all, and as none once no unknown moves by more than `STILL` (V, A). */
const EXACT = 1e-21;
const CLOSE = 1e-14;
const STILL = 1e-7;
/** No unknown moves further than this in one step, V or A. */
const FURTHEST = 60;
/** Weight of a node's current sum (A) against a source's voltage sum (V) in the size of the error. */
const CURRENT_WEIGHT = 100;

/** Room for what is filled anew before it is read: the same for all circuits with so many unknowns. */
interface Scratch {
  /** Where a step begins, and the step itself. */
  readonly start: Float64Array;
  readonly step: Float64Array;
  readonly error: Float64Array;
  /** Room for the part of a single element. */
  readonly probe: Float64Array;
  readonly jacobian: Float64Array;
  readonly curve: Float64Array;
}

/** What a solution needs; made once, used again for every solution of the same circuit. */
export interface Workspace extends Scratch {
  /** Conductance from every node to the reference, S; above zero only while a stubborn circuit is begun. */
  conductance: number;
  readonly x: Float64Array;
  /** 1 where an output's transistor to plus is on, a contact is closed or a two-wire sensor is through. */
  readonly highOn: Uint8Array;
  /** 1 where an output's transistor to minus is on. */
  readonly lowOn: Uint8Array;
}

const scratches = new Map<number, Scratch>();

function scratchFor(n: number): Scratch {
  const known = scratches.get(n);
  if (known) return known;
  const made = {
    start: new Float64Array(n),
    step: new Float64Array(n),
    error: new Float64Array(n),
    probe: new Float64Array(n),
    jacobian: new Float64Array(n * n),
    curve: new Float64Array(2),
  };
  scratches.set(n, made);
  return made;
}

export function workspaceFor(c: Compiled): Workspace {
  const n = c.nodeCount + c.sourceCount;
  return {
    ...scratchFor(n),
    conductance: 0,
    x: new Float64Array(n),
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
  return newton(c, params, w, FIRST_ITERATIONS) || LADDERS.some((ladder) => climbDown(c, params, w, ladder));
}

function climbDown(
  c: Compiled,
  params: Float64Array,
  w: Workspace,
  { first, fall }: (typeof LADDERS)[number],
): boolean {
  w.x.fill(0);
  for (w.conductance = first; w.conductance > LOOSE_CONDUCTANCE; w.conductance *= fall) newton(c, params, w);
  w.conductance = 0;
  return newton(c, params, w);
}

/**
 * Newton's iteration with halved steps on the modified nodal equations, from the present `w.x`.
 * Unknowns: node voltages (V), then source currents (A).
 * @returns whether it converged.
 */
function newton(c: Compiled, params: Float64Array, w: Workspace, most = MAX_ITERATIONS): boolean {
  const n = c.nodeCount + c.sourceCount;
  let size = accumulate(c, params, w, w.x, w.error, w.jacobian);
  for (let round = 0; round < most; round++) {
    if (!solveInPlace(w.jacobian, w.error, n)) return false;
    let largest = 0;
    for (let i = 0; i < n; i++) {
      const step = w.error[i]!;
      w.step[i] = step;
      w.start[i] = w.x[i]!;
      if (step > largest) largest = step;
      else if (-step > largest) largest = -step;
    }
    let share = Math.min(1, FURTHEST / largest);
    let next = Infinity;
    for (let half = 0; half < MAX_HALVINGS; half++, share /= 2) {
      for (let i = 0; i < n; i++) w.x[i] = w.start[i]! - share * w.step[i]!;
      next = accumulate(c, params, w, w.x, w.error, w.jacobian);
      if (next <= size * (1 - share / 4) || next < EXACT) break;
    }
    size = next;
    if (size < EXACT) return true;
    if (largest * share < STILL && size < CLOSE) return true;
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
    error[i] = w.conductance * x[i]!;
    if (jacobian) jacobian[i * n + i] = w.conductance;
  }
  for (let k = 0; k < c.loose.length; k++) {
    const i = c.loose[k]!;
    error[i]! += LOOSE_CONDUCTANCE * x[i]!;
    if (jacobian) jacobian[i * n + i]! += LOOSE_CONDUCTANCE;
  }
  stampResistors(c, params, x, error, jacobian, n);
  for (let k = 0; k < c.curved.length; k++) stampElement(c, params, w, x, error, jacobian, c.curved[k]!, n);
  let sum = 0;
  for (let i = 0; i < n; i++) {
    const scaled = i < c.nodeCount ? error[i]! * CURRENT_WEIGHT : error[i]!;
    sum += scaled * scaled;
  }
  return sum;
}

/** Adds the parts of all resistors; they are most of a network, so they go without a detour. */
function stampResistors(
  c: Compiled,
  p: Float64Array,
  x: Float64Array,
  error: Float64Array,
  jacobian: Float64Array | null,
  n: number,
): void {
  const { straight, nodes, param } = c;
  for (let k = 0; k < straight.length; k++) {
    const e = straight[k]!;
    const a = nodes[e * 3]!;
    const b = nodes[e * 3 + 1]!;
    const conductance = 1 / p[param[e]!]!;
    const amps = ((a < 0 ? 0 : x[a]!) - (b < 0 ? 0 : x[b]!)) * conductance;
    if (a >= 0) error[a]! += amps;
    if (b >= 0) error[b]! -= amps;
    if (!jacobian) continue;
    if (a >= 0) jacobian[a * n + a]! += conductance;
    if (b >= 0) jacobian[b * n + b]! += conductance;
    if (a >= 0 && b >= 0) {
      jacobian[a * n + b]! -= conductance;
      jacobian[b * n + a]! -= conductance;
    }
  }
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
  const a = entry(c.nodes, e * 3);
  const b = entry(c.nodes, e * 3 + 1);
  const q = entry(c.param, e);
  const curve = w.curve;
  switch (c.kind[e]) {
    case RESISTOR: {
      const conductance = 1 / entry(p, q);
      curve[0] = (volt(x, a) - volt(x, b)) * conductance;
      curve[1] = conductance;
      stampBranch(a, b, curve, error, jacobian, n);
      return;
    }
    case DIODE:
      diodeCurve(volt(x, a) - volt(x, b), entry(p, q), entry(p, q + 1), curve);
      stampBranch(a, b, curve, error, jacobian, n);
      return;
    case OPTOCOUPLER: {
      const flags = entry(c.flags, e);
      const volts = volt(x, a) - volt(x, b);
      const forward = (flags & FORWARD) !== 0;
      const backward = (flags & BACKWARD) !== 0;
      optocouplerCurve(volts, entry(p, q), entry(p, q + 1), entry(p, q + 2), forward, backward, curve);
      stampBranch(a, b, curve, error, jacobian, n);
      return;
    }
    case OUTPUT: {
      const minus = entry(c.nodes, e * 3 + 2);
      const flags = entry(c.flags, e);
      if (flags & HIGH) {
        transistor(volt(x, a) - volt(x, b), p, q, w.highOn[e] === 1, curve);
        stampBranch(a, b, curve, error, jacobian, n);
      }
      if (flags & LOW) {
        transistor(volt(x, b) - volt(x, minus), p, q, w.lowOn[e] === 1, curve);
        stampBranch(b, minus, curve, error, jacobian, n);
      }
      return;
    }
    case CONTACT:
    case TWO_WIRE:
    case TRANSMITTER:
      discreteCurve(c, p, w, volt(x, a) - volt(x, b), e);
      stampBranch(a, b, curve, error, jacobian, n);
      return;
    case SOURCE:
      stampSource(a, b, entry(c.sourceRow, e), p, q, x, error, jacobian, n);
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
  if (on) saturatedCurve(volts, entry(p, q), entry(p, q + 1), entry(p, q + 3), curve);
  else leakCurve(volts, entry(p, q + 2), curve);
}

/** A contact, two-wire sensor or transmitter at `volts` (V) across it, in its present state. */
function discreteCurve(c: Compiled, p: Float64Array, w: Workspace, volts: number, e: number): void {
  const q = entry(c.param, e);
  const { curve } = w;
  const on = w.highOn[e] === 1;
  if (c.kind[e] === TWO_WIRE) twoWire(volts, p, q, on, curve);
  else if (c.kind[e] === TRANSMITTER) transmitterCurve(volts, entry(p, q), entry(p, q + 1), curve);
  else {
    curve[1] = on ? 1 / entry(p, q) : 0;
    curve[0] = volts * curve[1];
  }
}

/** A two-wire sensor at `volts` (V) across it. */
export function twoWire(volts: number, p: Float64Array, q: number, on: boolean, curve: Float64Array): void {
  if (on) heldCurve(volts, entry(p, q), entry(p, q + 1), entry(p, q + 3), curve);
  else restCurve(volts, entry(p, q + 2), curve);
}

function volt(x: Float64Array, node: number): number {
  return node < 0 ? 0 : entry(x, node);
}

function stampBranch(
  a: number,
  b: number,
  curve: Float64Array,
  error: Float64Array,
  jacobian: Float64Array | null,
  n: number,
): void {
  const amps = entry(curve, 0);
  const slope = entry(curve, 1);
  if (a >= 0) add(error, a, amps);
  if (b >= 0) add(error, b, -amps);
  if (!jacobian) return;
  if (a >= 0) add(jacobian, a * n + a, slope);
  if (b >= 0) add(jacobian, b * n + b, slope);
  if (a >= 0 && b >= 0) {
    add(jacobian, a * n + b, -slope);
    add(jacobian, b * n + a, -slope);
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
  const amps = entry(x, row);
  if (plus >= 0) add(error, plus, -amps);
  if (minus >= 0) add(error, minus, amps);
  const voltSlack = entry(p, q) - entry(p, q + 1) * amps - (volt(x, plus) - volt(x, minus));
  const ampSlack = entry(p, q + 2) - amps;
  const limited = ampSlack < voltSlack;
  error[row] = limited ? ampSlack : voltSlack;
  if (!jacobian) return;
  if (plus >= 0) add(jacobian, plus * n + row, -1);
  if (minus >= 0) add(jacobian, minus * n + row, 1);
  jacobian[row * n + row] = limited ? -1 : -entry(p, q + 1);
  if (limited) return;
  if (plus >= 0) add(jacobian, row * n + plus, -1);
  if (minus >= 0) add(jacobian, row * n + minus, 1);
}
