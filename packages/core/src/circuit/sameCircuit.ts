import { isAlikeList, keepNewest, oncePer } from '../lists/index.ts';
import { solveNominal, solveWithBands } from './bands.ts';
import type { Banded } from './bands.ts';
import { isAlikeBy } from './netlist.ts';
import type { Element, Netlist } from './netlist.ts';
import type { Quantity } from './quantity.ts';
import type { Solution } from './solve.ts';

/** So many circuits are kept with their solutions; the one that was asked for longest ago goes first. */
const MOST = 2_500;

const SOLVERS = { bands: solveWithBands, nominal: solveNominal };

/** A circuit's solution under the names of who asked for it first. */
interface Known extends Banded {
  readonly names: Names;
}

const known = new Map<string, Known>();

/**
 * Solves a circuit, or takes the solution of the same one under other names: most points of a plant are one circuit.
 * Two are the same when all their elements are, in order, with nodes and ids numbered by where they come first; a
 * figure that differs in its last digit makes another.
 */
export function solvedOnce(
  netlist: Netlist,
  quantities: readonly Quantity[],
  wanted: keyof typeof SOLVERS,
): Banded {
  forgetSigns();
  const names = namesIn(netlist);
  const key = keyOf(netlist, quantities, wanted, names);
  const found = known.get(key);
  const banded = found ?? { ...SOLVERS[wanted](netlist, quantities), names };
  keepNewest(known, key, banded, MOST);
  const { solution, bands } = banded;
  return { solution: found ? new NamedSolution(solution, names, banded.names) : solution, bands };
}

/** Whose names were asked for last. A circuit is mostly looked at in one state after the other. */
let last: { readonly netlist: Netlist; readonly names: Names } | undefined;

function namesIn(netlist: Netlist): Names {
  if (!last || !isAlikeBy(netlist, last.netlist, isNamedAlike)) last = { netlist, names: new Names(netlist) };
  return last.names;
}

/** Whether two elements have the same names at the same places, whatever is between them. */
const isNamedAlike = (one: Element, other: Element): boolean =>
  one.id === other.id && isAlikeList(shapeOf(one).nodes, shapeOf(other).nodes);

/** Each word and number that stands in a circuit, by a number of its own. */
const codes = new Map<unknown, number>();
/** So many may be known: what a sign of a text can tell apart. */
const MAX_CODES = 0xffff;

/** With another meaning of its signs no text that was made before says anything. */
function forgetSigns(): void {
  if (codes.size <= MAX_CODES / 2) return;
  codes.clear();
  known.clear();
  last = undefined;
  shapeOf = oncePer(findShape);
}

function codeOf(word: unknown): number {
  let code = codes.get(word);
  if (code === undefined) codes.set(word, (code = codes.size));
  return code;
}

const OPEN = Symbol('open');
const CLOSE = Symbol('close');
const NAME = Symbol('name');

/** Writes a value as signs, one for each word and number in it; for a name it writes what `named` makes of that. */
function write(
  signs: number[],
  value: unknown,
  named: (name: string, isId: boolean) => unknown,
  key?: string,
): void {
  if (typeof value === 'object' && value !== null) {
    signs.push(codeOf(OPEN));
    for (const inner of Object.keys(value)) {
      signs.push(codeOf(inner));
      write(signs, (value as Readonly<Record<string, unknown>>)[inner], named, inner);
    }
    signs.push(codeOf(CLOSE));
  } else if (typeof value !== 'string' || key === undefined) signs.push(codeOf(value));
  else if (ID_FIELDS.has(key)) signs.push(codeOf(named(value, true)));
  else signs.push(codeOf(NODE_FIELDS.has(key) ? named(value, false) : value));
}

/** How an element is made, as one sign, and the nodes and elements that it names, in the order in which it does. */
interface Shape {
  readonly sign: number;
  readonly nodes: readonly string[];
  readonly ids: readonly string[];
}

function findShape(element: Element): Shape {
  const [nodes, ids]: [string[], string[]] = [[], []];
  const signs: number[] = [];
  write(signs, element, (name, isId) => {
    (isId ? ids : nodes).push(name);
    return NAME;
  });
  return { sign: codeOf(textOf(signs)), nodes, ids };
}

let shapeOf = oncePer(findShape);

function textOf(signs: readonly number[]): string {
  let text = '';
  for (let at = 0; at < signs.length; at += 4096) text += String.fromCharCode(...signs.slice(at, at + 4096));
  return text;
}

/** A text that is the same for the same circuit, and for no other: how its elements are made, and what they name. */
function keyOf(
  { elements, reference, held }: Netlist,
  quantities: readonly Quantity[],
  wanted: keyof typeof SOLVERS,
  names: Names,
): string {
  const signs: number[] = [];
  for (const element of elements) {
    const { sign, ids } = shapeOf(element);
    signs.push(sign);
    for (const id of ids) signs.push(codeOf(names.id(id)));
  }
  const numbers = held && [...held].map(names.id).sort();
  const sought = quantities.map((quantity) => renamed(quantity, names));
  write(signs, [wanted, names.node(reference), numbers, sought], (name) => name);
  return names.nodeText + textOf(signs);
}

