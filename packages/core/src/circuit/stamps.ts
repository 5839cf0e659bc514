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

// Taken into this file once: the inner loop reads them at every element.
const { resistor: RESISTOR, source: SOURCE, diode: DIODE, output: OUTPUT, optocoupler: OPTOCOUPLER } = KIND;
const { contact: CONTACT, twoWire: TWO_WIRE, transmitter: TRANSMITTER } = KIND;
const { high: HIGH, low: LOW, forward: FORWARD, backward: BACKWARD } = FLAG;

/** The states of a circuit's parts while it is solved. */
export interface States {
  /** 1 where an output's transistor to plus is on, a contact is closed or a two-wire sensor is through. */
  readonly highOn: Uint8Array;
  /** 1 where an output's transistor to minus is on. */
  readonly lowOn: Uint8Array;
}

/** Where the elements of a circuit put their parts. */
export interface Stamped extends States {
  /** What is left over at each node, A, and in the equation of each source, V; 0 stands for the reference. */
  readonly error: Float64Array;
  /** Conductances by their slots, S. */
  readonly slopes: Float64Array;
  /** 1 for a source that gives no more than its limit. */
  readonly limited: Uint8Array;
  /** Current and slope of the curve that was looked at last. */
  readonly curve: Float64Array;
}

/** Adds the parts of all resistors and closed contacts; they are most of a network, so they go without a detour. */
export function stampStraight(c: Compiled, p: Float64Array, x: Float64Array, into: Stamped): void {
  const { straight, kind, nodes, param, slots } = c;
  const { error, slopes, highOn } = into;
  for (let k = 0; k < straight.length; k++) {
    const e = straight[k]!;
    if (kind[e] === CONTACT && highOn[e] !== 1) continue;
    const a = nodes[e * 3]!;
    const b = nodes[e * 3 + 1]!;
    const conductance = 1 / p[param[e]!]!;
    const amps = (x[a]! - x[b]!) * conductance;
    error[a]! += amps;
    error[b]! -= amps;
    slopes[slots[e * 2]!]! += conductance;
  }
}

/** Adds one element's part to what is left over, and to the slopes. */
export function stampElement(c: Compiled, p: Float64Array, x: Float64Array, into: Stamped, e: number): void {
  const { nodes } = c;
  const kind = c.kind[e]!;
  const a = nodes[e * 3]!;
  const b = nodes[e * 3 + 1]!;
  if (kind === SOURCE) {
    stampSource(c, p, x, into, e);
    return;
  }
  if (kind === OUTPUT) {
    const flags = c.flags[e]!;
    if (flags & HIGH) {
      branchCurve(c, p, into, e, false, x[a]! - x[b]!);
      stampBranch(a, b, c.slots[e * 2]!, into);
    }
    if (flags & LOW) {
      const minus = nodes[e * 3 + 2]!;
      branchCurve(c, p, into, e, true, x[b]! - x[minus]!);
      stampBranch(b, minus, c.slots[e * 2 + 1]!, into);
    }
    return;
  }
  branchCurve(c, p, into, e, false, x[a]! - x[b]!);
  stampBranch(a, b, c.slots[e * 2]!, into);
}

function stampBranch(a: number, b: number, slot: number, { error, slopes, curve }: Stamped): void {
  const amps = curve[0]!;
  error[a]! += amps;
  error[b]! -= amps;
  slopes[slot]! += curve[1]!;
}

/**
 * Current (A) and slope (S) of an element's branch with `volts` across it, into `curve`: of an output the one from
 * plus, or the one to minus where `low` says so. A source has none.
 */
export function branchCurve(
  c: Compiled,
  p: Float64Array,
  { highOn, lowOn, curve }: States & Pick<Stamped, 'curve'>,
  e: number,
  low: boolean,
  volts: number,
): void {
  const q = c.param[e]!;
  switch (c.kind[e]) {
    case RESISTOR:
      linear(volts, 1 / p[q]!, curve);
      return;
    case CONTACT:
      linear(volts, highOn[e] === 1 ? 1 / p[q]! : 0, curve);
      return;
    case DIODE:
      diodeCurve(volts, p[q]!, p[q + 1]!, curve);
      return;
    case OPTOCOUPLER: {
      const flags = c.flags[e]!;
      const [forward, backward] = [(flags & FORWARD) !== 0, (flags & BACKWARD) !== 0];
      optocouplerCurve(volts, p[q]!, p[q + 1]!, p[q + 2]!, forward, backward, curve);
      return;
    }
    case OUTPUT:
      if (!(c.flags[e]! & (low ? LOW : HIGH))) linear(volts, 0, curve);
      else if ((low ? lowOn : highOn)[e] === 1) saturatedCurve(volts, p[q]!, p[q + 1]!, p[q + 3]!, curve);
      else leakCurve(volts, p[q + 2]!, curve);
      return;
    case TWO_WIRE:
      if (highOn[e] === 1) heldCurve(volts, p[q]!, p[q + 1]!, p[q + 3]!, curve);
      else restCurve(volts, p[q + 2]!, curve);
      return;
    case TRANSMITTER:
      transmitterCurve(volts, p[q]!, p[q + 1]!, curve);
      return;
    default:
      linear(volts, 0, curve);
  }
}

function linear(volts: number, conductance: number, curve: Float64Array): void {
  curve[0] = volts * conductance;
  curve[1] = conductance;
}

/** Voltage V − R·I at the terminals until the current reaches its limit: the smaller of the two slacks is zero. */
function stampSource(
  c: Compiled,
  p: Float64Array,
  x: Float64Array,
  { error, limited }: Stamped,
  e: number,
): void {
  const row = c.sourceRow[e]!;
  const amps = x[row]!;
  error[c.nodes[e * 3]!]! -= amps;
  error[c.nodes[e * 3 + 1]!]! += amps;
  const volts = voltSlack(c, p, x, e);
  const left = p[c.param[e]! + 2]! - amps;
  const isLimited = left < volts;
  error[row] = isLimited ? left : volts;
  limited[row - c.nodeCount - 1] = isLimited ? 1 : 0;
}

/** What a source's terminals are below its voltage behind its resistance, V. */
function voltSlack(
  { nodes, param, sourceRow }: Compiled,
  p: Float64Array,
  x: Float64Array,
  e: number,
): number {
  const q = param[e]!;
  return p[q]! - p[q + 1]! * x[sourceRow[e]!]! - (x[nodes[e * 3]!]! - x[nodes[e * 3 + 1]!]!);
}

/** Whether each source is at its limit, or below it, as it was when it was looked at: their equations alone have corners. */
export function sourcesStand(
  c: Compiled,
  p: Float64Array,
  { x, limited }: Pick<Stamped, 'limited'> & { readonly x: Float64Array },
): boolean {
  const { sources, sourceRow, param } = c;
  for (let k = 0; k < sources.length; k++) {
    const e = sources[k]!;
    const isLimited = p[param[e]! + 2]! - x[sourceRow[e]!]! < voltSlack(c, p, x, e);
    if (isLimited !== (limited[k] === 1)) return false;
  }
  return true;
}
