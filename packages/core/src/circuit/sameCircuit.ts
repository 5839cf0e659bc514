import { solveNominal, solveWithBands } from './bands.ts';
import type { Banded, Quantity } from './bands.ts';
import { nodesOf, onNodes, underId } from './netlist.ts';
import type { Netlist } from './netlist.ts';
import type { Solution } from './solve.ts';

/** So many circuits are kept with their solutions; the one that was asked for longest ago goes first. */
const MOST = 800;

const SOLVERS = { bands: solveWithBands, nominal: solveNominal } as const;

const known = new Map<string, Banded>();

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
  const names = new Names(netlist);
  const plain: Netlist = {
    elements: netlist.elements.map((element) =>
      underId(
        onNodes(element, (node) => names.node(node)),
        (id) => names.id(id),
      ),
    ),
    reference: names.node(netlist.reference),
    ...(netlist.held && { held: new Set([...netlist.held].map((id) => names.id(id)).sort()) }),
  };
  const sought = quantities.map((quantity) => renamed(quantity, names));
  const key = JSON.stringify(
    [wanted, plain.elements, plain.reference, [...(plain.held ?? [])], sought],
    finite,
  );
  let banded = known.get(key);
  if (banded) known.delete(key);
  else banded = SOLVERS[wanted](plain, sought);
  known.set(key, banded);
  if (known.size > MOST) for (const oldest of known.keys()) if (known.size > MOST) known.delete(oldest);
  return { solution: new NamedSolution(banded.solution, names), bands: banded.bands };
}

/** Numbers that JSON has no word for stay apart. */
const finite = (_: string, value: unknown): unknown =>
  typeof value === 'number' && !Number.isFinite(value) ? String(value) : value;

const BRANCH = /\/(?:high|low)$/;

/** The nodes and elements of a circuit, numbered by where they come first. */
class Names {
  readonly #nodes = new Map<string, string>();
  readonly #ids = new Map<string, string>();
  readonly #own = new Map<string, string>();

  constructor({ elements, reference }: Netlist) {
    const node = (name: string): void => {
      if (!this.#nodes.has(name)) this.#nodes.set(name, `n${this.#nodes.size}`);
    };
    node(reference);
    for (const element of elements) {
      nodesOf(element).forEach(node);
      this.#ids.set(element.id, `e${this.#ids.size}`);
      this.#own.set(`e${this.#own.size}`, element.id);
    }
  }

  /** A name that the circuit does not have stays as it is: whoever asks for it is refused as ever. */
  node = (name: string): string => this.#nodes.get(name) ?? name;

  id = (id: string): string => {
    const own = this.#ids.get(id);
    if (own !== undefined) return own;
    const branch = BRANCH.exec(id)?.[0] ?? '';
    return branch ? `${this.#ids.get(id.slice(0, -branch.length)) ?? id}${branch}` : id;
  };

  /** The id of an element by its number. */
  own = (number: string): string => this.#own.get(number) ?? number;
}

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

/** A solution as it is read under the names of one circuit. */
class NamedSolution implements Solution {
  readonly #solution: Solution;
  readonly #names: Names;
  #held?: ReadonlySet<string>;

  constructor(solution: Solution, names: Names) {
    this.#solution = solution;
    this.#names = names;
  }

  get outcome(): Solution['outcome'] {
    return this.#solution.outcome;
  }

  get held(): ReadonlySet<string> {
    this.#held ??= new Set([...this.#solution.held].map(this.#names.own));
    return this.#held;
  }

  volts = (node: string): number => this.#solution.volts(this.#names.node(node));
  amps = (id: string): number => this.#solution.amps(this.#names.id(id));
  floating = (node: string): boolean => this.#solution.floating(this.#names.node(node));
  powered = (id: string): boolean => this.#solution.powered(this.#names.id(id));
  active = (id: string): boolean => this.#solution.active(this.#names.id(id));
  closed = (id: string): boolean => this.#solution.closed(this.#names.id(id));
}
