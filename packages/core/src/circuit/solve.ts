import { entry } from './entries.ts';
import { compile, KIND } from './compile.ts';
import type { Compiled } from './compile.ts';
import { Discrete } from './discrete.ts';
import type { Present } from './discrete.ts';
import type { Netlist } from './netlist.ts';
import { accumulate, solveFrom, workspaceFor } from './newton.ts';
import type { Workspace } from './newton.ts';
import { plainMatrix } from './linear.ts';
import { branchCurve } from './stamps.ts';
import { stepOf, stepsLike } from './steps.ts';
import type { Step, Steps } from './steps.ts';
import { answers } from './answers.ts';
import type { Reader } from './answers.ts';
import { hangingNodes } from './floating.ts';

/** `chatter`: the discrete states never settle; `diverged`: no solution was found within the iteration's bound. */
export type Outcome = 'solved' | 'chatter' | 'diverged';

/** A solved circuit: volts against the reference node, amperes through each element. */
export interface Solution {
  readonly outcome: Outcome;
  /** Voltage of a node against the reference, V. @throws Error for a node that is not in the circuit. */
  volts(node: string): number;
  /** Whether a node is in the circuit. */
  has(node: string): boolean;
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

/**
 * Solves a netlist at the nominal values of its parameters. @param near the solution of a circuit like this one: it is
 * begun there, which is quicker and leads to the same.
 */
export function solve(netlist: Netlist, near?: Solution): Solution {
  const solver = new Solver(compile(netlist));
  if (near) solver.follow(near);
  return solver.result(solver.compiled.nominal);
}

/** From this round on it is looked whether states come back: most circuits need fewer. */
const LOOKED_AT = 8;

/** Solves one compiled circuit again and again with other parameter values. */
export class Solver {
  readonly compiled: Compiled;
  private readonly w: Workspace;
  private readonly discrete: Discrete;
  private params: Float64Array;
  private beginStep: ((w: Step) => void) | undefined;
  private readonly present: Present = {
    volt: (node) => this.voltAt(node),
    named: (name) => this.nodeVolts(name),
    amps: (e) => elementAmps(this.compiled, this.w, this.params, e, false),
  };

  constructor(compiled: Compiled) {
    this.compiled = compiled;
    this.w = workspaceFor(compiled);
    this.params = compiled.nominal;
    this.discrete = new Discrete(compiled, this.w);
  }

  /**
   * Finds voltages, currents and the discrete states that fit them. The result stays in the solver
   * (`nodeVolts`, `branchAmps`) until the next run. Starts from the last result.
   * @param taken gets the steps of a circuit that follows no other.
   */
  run(params: Float64Array, taken?: Step[]): Outcome {
    const { compiled: c, w, discrete } = this;
    this.params = params;
    discrete.start();
    const last = 2 * c.kind.length + 4;
    let stood: Map<string, number> | undefined;
    for (let round = 0; round <= last; round++) {
      if (discrete.driven) {
        this.beginStep?.(w);
        if (!solveFrom(c, params, w)) return 'diverged';
        // Of what follows another the last step is enough: the result.
        if (!this.beginStep) taken?.push(stepOf(w));
      }
      discrete.driven = false;
      if (!discrete.settle(c, this.present)) return 'solved';
      if (round < LOOKED_AT) continue;
      stood ??= new Map();
      const key = discrete.key();
      const before = stood.get(key);
      // What stands as it stood before goes round for ever: only what is left of the last turn is gone through.
      if (before === undefined) stood.set(key, round);
      else round = last - ((last - round) % (round - before));
    }
    return 'chatter';
  }

  /** Steps of the next runs begin as those of the solution of a circuit like this one ended. */
  follow(near: Solution): void {
    if (near instanceof KeptSolution && near.outcome === 'solved')
      this.beginStep = stepsLike(near.steps(), this.compiled);
  }

  /** Voltage of a node against the reference in the last run, V. */
  nodeVolts(name: string): number {
    return this.voltAt(this.nodeNumber(name));
  }

  /** The unknowns off which a quantity is read, and the element whose parameters it takes. */
  unknownsOf(id: string): { unknowns: number[]; element: number } {
    const { compiled: c } = this;
    const element = c.indexOf.get(branchOf(id).name);
    if (element === undefined) throw new Error(`There is no element "${id}" in this circuit.`);
    const unknowns = [...c.nodes.subarray(element * 3, element * 3 + 3), entry(c.sourceRow, element)];
    return { unknowns: unknowns.filter((i) => i > 0), element };
  }

  /** Current of an element or of a branch of an output in the last run, A. */
  branchAmps(id: string, params: Float64Array): number {
    return branchAmps(this.compiled, this.w, params, id);
  }

  /** The equations at the last run's result made linear: slopes and right-hand side as plain rows. */
  linearised(params: Float64Array): { matrix: number[][]; right: number[] } {
    const { compiled: c, w } = this;
    accumulate(c, params, w);
    const matrix = plainMatrix(c, params, w);
    const right = matrix.map((row, i) =>
      row.reduce((sum, slope, j) => sum + slope * entry(w.x, j + 1), -entry(w.error, i + 1)),
    );
    return { matrix, right };
  }

  /** How quantities answer to each toleranced parameter at the last run's result. */
  answers(params: Float64Array, readers: readonly Reader[]): Float64Array[] | undefined {
    return answers(this.compiled, this.w, params, readers);
  }

