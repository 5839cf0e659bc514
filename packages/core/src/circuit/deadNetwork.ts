import { add, entry } from './entries.ts';
import { solveInPlace } from './lu.ts';
import { holds } from './netlist.ts';
import type { Element, Netlist, NodeName } from './netlist.ts';

/** Between what an ohmmeter's reading lies, Ω; Infinity where nothing joins its leads. */
export interface OhmsBetween {
  readonly min: number;
  readonly max: number;
}

/** Something that conducts both ways, S. */
interface Conductor {
  readonly a: NodeName;
  readonly b: NodeName;
  readonly conductance: number;
}

/** Something that conducts from anode to cathode, if a meter drives it that far. */
interface Valve extends Conductor {
  readonly either: boolean;
}

/** A conductor or valve between nodes by their numbers. */
type Numbered<T extends Conductor> = Omit<T, 'a' | 'b'> & { readonly a: number; readonly b: number };

const nothing = (): boolean => false;

/**
 * A circuit without any power, as an ohmmeter finds it: contacts rest as their springs have them, and electronics
 * count for nothing. It is linear but for diodes, of which nobody knows whether a meter makes them conduct; so a
 * reading lies between what it is with all of them blocked and with each conducting that is not driven backwards
 * (Rayleigh: more conductance nowhere makes more resistance).
 */
export class DeadNetwork {
  readonly #numbers = new Map<NodeName, number>();
  readonly #conductors: readonly Numbered<Conductor>[];
  readonly #valves: readonly Numbered<Valve>[];

  constructor({ elements }: Netlist) {
    const numberOf = (node: NodeName): number => {
      const known = this.#numbers.get(node) ?? this.#numbers.size;
      this.#numbers.set(node, known);
      return known;
    };
    const numbered = <T extends Conductor>(one: T): Numbered<T> => ({
      ...one,
      a: numberOf(one.a),
      b: numberOf(one.b),
    });
    this.#conductors = elements.flatMap(conductorsOf).map(numbered);
    this.#valves = elements.flatMap(valvesOf).map(numbered);
  }

  /** @param red where the meter's plus is. */
  between(red: NodeName, black: NodeName): OhmsBetween {
    if (red === black) return { min: 0, max: 0 };
    const [from, to] = [this.#numbers.get(red), this.#numbers.get(black)];
    if (from === undefined || to === undefined) return { min: Infinity, max: Infinity };
    const nodes = this.#numbers.size;
    const blocked = solved(this.#conductors, nodes, from, to);
    let [conducting, now] = [new Set<Numbered<Valve>>(), blocked];
    for (;;) {
      const next = this.#valves.filter(
        (valve) => conducting.has(valve) || valve.either || !isReverse(valve, now.at),
      );
      if (next.length === conducting.size) break;
      conducting = new Set(next);
      now = solved([...this.#conductors, ...conducting], nodes, from, to);
    }
    return { min: Math.min(now.ohms, blocked.ohms), max: blocked.ohms };
  }
}

/** A node of which nothing is told is driven nowhere. */
const isReverse = ({ a, b }: Numbered<Valve>, at: Float64Array): boolean =>
  entry(at, a) <= entry(at, b) + 1e-9;

function conductorsOf(element: Element): Conductor[] {
  switch (element.kind) {
    case 'resistor':
    case 'meter':
      return [{ a: element.a, b: element.b, conductance: 1 / element.ohms.nom }];
    case 'switch':
      return holds(element.closed, nothing, nothing)
        ? [{ a: element.a, b: element.b, conductance: 1 / element.ohms.nom }]
        : [];
    case 'optocoupler':
      return [{ a: element.terminal, b: element.common, conductance: 1 / element.parallelOhms.nom }];
    default:
      return [];
  }
}

/** Least of what a diode in its direction is taken for, Ω. */
const DIODE_OHMS = 1;

function valvesOf(element: Element): Valve[] {
  if (element.kind === 'diode')
    return [{ a: element.anode, b: element.cathode, conductance: 1 / DIODE_OHMS, either: false }];
  if (element.kind !== 'optocoupler') return [];
  const { terminal, common, sense, seriesOhms } = element;
  const conductance = 1 / seriesOhms.nom;
  return [
    sense === 'source'
      ? { a: common, b: terminal, conductance, either: false }
      : { a: terminal, b: common, conductance, either: sense === 'both' },
  ];
}

/**
 * Resistance between two nodes, Ω, and where every node stands between 0 at black and 1 at red; NaN where that is not
 * told.
 */
function solved(
  conductors: readonly Numbered<Conductor>[],
  nodes: number,
  red: number,
  black: number,
): { readonly ohms: number; readonly at: Float64Array } {
  const island = islandsOf(conductors, nodes);
  const [reds, blacks] = [entry(island, red), entry(island, black)];
  const at = new Float64Array(nodes).fill(NaN);
  if (reds !== blacks) {
    for (let node = 0; node < nodes; node++) {
      if (island[node] === reds) at[node] = 1;
      else if (island[node] === blacks) at[node] = 0;
    }
    return { ohms: Infinity, at };
  }
  // The unknowns are the nodes that are joined to the two, but for black, at which all is counted from.
  const place = new Int32Array(nodes).fill(-1);
  let n = 0;
  for (let node = 0; node < nodes; node++) if (node !== black && island[node] === reds) place[node] = n++;
  const [matrix, volts] = [new Float64Array(n * n), new Float64Array(n)];
  for (const { a, b, conductance } of conductors) {
    const [i, j] = [entry(place, a), entry(place, b)];
    if (i >= 0) add(matrix, i * n + i, conductance);
    if (j >= 0) add(matrix, j * n + j, conductance);
    if (i < 0 || j < 0) continue;
    add(matrix, i * n + j, -conductance);
    add(matrix, j * n + i, -conductance);
  }
  const first = entry(place, red);
  volts[first] = 1;
  if (!solveInPlace(matrix, volts, n)) throw new Error('A network without power could not be solved.');
  const ohms = entry(volts, first);
  for (let node = 0; node < nodes; node++) {
    const own = entry(place, node);
    if (own >= 0) at[node] = entry(volts, own) / ohms;
  }
  at[black] = 0;
  return { ohms, at };
}

/** For each node the least number of those that it is joined with. */
function islandsOf(conductors: readonly Numbered<Conductor>[], nodes: number): Int32Array {
  const joined = new Int32Array(nodes);
  for (let node = 0; node < nodes; node++) joined[node] = node;
  for (const { a, b } of conductors) {
    const [one, other] = [rootOf(joined, a), rootOf(joined, b)];
    joined[Math.max(one, other)] = Math.min(one, other);
  }
  for (let node = 0; node < nodes; node++) joined[node] = rootOf(joined, node);
  return joined;
}

function rootOf(joined: Int32Array, node: number): number {
  let root = node;
  while (joined[root] !== root) root = entry(joined, root);
  joined[node] = root;
  return root;
}
