import { nth, oncePer } from '../lists/index.ts';
import { JoinedNodes } from './joinedNodes.ts';
import { holds } from './netlist.ts';
import type { Element, Netlist, NodeName } from './netlist.ts';
import { OneMore, Resistances, standing } from './resistances.ts';
import type { Joint, Network } from './resistances.ts';

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

type NumberedValve = Joint & Pick<Valve, 'either'> & { readonly place: number };

const nothing = (): boolean => false;

/**
 * A circuit without any power, as an ohmmeter finds it: contacts rest as their springs have them, and electronics
 * count for nothing. It is linear but for diodes, of which nobody knows whether a meter makes them conduct; so a
 * reading lies between what it is with all of them blocked and with each conducting that is not driven backwards
 * (Rayleigh: more conductance nowhere makes more resistance).
 */
export class DeadNetwork {
  readonly #numbers = new Map<NodeName, number>();
  readonly #left: readonly Left[];
  readonly #conductors: readonly Joint[];
  /** So many of the nodes may be asked for, or are at a valve: those with the least numbers. */
  readonly #asked: number;
  /** The network by which of its valves conduct: most pairs of leads ask for the same few. */
  readonly #known = new Map<string, Network>();
  /** Without any of them. */
  readonly #blocked: Network;
  /** Which nodes hang together if all conduct, and the valves by the least node of those. */
  readonly #joined: JoinedNodes;
  readonly #valvesIn = new Map<number, NumberedValve[]>();

  /** @param asked where leads are going to be put; anywhere, if that is not told. */
  constructor(netlist: Netlist, asked?: Iterable<NodeName>) {
    this.#left = leftOf(netlist);
    const [valves, conductors]: [NumberedValve[], Joint[]] = [[], []];
    for (const node of asked ?? []) this.#numberOf(node);
    for (const { valve } of this.#left)
      if (valve) {
        const { a, b, conductance, either } = valve;
        const place = valves.length;
        valves.push({ a: this.#numberOf(a), b: this.#numberOf(b), conductance, either, place });
      }
    const few = this.#numbers.size;
    for (const { conductor } of this.#left)
      if (conductor) {
        const { a, b, conductance } = conductor;
        conductors.push({ a: this.#numberOf(a), b: this.#numberOf(b), conductance });
      }
    this.#conductors = conductors;
    this.#asked = asked ? few : this.#numbers.size;
    this.#blocked = new Resistances(conductors, this.#numbers.size, this.#asked);
    this.#joined = this.#joinedBy(valves);
    for (const valve of valves) {
      const all = this.#joined.of(valve.a);
      this.#valvesIn.set(all, [...(this.#valvesIn.get(all) ?? []), valve]);
    }
  }

  /** Whether a circuit is this one when it is without power. */
  isOf(netlist: Netlist): boolean {
    const left = leftOf(netlist);
    return left.length === this.#left.length && left.every((own, i) => isLike(own, nth(this.#left, i)));
  }

  /** @param red where the meter's plus is. @throws RangeError for a node that was not to be asked for. */
  between(red: NodeName, black: NodeName): OhmsBetween {
    if (red === black) return { min: 0, max: 0 };
    const [from, to] = [this.#numbers.get(red), this.#numbers.get(black)];
    if (from === undefined || to === undefined) return { min: Infinity, max: Infinity };
    const max = this.#blocked.ohms(from, to);
    // What hangs together with neither lead changes nothing between them.
    const all = this.#joined.of(from);
    const valves = all === this.#joined.of(to) ? (this.#valvesIn.get(all) ?? []) : [];
    return { min: valves.length ? Math.min(this.#leastOhms(from, to, valves), max) : max, max };
  }

  /** Ω while each valve conducts that is not driven backwards. */
  #leastOhms(from: number, to: number, valves: readonly NumberedValve[]): number {
    let conducting: readonly NumberedValve[] = [];
    for (;;) {
      const now = this.#where(conducting);
      const at = standing(now, from, to);
      const next = valves.filter(
        // A node of which nothing is told is driven nowhere.
        (valve) => conducting.includes(valve) || valve.either || !(at(valve.a) <= at(valve.b) + 1e-6),
      );
      if (next.length === conducting.length) return now.ohms(from, to);
      conducting = next;
    }
  }

  #numberOf(node: NodeName): number {
    let known = this.#numbers.get(node);
    if (known === undefined) this.#numbers.set(node, (known = this.#numbers.size));
    return known;
  }

  #joinedBy(valves: readonly Joint[]): JoinedNodes {
    const nodes = this.#numbers.size;
    const joined = new JoinedNodes(nodes);
    for (let node = 0; node < nodes; node++) joined.join(node, this.#blocked.root(node));
    for (const { a, b } of valves) joined.join(a, b);
    return joined;
  }

  /** The network while some of its valves conduct. */
  #where(valves: readonly NumberedValve[]): Network {
    if (valves.length === 0) return this.#blocked;
    const key = valves.map(({ place }) => place).join();
    let found = this.#known.get(key);
    if (!found) this.#known.set(key, (found = this.#made(valves)));
    return found;
  }

  #made(valves: readonly NumberedValve[]): Network {
    const [first, ...others] = valves;
    const blocked = this.#blocked;
    if (first && others.length === 0 && blocked.root(first.a) === blocked.root(first.b))
      return new OneMore(blocked, first);
    return new Resistances([...this.#conductors, ...valves], this.#numbers.size, this.#asked);
  }
}

/** What is left of an element without power. */
interface Left {
  readonly conductor: Conductor | undefined;
  readonly valve: Valve | undefined;
}

const deadOf = oncePer((element: Element): Left => ({
  conductor: conductorOf(element),
  valve: valveOf(element),
}));

const leftOf = ({ elements }: Netlist): Left[] =>
  elements.map(deadOf).filter(({ conductor, valve }) => conductor !== undefined || valve !== undefined);

const isLike = (one: Left, other: Left): boolean =>
  one === other ||
  (isConductorLike(one.conductor, other.conductor) &&
    isConductorLike(one.valve, other.valve) &&
    one.valve?.either === other.valve?.either);

const isConductorLike = (one: Conductor | undefined, other: Conductor | undefined): boolean =>
  one?.a === other?.a && one?.b === other?.b && one?.conductance === other?.conductance;

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
