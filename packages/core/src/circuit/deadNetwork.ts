import { nth, oncePer } from '../lists/index.ts';
import { holds } from './netlist.ts';
import type { Element, Netlist, NodeName } from './netlist.ts';
import { Resistances } from './resistances.ts';
import type { Joint } from './resistances.ts';

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
  readonly #numbers = new Map<NodeName, number>();
  readonly #conductors: readonly Joint[];
  readonly #valves: readonly (Joint & Pick<Valve, 'either'>)[];
  /** The network by which of its valves conduct: most pairs of leads ask for the same few. */
  readonly #known = new Map<string, Resistances>();

  constructor({ elements }: Netlist) {
    const numberOf = (node: NodeName): number => {
      const known = this.#numbers.get(node) ?? this.#numbers.size;
      this.#numbers.set(node, known);
      return known;
    };
    const conductors: Joint[] = [];
    const valves: (Joint & Pick<Valve, 'either'>)[] = [];
    for (const element of elements) {
      const { conductor, valve } = deadOf(element);
      if (conductor) {
        const { a, b, conductance } = conductor;
        conductors.push({ a: numberOf(a), b: numberOf(b), conductance });
      }
      if (valve) valves.push({ ...valve, a: numberOf(valve.a), b: numberOf(valve.b) });
    }
    this.#conductors = conductors;
    this.#valves = valves;
  }

  /** @param red where the meter's plus is. */
  between(red: NodeName, black: NodeName): OhmsBetween {
    if (red === black) return { min: 0, max: 0 };
    const [from, to] = [this.#numbers.get(red), this.#numbers.get(black)];
    if (from === undefined || to === undefined) return { min: Infinity, max: Infinity };
    const blocked = this.#where([]);
    let conducting: readonly number[] = [];
    for (let now = blocked; ; now = this.#where(conducting)) {
      const at = now.between(from, to);
      const next: number[] = [];
      this.#valves.forEach(({ a, b, either }, valve) => {
        // A node of which nothing is told is driven nowhere.
        if (conducting.includes(valve) || either || !(at(a) <= at(b) + 1e-6)) next.push(valve);
      });
      if (next.length > conducting.length) {
        conducting = next;
        continue;
      }
      const max = blocked.ohms(from, to);
      return { min: Math.min(now.ohms(from, to), max), max };
    }
  }

  /** The network while some of its valves conduct. */
  #where(valves: readonly number[]): Resistances {
    const key = valves.join();
    let found = this.#known.get(key);
    if (!found) {
      const conducting = valves.map((valve) => nth(this.#valves, valve));
      found = new Resistances([...this.#conductors, ...conducting], this.#numbers.size);
      this.#known.set(key, found);
    }
    return found;
  }
}

/** What is left of an element without power. */
const deadOf = oncePer((element: Element) => ({ conductor: conductorOf(element), valve: valveOf(element) }));

function conductorOf(element: Element): Conductor | undefined {
  switch (element.kind) {
    case 'resistor':
    case 'meter':
      return { a: element.a, b: element.b, conductance: 1 / element.ohms.nom };
    case 'switch':
      return holds(element.closed, nothing, nothing)
        ? { a: element.a, b: element.b, conductance: 1 / element.ohms.nom }
        : undefined;
    case 'optocoupler':
      return { a: element.terminal, b: element.common, conductance: 1 / element.parallelOhms.nom };
    default:
      return undefined;
  }
}

/** Least of what a diode in its direction is taken for, Ω. */
const DIODE_OHMS = 1;

function valveOf(element: Element): Valve | undefined {
  if (element.kind === 'diode')
    return { a: element.anode, b: element.cathode, conductance: 1 / DIODE_OHMS, either: false };
  if (element.kind !== 'optocoupler') return undefined;
  const { terminal, common, sense, seriesOhms } = element;
  const conductance = 1 / seriesOhms.nom;
  return sense === 'source'
    ? { a: common, b: terminal, conductance, either: false }
    : { a: terminal, b: common, conductance, either: sense === 'both' };
}
