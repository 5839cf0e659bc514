import type { Compiled } from './compile.ts';
import { clear, solveLinear } from './linear.ts';
import type { Equations } from './linear.ts';
import { roomFor } from './room.ts';
import { sourcesStand, stampElement, stampStraight } from './stamps.ts';
import type { Stamped } from './stamps.ts';

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
/** Sizes of the error that cannot be made smaller, and that count as none once the unknowns stand. */
const EXACT = 1e-21;
const CLOSE = 1e-14;
/**
 * They stand when no unknown moved by more than `STILL`, or when the next step would move none by more than `SETTLED`, as
 * far as steps go on falling as they did, V or A. How small the error is does not tell: 1e-14 A are 10 mV at a node that
 * hangs on 1e-12 S.
 */
const STILL = 1e-7;
const SETTLED = 1e-10;
/**
 * After a step no longer than this the error is not looked at again, V or A: a curve with a knee of 20 mV bends by its
 * square over eight knees, 0.2 nV. Only sources have corners: a step round one is followed by another, if it was more
 * than what numbers are rounded by.
 */
const UNSEEN = 5e-6;
const ROUNDED = 1e-12;
/** No unknown moves further than this in one step, V or A. */
const FURTHEST = 60;
/** Weight of a node's current sum (A) against a source's voltage sum (V) in the size of the error. */
const CURRENT_WEIGHT = 100;

/** What a solution needs; made once, used again for every solution of the same circuit. */
export interface Workspace extends Stamped, Equations {
  /** Conductance from every node to the reference, S; above zero only while a stubborn circuit is begun. */
  conductance: number;
  /** Volts by node, then amperes by source; 0 V for the reference. */
  readonly x: Float64Array;
  /** How far the unknowns are to go. */
  readonly step: Float64Array;
  /** The right side that a step is solved for: what is left over. */
  readonly rights: readonly [Float64Array];
}

/** Of the current and the slope of a curve nothing is ever read later. */
const CURVE = new Float64Array(2);

export function workspaceFor(c: Compiled): Workspace {
  const unknowns = 1 + c.nodeCount + c.sourceCount;
  const width = c.open.length;
  const error = roomFor('error', unknowns);
  return {
    conductance: 0,
    x: new Float64Array(unknowns),
    step: roomFor('step', unknowns),
    error,
    rights: [error],
    inverse: roomFor('inverse', unknowns),
    curve: CURVE,
    slopes: roomFor('slopes', c.plan.slots),
    limited: new Uint8Array(c.sourceCount),
    matrix: roomFor('matrix', width * width),
    right: roomFor('right', width),
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
  const { x, step, error } = w;
  const n = x.length;
  let size = accumulate(c, params, w);
  let before = 0;
  for (let round = 0; round < most; round++) {
    if (!solveLinear(c, params, w, w.rights)) return false;
    let largest = 0;
    for (let i = 1; i < n; i++) {
      const by = error[i]!;
      step[i] = by;
      const far = Math.abs(by);
      if (far > largest) largest = far;
    }
    let share = Math.min(1, FURTHEST / largest);
    for (let i = 1; i < n; i++) x[i]! -= share * step[i]!;
    const stood = largest < ROUNDED || sourcesStand(c, params, w);
    if (stood && largest < UNSEEN && stand(largest, before)) return true;
    let next = accumulate(c, params, w);
    for (let half = 1; half < MAX_HALVINGS && !(next <= size * (1 - share / 4) || next < EXACT); half++) {
      share /= 2;
      for (let i = 1; i < n; i++) x[i]! += share * step[i]!;
      next = accumulate(c, params, w);
    }
    size = next;
    if (stood && size < CLOSE && stand(largest * share, share === 1 ? before : 0)) return true;
    before = share === 1 ? largest : 0;
  }
  return false;
}

/** Whether the unknowns stand after a step, by how far it went and the one before. */
const stand = (far: number, before: number): boolean => far < STILL || far * far < SETTLED * before;

/** Fills what is left over (currents that leave each node, then source equations) and the slopes. @returns its size. */
export function accumulate(c: Compiled, params: Float64Array, w: Workspace): number {
  const { x, error, slopes } = w;
  const { nodeCount, loose, curved, sources } = c;
  clear(slopes);
  clear(error);
  if (w.conductance > 0)
    for (let i = 1; i <= nodeCount; i++) {
      error[i] = w.conductance * x[i]!;
      slopes[i] = w.conductance;
    }
  for (let k = 0; k < loose.length; k++) {
    const i = loose[k]!;
    error[i]! += LOOSE_CONDUCTANCE * x[i]!;
    slopes[i]! += LOOSE_CONDUCTANCE;
  }
  stampStraight(c, params, x, w);
  for (let k = 0; k < curved.length; k++) stampElement(c, params, x, w, curved[k]!);
  for (let k = 0; k < sources.length; k++) stampElement(c, params, x, w, sources[k]!);
  let sum = 0;
  for (let i = 1; i <= nodeCount; i++) sum += error[i]! * error[i]!;
  sum *= CURRENT_WEIGHT * CURRENT_WEIGHT;
  for (let i = nodeCount + 1; i < error.length; i++) sum += error[i]! * error[i]!;
  return sum;
}
