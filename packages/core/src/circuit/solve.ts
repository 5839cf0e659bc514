import { compile, FLAG, KIND } from './compile.ts';
import type { Compiled } from './compile.ts';
import { Discrete } from './discrete.ts';
import type { Present } from './discrete.ts';
import type { Netlist } from './netlist.ts';
import { accumulate, solveFrom, transistor, twoWire, workspaceFor } from './newton.ts';
import type { Workspace } from './newton.ts';
import { diodeCurve, optocouplerCurve, transmitterCurve } from './characteristics.ts';
import { answers } from './answers.ts';
import { hangingNodes } from './floating.ts';

/** `chatter`: the discrete states never settle; `diverged`: no solution was found within the iteration's bound. */
export type Outcome = 'solved' | 'chatter' | 'diverged';

/** A solved circuit: volts against the reference node, amperes through each element. */
export interface Solution {
  readonly outcome: Outcome;
  /** Voltage of a node against the reference, V. @throws Error for a node that is not in the circuit. */
  volts(node: string): number;
  /**
   * Current through an element, A, in the sense that its type states. An output has two branches:
   * `id/high` from plus to out, `id/low` from out to minus.
   */
  amps(id: string): number;
  /** Whether a node hangs on nothing: its voltage is then no firm value. */
  floating(node: string): boolean;
  /** Whether an output has the supply that it needs. */
  powered(id: string): boolean;
  /** Whether an output, detector or latch is on; an output needs its supply for that. */
  active(id: string): boolean;
  /** Whether a contact is closed, or a two-wire sensor through. */
  closed(id: string): boolean;
  /** All detectors, latches and outputs that are on: what the next solution is to begin with. */
  readonly held: ReadonlySet<string>;
}

/** Solves a netlist at the nominal values of its parameters. */
export function solve(netlist: Netlist): Solution {
  const solver = new Solver(compile(netlist));
  return solver.solution(solver.compiled.nominal);
}

/** Solves one compiled circuit again and again with other parameter values. */
export class Solver {
  readonly compiled: Compiled;
  private readonly w: Workspace;
  private readonly indexOf: ReadonlyMap<string, number>;
  private readonly discrete: Discrete;
  private params: Float64Array;
  private readonly present: Present = {
    volt: (node) => this.voltOf(node),
    named: (name) => this.nodeVolts(name),
    amps: (e) => this.elementAmps(e, false, this.params),
  };

  constructor(compiled: Compiled) {
    this.compiled = compiled;
    this.w = workspaceFor(compiled);
    this.params = compiled.nominal;
    this.indexOf = new Map(compiled.netlist.elements.map((element, e) => [element.id, e]));
    this.discrete = new Discrete(compiled, this.w, this.indexOf);
  }

  /**
   * Finds voltages, currents and the discrete states that fit them. The result stays in the solver
   * (`nodeVolts`, `branchAmps`) until the next run. Starts from the last result.
   */
  run(params: Float64Array): Outcome {
    const { compiled: c, w, discrete } = this;
    this.params = params;
    discrete.start();
    for (let round = 0; round <= 2 * c.kind.length + 4; round++) {
      if (!solveFrom(c, params, w)) return 'diverged';
      if (!discrete.settle(c, this.present)) return 'solved';
    }
    return 'chatter';
  }

  private voltOf(index: number): number {
    return index < 0 ? 0 : this.w.x[index]!;
  }

  /** Voltage of a node against the reference in the last run, V. */
  nodeVolts(name: string): number {
    const index = this.compiled.nodeIndex.get(name);
    if (index === undefined) throw new Error(`There is no node "${name}" in this circuit.`);
    return this.voltOf(index);
  }

  /** Current of an element or of a branch of an output in the last run, A. */
  branchAmps(id: string, params: Float64Array): number {
    const low = id.endsWith('/low');
    const name = low ? id.slice(0, -4) : id.endsWith('/high') ? id.slice(0, -5) : id;
    const e = this.indexOf.get(name);
    if (e === undefined) throw new Error(`There is no element "${name}" in this circuit.`);
    return this.elementAmps(e, low, params);
  }

