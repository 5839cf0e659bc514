import { nth } from '../lists/index.ts';
import { entry } from './entries.ts';

/**
 * Elimination of the nodes of a network of conductances, in an order found once for each circuit.
 *
 * A network is kept as what it is made of: the conductance from each node to the reference and that between each two
 * nodes that something joins. To eliminate a node is to put conductances between its neighbours (Kron). Nothing is ever
 * subtracted, so that a node which hangs on the rest by 1e-12 S beside wires of 100 S keeps its conductance to the last
 * digit (Grassmann, Taksar and Heyman). Nodes at which sources hold a voltage are left for the equations of the sources.
 */
export interface Plan {
  /** Numbers of the nodes in the order in which they go; 0 is the reference. */
  readonly order: readonly number[];
  /** Where the neighbours of each of them begin in `to` and `through`, and where the last ones end. */
  readonly from: readonly number[];
  readonly to: readonly number[];
  /** Slot of the conductance to each neighbour. */
  readonly through: readonly number[];
  /** Slots of the conductances between each two neighbours, node by node. */
  readonly between: readonly number[];
  /** Nodes that are left, and the conductances between them: two places among `left` and the slot of each. */
  readonly left: readonly number[];
  readonly leftPairs: readonly number[];
  /** So many conductances: slot 0 is for what joins nothing, then one for each node to the reference, then the pairs. */
  readonly slots: number;
}

/**
 * The plan for a network of nodes 1 to `nodes`, fewest neighbours first.
 * @param ends two nodes for each branch. @param left nodes that are not to be eliminated.
 * @returns the plan, and the slot of each branch.
 */
export function planOf(
  nodes: number,
  ends: readonly number[],
  left: readonly number[],
): { plan: Plan; slotOf: number[] } {
  const pairs = new Pairs(nodes);
  const slotOf: number[] = [];
  for (let i = 0; i < ends.length; i += 2) slotOf.push(pairs.slot(nth(ends, i), nth(ends, i + 1)));
  const stays = new Set(left);
  const order: number[] = [];
  const from = [0];
  const to: number[] = [];
  const through: number[] = [];
  const between: number[] = [];
  for (let node = pairs.next(stays); node > 0; node = pairs.next(stays)) {
    const neighbours = pairs.neighbours(node);
    order.push(node);
    pairs.drop(node);
    neighbours.forEach((one, t) => {
      to.push(one);
      through.push(pairs.slot(node, one));
      for (const other of neighbours.slice(t + 1)) between.push(pairs.slot(one, other));
    });
    from.push(to.length);
  }
  const leftPairs = left.flatMap((a, i) =>
    left.flatMap((b, j) => (i < j && pairs.joined(a, b) ? [i, j, pairs.slot(a, b)] : [])),
  );
  return {
    plan: { order, from, to, through, between, left, leftPairs, slots: pairs.count },
    slotOf,
  };
}

/** Which nodes are joined while some are eliminated, and the slot of each pair. */
class Pairs {
  count: number;
  private readonly width: number;
  private readonly at: Int32Array;
  private readonly dropped: Uint8Array;
  private readonly degree: Int32Array;

  constructor(nodes: number) {
    this.width = nodes + 1;
    this.count = this.width;
    this.at = new Int32Array(this.width * this.width);
    this.dropped = new Uint8Array(this.width);
    this.degree = new Int32Array(this.width);
  }

  joined(a: number, b: number): boolean {
    return entry(this.at, a * this.width + b) > 0;
  }

  slot(a: number, b: number): number {
    if (a === b) return 0;
    if (a === 0 || b === 0) return a + b;
    const known = entry(this.at, a * this.width + b);
    if (known > 0) return known;
    this.at[a * this.width + b] = this.count;
    this.at[b * this.width + a] = this.count;
    this.neighboured(a, 1);
    this.neighboured(b, 1);
    return this.count++;
  }

  private neighboured(node: number, by: number): void {
    this.degree[node] = entry(this.degree, node) + by;
  }

  /** The node with the fewest neighbours that has not gone and need not stay; 0 when there is none. */
  next(stays: ReadonlySet<number>): number {
    let best = 0;
    for (let node = 1; node < this.width; node++)
      if (
        !this.dropped[node] &&
        !stays.has(node) &&
        (!best || entry(this.degree, node) < entry(this.degree, best))
      )
        best = node;
    return best;
  }

  neighbours(node: number): number[] {
    const found: number[] = [];
    for (let other = 1; other < this.width; other++)
      if (!this.dropped[other] && this.joined(node, other)) found.push(other);
    return found;
  }

  drop(node: number): void {
    this.dropped[node] = 1;
    for (const other of this.neighbours(node)) this.neighboured(other, -1);
  }
}

/**
 * Eliminates all nodes that need not stay. `slopes` holds the conductances (S) by their slots; on return those of
 * eliminated nodes are shares, and `inverse` holds the resistance of each against all that it hangs on, Ω.
 * @returns false where a node hangs on nothing.
 */
export function eliminate(plan: Plan, slopes: Float64Array, inverse: Float64Array): boolean {
  const { order, from, to, through, between } = plan;
  let pair = 0;
  for (let i = 0; i < order.length; i++) {
    const node = order[i]!;
    const begin = from[i]!;
    const end = from[i + 1]!;
    const own = slopes[node]!;
    let all = own;
    for (let t = begin; t < end; t++) all += slopes[through[t]!]!;
    if (!(all > 1e-300)) return false;
    const ohms = 1 / all;
    inverse[node] = ohms;
    for (let t = begin; t < end; t++) {
      const slot = through[t]!;
      const share = slopes[slot]! * ohms;
      slopes[to[t]!]! += share * own;
      for (let u = t + 1; u < end; u++) slopes[between[pair++]!]! += share * slopes[through[u]!]!;
      slopes[slot] = share;
    }
  }
  return true;
}

/** Takes what flows into eliminated nodes (A, by node) to those that are left. */
export function reduce(plan: Plan, shares: Float64Array, inverse: Float64Array, right: Float64Array): void {
  const { order, from, to, through } = plan;
  for (let i = 0; i < order.length; i++) {
    const node = order[i]!;
    const amps = right[node]!;
    const end = from[i + 1]!;
    for (let t = from[i]!; t < end; t++) right[to[t]!]! += shares[through[t]!]! * amps;
    right[node] = amps * inverse[node]!;
  }
}

/** From the voltages of the nodes that are left to those of all. */
export function expand(plan: Plan, shares: Float64Array, right: Float64Array): void {
  const { order, from, to, through } = plan;
  for (let i = order.length - 1; i >= 0; i--) {
    let volts = right[order[i]!]!;
    const end = from[i + 1]!;
    for (let t = from[i]!; t < end; t++) volts += shares[through[t]!]! * right[to[t]!]!;
    right[order[i]!] = volts;
  }
}

/** The equations of the nodes that are left, row by row into `matrix`, which is `width` wide and empty. */
export function fillLeft(plan: Plan, slopes: Float64Array, matrix: Float64Array, width: number): void {
  const { left, leftPairs } = plan;
  for (let i = 0; i < left.length; i++) matrix[i * width + i] = slopes[left[i]!]!;
  for (let k = 0; k < leftPairs.length; k += 3) {
    const i = leftPairs[k]!;
    const j = leftPairs[k + 1]!;
    const slope = slopes[leftPairs[k + 2]!]!;
    matrix[i * width + i]! += slope;
    matrix[j * width + j]! += slope;
    matrix[i * width + j]! -= slope;
    matrix[j * width + i]! -= slope;
  }
}
