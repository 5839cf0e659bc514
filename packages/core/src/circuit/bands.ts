import { nth } from '../lists/index.ts';
import { entry } from './entries.ts';
import type { Reader } from './answers.ts';
import { compile } from './compile.ts';
import type { Netlist } from './netlist.ts';
import { readOff } from './quantity.ts';
import type { Quantity } from './quantity.ts';
import { solve, Solver } from './solve.ts';
import type { Solution } from './solve.ts';
import { exactly } from './span.ts';
import type { Span } from './span.ts';

export interface Banded {
  readonly solution: Solution;
  readonly bands: readonly Span[];
}

/** Rounds of the search for a worse corner. */
const MAX_ROUNDS = 6;
/** A gain below this share of the value is rounding, not a worse case. */
const MIN_GAIN = 1e-12;

/**
 * Solves a netlist and gives each quantity with its worst case over all tolerances.
 *
 * In a resistive network every voltage and current rises or falls steadily with each single parameter, so the
 * extremes stand at corners of the tolerance box. The search goes to the corner that the nominal
 * point leads to, looks again there, and moves on until nothing leads elsewhere. Where a tolerance can bring about
 * another state (a relay that drops out, an output that loses its supply), the search begins in those states too.
 */
export function solveWithBands(netlist: Netlist, quantities: readonly Quantity[]): Banded {
  const solver = new Solver(compile(netlist));
  const { compiled: c } = solver;
  const solution = solver.solution(c.nominal);
  const readers = quantities.map((quantity) => readerOf(solver, quantity));
  const nominal = readers.map(({ read }) => read(c.nominal));
  if (solution.outcome !== 'solved' || c.toleranced.length === 0)
    return { solution, bands: nominal.map(exactly) };
  solver.follow(solution);
  const search = new CornerSearch(solver, readers, edgesOf(solver, netlist));
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
  const solution = solve(netlist);
  return { solution, bands: quantities.map((quantity) => exactly(readOff(solution, quantity))) };
}

/** A state counts as reachable where a straight prediction comes within this share of its range of the edge. */
const EDGE_MARGIN = 0.5;

/** Something that a state hangs on: how it is read, and at which values the state jumps. */
interface Edge {
  readonly reader: Reader;
  readonly at: readonly number[];
}

/** Everything on which the states of a circuit hang. */
function allEdges(solver: Solver, { elements }: Netlist): Edge[] {
  const across = (a: string, b: string) => readerOf(solver, { kind: 'volts', a, b });
  return elements.flatMap((element): Edge[] => {
    switch (element.kind) {
      case 'detector': {
        const { a, b, onVolts, offVolts, either } = element;
        const at = either ? [onVolts, offVolts, -onVolts, -offVolts] : [onVolts, offVolts];
        return [{ reader: across(a, b), at }];
      }
      case 'output': {
        const { plus, minus, minSupplyVolts, needs } = element;
        return [
          { reader: across(plus, minus), at: [minSupplyVolts] },
          ...(needs ? [{ reader: across(needs.plus, needs.minus), at: [needs.minVolts] }] : []),
        ];
      }
      case 'twoWire': {
        const { id, minAmps } = element;
        return [{ reader: readerOf(solver, { kind: 'amps', element: id }), at: [minAmps, -minAmps] }];
      }
      default:
        return [];
    }
  });
}

/** Those of them that tolerances may bring across an edge, as one look from the nominal values predicts. */
function edgesOf(solver: Solver, netlist: Netlist): Reader[] {
  const edges = allEdges(solver, netlist);
  if (!edges.length) return [];
  const params = Float64Array.from(solver.compiled.nominal);
  const reads = edges.map(({ reader }) => reader);
  const values = reads.map(({ read }) => read(params));
  const answers = solver.answers(params, reads);
  return edges.flatMap(({ reader, at }, i) => {
    const reach =
      Array.from(answers?.[i] ?? []).reduce((sum, answer) => sum + Math.abs(answer), 0) * (1 + EDGE_MARGIN);
    return at.some((edge) => Math.abs(edge - nth(values, i)) <= reach) ? [reader] : [];
  });
}