  private elementAmps(e: number, low: boolean, params: Float64Array): number {
    const { compiled: c, w } = this;
    const across =
      this.voltOf(c.nodes[e * 3 + (low ? 1 : 0)]!) - this.voltOf(c.nodes[e * 3 + (low ? 2 : 1)]!);
    const q = c.param[e]!;
    const flags = c.flags[e]!;
    switch (c.kind[e]) {
      case KIND.resistor:
        return across / params[q]!;
      case KIND.contact:
        return w.highOn[e] === 1 ? across / params[q]! : 0;
      case KIND.source:
        return w.x[c.sourceRow[e]!]!;
      case KIND.diode:
        diodeCurve(across, params[q]!, params[q + 1]!, w.curve);
        return w.curve[0]!;
      case KIND.optocoupler: {
        const forward = (flags & FLAG.forward) !== 0;
        const backward = (flags & FLAG.backward) !== 0;
        optocouplerCurve(across, params[q]!, params[q + 1]!, params[q + 2]!, forward, backward, w.curve);
        return w.curve[0]!;
      }
      case KIND.output: {
        if (!(flags & (low ? FLAG.low : FLAG.high))) return 0;
        transistor(across, params, q, (low ? w.lowOn : w.highOn)[e] === 1, w.curve);
        return w.curve[0]!;
      }
      case KIND.twoWire:
        twoWire(across, params, q, w.highOn[e] === 1, w.curve);
        return w.curve[0]!;
      case KIND.transmitter:
        transmitterCurve(across, params[q]!, params[q + 1]!, w.curve);
        return w.curve[0]!;
      default:
        return 0;
    }
  }

  /** The equations at the last run's result made linear: slopes and right-hand side as plain rows. */
  linearised(params: Float64Array): { matrix: number[][]; right: number[] } {
    const { compiled: c, w } = this;
    const n = w.x.length;
    accumulate(c, params, w, w.x, w.error, w.jacobian);
    const matrix = Array.from({ length: n }, (_, i) => [...w.jacobian.subarray(i * n, (i + 1) * n)]);
    const right = matrix.map((row, i) => row.reduce((sum, slope, j) => sum + slope * w.x[j]!, -w.error[i]!));
    return { matrix, right };
  }

  /** How a quantity answers to each toleranced parameter at the last run's result. */
  answers(params: Float64Array, read: (params: Float64Array) => number): Float64Array | undefined {
    return answers(this.compiled, this.w, params, read);
  }

  /** Runs and keeps the result in an object of its own. */
  solution(params: Float64Array): Solution {
    const outcome = this.run(params);
    const { compiled: c, w } = this;
    const volts = new Map([...c.nodeIndex.keys()].map((name) => [name, this.nodeVolts(name)]));
    const branches = c.netlist.elements.flatMap(({ kind, id }) =>
      kind === 'output' ? [`${id}/high`, `${id}/low`] : [id],
    );
    const amps = new Map(branches.map((id) => [id, this.branchAmps(id, params)]));
    const conducting = new Map(
      c.netlist.elements.map(({ id }, e) => [id, { high: w.highOn[e] === 1, low: w.lowOn[e] === 1 }]),
    );
    const on = new Map(c.netlist.elements.map(({ id }, e) => [id, this.discrete.state(e)]));
    const closed = new Set(
      c.netlist.elements.flatMap((el, e) =>
        el.kind === 'switch' && (el.closed === true || w.highOn[e] === 1) ? [el.id] : [],
      ),
    );
    const powered = new Map(c.netlist.elements.map(({ id }, e) => [id, this.discrete.powered[e] === 1]));
    const hanging = hangingNodes(
      c.netlist,
      (id, branch) => closed.has(id) || (conducting.get(id)?.[branch] ?? false),
      (id) => amps.get(id) ?? 0,
    );
    return {
      outcome,
      volts: (node) => must(volts, node, 'node'),
      amps: (id) => must(amps, id, 'element'),
      floating: (node) => hanging.has(node),
      powered: (id) => powered.get(id) ?? false,
      active: (id) => on.get(id) ?? false,
      closed: (id) => closed.has(id) || (conducting.get(id)?.high ?? false),
      held: new Set([...on].filter(([, is]) => is).map(([id]) => id)),
    };
  }
}

function must(map: ReadonlyMap<string, number>, key: string, what: string): number {
  const value = map.get(key);
  if (value === undefined) throw new Error(`There is no ${what} "${key}" in this circuit.`);
  return value;
}