/** Where an element, or a condition in it, names an element; and where it names a node. */
const ID_FIELDS = new Set(['id', 'on', 'was']);
const NODE_FIELDS = new Set(['a', 'b', 'plus', 'minus', 'out', 'anode', 'cathode', 'terminal', 'common']);

const BRANCH = /\/(?:high|low)$/;

/** The nodes and elements of a circuit, numbered by where they come first. */
class Names {
  readonly #nodes = new Map<string, string>();
  #inOrder?: readonly string[];
  readonly #ids = new Map<string, string>();
  readonly #elements: readonly Element[];
  /** The nodes as the elements name them in turn, each by its number, as signs. */
  readonly nodeText: string;

  constructor({ elements, reference }: Netlist) {
    const signs: number[] = [];
    const nodes = this.#nodes;
    nodes.set(reference, numbered('n', 0));
    this.#elements = elements;
    let at = 0;
    for (const element of elements) {
      this.#ids.set(element.id, numbered('e', at++));
      for (const name of shapeOf(element).nodes) {
        let number = nodes.get(name);
        if (number === undefined) nodes.set(name, (number = numbered('n', nodes.size)));
        signs.push(codeOf(number));
      }
    }
    this.nodeText = textOf(signs);
  }

  /** A name that the circuit does not have stays as it is: whoever asks for it is refused as ever. */
  node = (name: string): string => this.#nodes.get(name) ?? name;

  id = (id: string): string => {
    const own = this.#ids.get(id);
    if (own !== undefined) return own;
    const branch = BRANCH.exec(id)?.[0] ?? '';
    return branch ? `${this.#ids.get(id.slice(0, -branch.length)) ?? id}${branch}` : id;
  };

  /** The node that stands where one of the same circuit under other names does. */
  nodeAs(other: Names, name: string): string | undefined {
    const at = other.#nodes.get(name);
    if (at === undefined) return undefined;
    this.#inOrder ??= [...this.#nodes.keys()];
    return this.#inOrder[Number(at.slice(1))];
  }

  /** The id of the element, or of its branch, that stands where one of the same circuit under other names does. */
  idAs(other: Names, id: string): string | undefined {
    const branch = other.#ids.has(id) ? '' : (BRANCH.exec(id)?.[0] ?? '');
    const at = other.#ids.get(branch ? id.slice(0, -branch.length) : id);
    const own = at === undefined ? undefined : this.#elements[Number(at.slice(1))];
    return own && `${own.id}${branch}`;
  }
}

/** Names of numbers, made once. */
const NUMBERED: Record<'n' | 'e', string[]> = { n: [], e: [] };

const numbered = (letter: 'n' | 'e', number: number): string =>
  (NUMBERED[letter][number] ??= `${letter}${number}`);

function renamed(quantity: Quantity, names: Names): Quantity {
  const between = <T extends { readonly a: string; readonly b: string }>(pair: T): T => ({
    ...pair,
    a: names.node(pair.a),
    b: names.node(pair.b),
  });
  switch (quantity.kind) {
    case 'volts':
      return between(quantity);
    case 'amps':
      return { ...quantity, element: names.id(quantity.element) };
    case 'sum':
      return { ...quantity, terms: quantity.terms.map(between) };
  }
}

/** A solution as it is read under the names of the same circuit elsewhere. */
class NamedSolution implements Solution {
  readonly #solution: Solution;
  readonly #names: Names;
  readonly #first: Names;
  #held?: ReadonlySet<string>;

  constructor(solution: Solution, names: Names, first: Names) {
    this.#solution = solution;
    this.#names = names;
    this.#first = first;
  }

  get outcome(): Solution['outcome'] {
    return this.#solution.outcome;
  }

  get held(): ReadonlySet<string> {
    this.#held ??= new Set([...this.#solution.held].flatMap((id) => this.#names.idAs(this.#first, id) ?? []));
    return this.#held;
  }

  /** What the first one's solution tells of a name of this one. @throws Error where this one has no such name. */
  #of<T>(what: 'node' | 'element', name: string, tells: (own: string) => T): T {
    const own = what === 'node' ? this.#first.nodeAs(this.#names, name) : this.#first.idAs(this.#names, name);
    if (own === undefined) throw new Error(`There is no ${what} "${name}" in this circuit.`);
    return tells(own);
  }

  #is(id: string, tells: (own: string) => boolean): boolean {
    const own = this.#first.idAs(this.#names, id);
    return own !== undefined && tells(own);
  }

  volts = (node: string): number => this.#of('node', node, this.#solution.volts);
  has = (node: string): boolean => this.#first.nodeAs(this.#names, node) !== undefined;
  amps = (id: string): number => this.#of('element', id, this.#solution.amps);
  floating = (node: string): boolean => this.has(node) && this.#of('node', node, this.#solution.floating);
  powered = (id: string): boolean => this.#is(id, this.#solution.powered);
  active = (id: string): boolean => this.#is(id, this.#solution.active);
  closed = (id: string): boolean => this.#is(id, this.#solution.closed);
}