/** Reads a quantity off the solver's last result; names are looked up once. */
function readerOf(solver: Solver, q: Quantity): Reader {
  if (q.kind === 'amps')
    return { read: (params) => solver.branchAmps(q.element, params), ...solver.unknownsOf(q.element) };
  const terms = (q.kind === 'volts' ? [{ a: q.a, b: q.b, factor: 1 }] : q.terms).map(({ a, b, factor }) => ({
    a: solver.nodeNumber(a),
    b: solver.nodeNumber(b),
    factor,
  }));
  const read = (): number => {
    let sum = 0;
    for (const { a, b, factor } of terms) sum += factor * (solver.voltAt(a) - solver.voltAt(b));
    return sum;
  };
  return { read, unknowns: [...new Set(terms.flatMap(({ a, b }) => [a, b]))].filter((i) => i > 0) };
}

/** All quantities at one corner of the tolerance box, and how they answer there. */
interface Corner {
  /** The discrete states there. */
  readonly state: string;
  readonly values: readonly number[];
  readonly answers: readonly Float64Array[] | undefined;
}

class CornerSearch {
  /** Corners at which the circuit is in another state than at its nominal values. */
  private readonly otherStates: readonly Corner[];
  private readonly seen = new Map<string, Corner>();
  private readonly params: Float64Array;
  private readonly solver: Solver;
  private readonly readers: readonly Reader[];
  private readonly nominal: Corner;

  /** @param edges quantities that may cross what a state hangs on: their extremes are looked at first. */
  constructor(solver: Solver, readers: readonly Reader[], edges: readonly Reader[]) {
    this.solver = solver;
    this.readers = [...readers, ...edges];
    this.params = Float64Array.from(solver.compiled.nominal);
    this.nominal = this.here();
    const { state } = this.nominal;
    edges.forEach((_, k) => ([-1, 1] as const).forEach((sense) => this.extreme(readers.length + k, sense)));
    this.otherStates = [...this.seen.values()].filter((corner) => corner.state !== state);
  }

  /** The largest (sense 1) or smallest (sense −1) value of quantity `i` that the search finds. */
  extreme(i: number, sense: 1 | -1): number {
    const reached = [this.nominal, ...(this.otherStates ?? [])].flatMap((from) => [
      nth(from.values, i) * sense,
      this.climb(from, i, sense),
    ]);
    return Math.max(...reached) * sense;
  }

  /** The best value of a quantity that corners lead to from one of them on. */
  private climb(from: Corner, i: number, sense: 1 | -1): number {
    let at = from;
    let best = -Infinity;
    for (let round = 0; round < MAX_ROUNDS; round++) {
      const answers = at.answers?.[i];
      if (!answers) break;
      at = this.cornerAt(answers, sense);
      const value = nth(at.values, i) * sense;
      if (value <= best + MIN_GAIN * Math.max(1, Math.abs(best))) break;
      best = value;
    }
    return best;
  }

  /** The corner to which answers lead: each parameter at its most where the quantity rises with it. */
  private cornerAt(answers: Float64Array, sense: 1 | -1): Corner {
    const { compiled: c } = this.solver;
    let key = '';
    for (let t = 0; t < answers.length; t++) {
      const parameter = nth(c.toleranced, t);
      const up = entry(answers, t) * sense >= 0;
      this.params[parameter] = up ? entry(c.max, parameter) : entry(c.min, parameter);
      key += up ? '1' : '0';
    }
    let corner = this.seen.get(key);
    if (!corner) {
      this.solver.run(this.params);
      corner = this.here();
      this.seen.set(key, corner);
    }
    return corner;
  }

  /** Values and answers at the solver's present result. */
  private here(): Corner {
    return {
      state: this.solver.stateKey(),
      values: this.readers.map(({ read }) => read(this.params)),
      answers: this.solver.answers(this.params, this.readers),
    };
  }
}
