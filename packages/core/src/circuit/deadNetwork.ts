import { nth, sure } from '../lists/index.ts';
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

const nothing = (): boolean => false;

/**
 * A circuit without any power, as an ohmmeter finds it: contacts rest as their springs have them, and electronics
 * count for nothing. It is linear but for diodes, of which nobody knows whether a meter makes them conduct; so a
 * reading lies between what it is with all of them blocked and with each conducting that is not driven backwards
 * (Rayleigh: more conductance nowhere makes more resistance).
 */
export class DeadNetwork {
  readonly #conductors: readonly Conductor[];
  readonly #valves: readonly Valve[];

  constructor({ elements }: Netlist) {
    this.#conductors = elements.flatMap(conductorsOf);
    this.#valves = elements.flatMap(valvesOf);
  }

  /** @param red where the meter's plus is. */
  between(red: NodeName, black: NodeName): OhmsBetween {
    if (red === black) return { min: 0, max: 0 };
    const blocked = solved(this.#conductors, red, black);
    let [conducting, now] = [new Set<Valve>(), blocked];
    for (;;) {
      const next = this.#valves.filter(
        (valve) => conducting.has(valve) || valve.either || !isReverse(valve, now.at),
      );
      if (next.length === conducting.size) break;
      conducting = new Set(next);
      now = solved([...this.#conductors, ...conducting], red, black);
    }
    return { min: Math.min(now.ohms, blocked.ohms), max: blocked.ohms };
  }
}

const isReverse = ({ a, b }: Valve, at: ReadonlyMap<NodeName, number>): boolean => {
  const [anode, cathode] = [at.get(a), at.get(b)];
  return anode !== undefined && cathode !== undefined && anode <= cathode + 1e-9;
};

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

/** Resistance between two nodes, Ω, and where every node stands between 0 at black and 1 at red, as far as that is told. */
function solved(
  conductors: readonly Conductor[],
  red: NodeName,
  black: NodeName,
): { readonly ohms: number; readonly at: ReadonlyMap<NodeName, number> } {
  const around = new Map<NodeName, Conductor[]>();
  for (const one of conductors)
    for (const node of [one.a, one.b]) around.set(node, [...(around.get(node) ?? []), one]);
  const joined = reached(around, red);
  if (!joined.has(black)) {
    const at = new Map<NodeName, number>();
    for (const node of joined) at.set(node, 1);
    for (const node of reached(around, black)) at.set(node, 0);
    return { ohms: Infinity, at };
  }
  const nodes = [...joined].filter((node) => node !== black);
  const n = nodes.length;
  const place = new Map(nodes.map((node, i) => [node, i]));
  const [matrix, volts] = [new Float64Array(n * n), new Float64Array(n)];
  const add = (i: number, j: number, conductance: number): void => {
    matrix[i * n + j] = nth(matrix, i * n + j) + conductance;
  };
  for (const { a, b, conductance } of conductors) {
    const [i, j] = [place.get(a), place.get(b)];
    if (i !== undefined) add(i, i, conductance);
    if (j !== undefined) add(j, j, conductance);
    if (i !== undefined && j !== undefined) {
      add(i, j, -conductance);
      add(j, i, -conductance);
    }
  }
  volts[sure(place.get(red))] = 1;
  if (!solveInPlace(matrix, volts, n)) throw new Error('A network without power could not be solved.');
  const ohms = nth(volts, sure(place.get(red)));
  const at = new Map(nodes.map((node, i) => [node, nth(volts, i) / ohms]));
  at.set(black, 0);
  return { ohms, at };
}

function reached(around: ReadonlyMap<NodeName, readonly Conductor[]>, from: NodeName): Set<NodeName> {
  const found = new Set([from]);
  const left = [from];
  for (let node = left.pop(); node !== undefined; node = left.pop())
    for (const { a, b } of around.get(node) ?? [])
      for (const next of [a, b])
        if (!found.has(next)) {
          found.add(next);
          left.push(next);
        }
  return found;
}