  /** Number of a node among the unknowns, 0 for the reference. @throws Error for a node that is not in the circuit. */
  nodeNumber(name: string): number {
    const index = this.compiled.nodeIndex.get(name);
    if (index === undefined) throw new Error(`There is no node "${name}" in this circuit.`);
    return index;
  }

  /** The discrete states of the last run: two runs in the same states give the same. */
  stateKey(): string {
    return `${this.discrete.on.join('')} ${this.w.highOn.join('')}`;
  }

  /** Voltage of a node by its number in the last run, V. */
  voltAt(node: number): number {
    return entry(this.w.x, node);
  }

  /** Runs and keeps the result in an object of its own. */
  solution(params: Float64Array): Solution {
    const taken: Step[] = [];
    const outcome = this.run(params, taken);
    const { compiled, w, discrete } = this;
    const kept: Kept = { ...stepOf(w), curve: w.curve };
    const own = Float64Array.from(params);
    return new KeptSolution(
      outcome,
      compiled,
      kept,
      own,
      discrete.on.slice(),
      discrete.powered.slice(),
      taken,
    );
  }

  /** Runs for the last time: the result is the solver's own. */
  result(params: Float64Array): Solution {
    const taken: Step[] = [];
    const outcome = this.run(params, taken);
    const { compiled, w, discrete } = this;
    return new KeptSolution(outcome, compiled, w, params, discrete.on, discrete.powered, taken);
  }
}

type Kept = Pick<Workspace, 'x' | 'highOn' | 'lowOn' | 'curve'>;

/** A result that stays as it is while its solver goes on. What is seldom asked for is worked out when it is. */
class KeptSolution implements Solution {
  readonly outcome: Outcome;
  private hanging?: ReadonlySet<number>;
  private on?: ReadonlySet<string>;
  private readonly taken: readonly Step[];
  private readonly c: Compiled;
  private readonly kept: Kept;
  private readonly params: Float64Array;
  private readonly isOn: Uint8Array;
  private readonly isPowered: Uint8Array;

  constructor(
    outcome: Outcome,
    c: Compiled,
    kept: Kept,
    params: Float64Array,
    isOn: Uint8Array,
    isPowered: Uint8Array,
    taken: readonly Step[],
  ) {
    this.taken = taken;
    this.outcome = outcome;
    this.c = c;
    this.kept = kept;
    this.params = params;
    this.isOn = isOn;
    this.isPowered = isPowered;
  }

  steps(): Steps {
    return { c: this.c, taken: [...this.taken, this.kept] };
  }

  volts = (node: string): number => {
    const index = this.c.nodeIndex.get(node);
    if (index === undefined) throw new Error(`There is no node "${node}" in this circuit.`);
    return entry(this.kept.x, index);
  };

  has = (node: string): boolean => this.c.nodeIndex.has(node);

  amps = (id: string): number => branchAmps(this.c, this.kept, this.params, id);

  floating = (node: string): boolean => {
    this.hanging ??= this.findHanging();
    return this.hanging.has(this.c.nodeIndex.get(node) ?? 0);
  };

  powered = (id: string): boolean => this.isPowered[this.number(id)] === 1;

  active = (id: string): boolean => this.isOn[this.number(id)] === 1;

  closed = (id: string): boolean => this.kept.highOn[this.number(id)] === 1;

  get held(): ReadonlySet<string> {
    this.on ??= this.findOn();
    return this.on;
  }

  private findOn(): ReadonlySet<string> {
    const on = new Set<string>();
    this.c.netlist.elements.forEach(({ id }, e) => {
      if (this.isOn[e] === 1) on.add(id);
    });
    return on;
  }

  private findHanging(): ReadonlySet<number> {
    const { c, kept, params } = this;
    const { netlist, nodes, nodeCount } = c;
    const hanging = hangingNodes(
      { elements: netlist.elements, nodes, count: nodeCount + 1 },
      {
        conducts: (e, branch) => (branch === 'low' ? kept.lowOn : kept.highOn)[e] === 1,
        amps: (e) => elementAmps(c, kept, params, e, false),
      },
    );
    return new Set(hanging);
  }

  private number(id: string): number {
    return this.c.indexOf.get(id) ?? -1;
  }
}

/** Which element, and which of an output's two branches. */
function branchOf(id: string): { name: string; low: boolean } {
  const low = id.endsWith('/low');
  return { name: low ? id.slice(0, -4) : id.endsWith('/high') ? id.slice(0, -5) : id, low };
}

function branchAmps(c: Compiled, kept: Kept, params: Float64Array, id: string): number {
  const { name, low } = branchOf(id);
  const e = c.indexOf.get(name);
  if (e === undefined) throw new Error(`There is no element "${name}" in this circuit.`);
  return elementAmps(c, kept, params, e, low);
}

/** Current through an element, A; of an output through its branch to minus where `low` says so. */
function elementAmps(c: Compiled, kept: Kept, params: Float64Array, e: number, low: boolean): number {
  const { x, curve } = kept;
  if (c.kind[e] === KIND.source) return entry(x, entry(c.sourceRow, e));
  const from = entry(c.nodes, e * 3 + (low ? 1 : 0));
  const to = entry(c.nodes, e * 3 + (low ? 2 : 1));
  branchCurve(c, params, kept, e, low, entry(x, from) - entry(x, to));
  return entry(curve, 0);
}
