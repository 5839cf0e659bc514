import { compile } from './compile.ts';
import type { Netlist } from './netlist.ts';
import { Solver } from './solve.ts';
import type { Solution } from './solve.ts';
import { exactly } from './span.ts';
import type { Span } from './span.ts';

/** What is to be read: the voltage of `a` against `b` (V), or the current of an element (A). */
export type Quantity =
  | { readonly kind: 'volts'; readonly a: string; readonly b: string }
  | { readonly kind: 'amps'; readonly element: string };

export interface Banded {
  readonly solution: Solution;
  readonly bands: readonly Span[];
}

/** Rounds of the search for a worse corner. */
const MOST_ROUNDS = 6;
/** A gain below this share of the value is rounding, not a worse case. */
const LEAST_GAIN = 1e-12;

/**
 * Solves a netlist and gives each quantity with its worst case over all tolerances.
 *
 * In a resistive network every voltage and current rises or falls steadily with each single parameter, so the
 * extremes stand at corners of the tolerance box. The search goes to the corner that the nominal
 * point leads to, looks again there, and moves on until nothing leads elsewhere.
 */
export function solveWithBands(netlist: Netlist, quantities: readonly Quantity[]): Banded {
  const solver = new Solver(compile(netlist));
  const { compiled: c } = solver;
  const solution = solver.solution(c.nominal);
  const nominal = quantities.map((q) => read(solver, q, c.nominal));
  if (solution.outcome !== 'solved' || c.toleranced.length === 0)
    return { solution, bands: nominal.map(exactly) };
  const search = new CornerSearch(solver, quantities);
  return {
    solution,
    bands: nominal.map((nom, i) => {
      const min = Math.min(nom, search.extreme(i, -1));
      const max = Math.max(nom, search.extreme(i, 1));
      return { nom, min, max };
    }),
  };
}

/** As `solveWithBands` without the search: every band is its nominal value. */
export function solveNominal(netlist: Netlist, quantities: readonly Quantity[]): Banded {
  const solver = new Solver(compile(netlist));
  const { nominal } = solver.compiled;
  const solution = solver.solution(nominal);
  return { solution, bands: quantities.map((q) => exactly(read(solver, q, nominal))) };
}

function read(solver: Solver, q: Quantity, params: Float64Array): number {
  if (q.kind === 'volts') return solver.nodeVolts(q.a) - solver.nodeVolts(q.b);
  return solver.branchAmps(q.element, params);
}

class CornerSearch {
  private readonly seen = new Map<string, number[]>();
  private readonly params: Float64Array;
  private readonly solver: Solver;
  private readonly quantities: readonly Quantity[];

  constructor(solver: Solver, quantities: readonly Quantity[]) {
    this.solver = solver;
    this.quantities = quantities;
    this.params = Float64Array.from(solver.compiled.nominal);
  }

  /** The largest (sense 1) or smallest (sense −1) value of quantity `i` that the search finds. */
  extreme(i: number, sense: 1 | -1): number {
    this.params.set(this.solver.compiled.nominal);
    this.solver.run(this.params);
    let corner = this.pointed(i, sense);
    let best = -Infinity;
    for (let round = 0; round < MOST_ROUNDS && corner; round++) {
      const value = this.at(corner)[i]! * sense;
      if (value <= best + LEAST_GAIN * Math.max(1, Math.abs(best))) break;
      best = value;
      this.solver.run(this.params);
      corner = this.pointed(i, sense);
    }
    return best * sense;
  }

  /** The corner to which the answers at the present point lead: `true` where a parameter is at its most. */
  private pointed(i: number, sense: 1 | -1): boolean[] | undefined {
    const answers = this.solver.answers(this.params, (params) =>
      read(this.solver, this.quantities[i]!, params),
    );
    return answers && Array.from(answers, (answer) => answer * sense >= 0);
  }

  /** All quantities at a corner; leaves the parameters there. */
  private at(corner: readonly boolean[]): number[] {
    const { compiled: c } = this.solver;
    corner.forEach((up, t) => {
      const parameter = c.toleranced[t]!;
      this.params[parameter] = up ? c.most[parameter]! : c.least[parameter]!;
    });
    const key = corner.map((up) => (up ? '1' : '0')).join('');
    const known = this.seen.get(key);
    if (known) return known;
    this.solver.run(this.params);
    const values = this.quantities.map((q) => read(this.solver, q, this.params));
    this.seen.set(key, values);
    return values;
  }
}
