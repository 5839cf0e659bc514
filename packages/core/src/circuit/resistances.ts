import { nth } from '../lists/index.ts';
import { add, entry } from './entries.ts';
import { JoinedNodes } from './joinedNodes.ts';
import { emptyRoom, roomFor } from './room.ts';

/** Something that conducts both ways between two nodes by their numbers, S. */
export interface Joint {
  readonly a: number;
  readonly b: number;
  readonly conductance: number;
}

/** What is asked of a network, its nodes by their numbers. */
export interface Network {
  /** The least number of the nodes that a node is joined with. */
  root(node: number): number;
  /** Ω; Infinity where nothing joins them. */
  ohms(red: number, black: number): number;
}

/** Where each node stands between 0 at black and 1 at red; NaN where that is not told. */
export function standing(network: Network, red: number, black: number): (node: number) => number {
  const [reds, blacks] = [network.root(red), network.root(black)];
  const all = network.ohms(red, black);
  return (node) => {
    const own = network.root(node);
    if (reds !== blacks) return own === reds ? 1 : own === blacks ? 0 : NaN;
    if (own !== reds) return NaN;
    return (1 + (network.ohms(node, black) - network.ohms(node, red)) / all) / 2;
  };
}

/**
 * A network with one more joint within an island. What it carries of a current from red to black lowers what stands
 * between them: R′(r,b) = R(r,b) − d² / (1/g + R(i,j)), with 2 d = R(r,j) + R(b,i) − R(r,i) − R(b,j)
 * (Sherman and Morrison 1950, told in resistances).
 */
export class OneMore implements Network {
  readonly #network: Network;
  readonly #joint: Joint;
  readonly #around: number;

  constructor(network: Network, joint: Joint) {
    this.#network = network;
    this.#joint = joint;
    this.#around = 1 / joint.conductance + network.ohms(joint.a, joint.b);
  }

  root(node: number): number {
    return this.#network.root(node);
  }

  ohms(red: number, black: number): number {
    const network = this.#network;
    const { a, b } = this.#joint;
    const own = network.ohms(red, black);
    if (own === Infinity || network.root(red) !== network.root(a)) return own;
    const twice =
      network.ohms(red, b) - network.ohms(red, a) + network.ohms(black, a) - network.ohms(black, b);
    return own - (twice * twice) / (4 * this.#around);
  }
}

/** The resistances between the nodes of an island that are asked for, by their places in it, row by row, Ω. */
interface Island {
  readonly asked: number;
  readonly ohms: Float64Array;
}

/**
 * Resistance between any two nodes of a network of joints that are asked for. Node after node of an island is taken
 * out, a star of joints becoming a mesh between its ends (Kron reduction, which leaves every resistance between the
 * others as it was), and then put back in, as far as it is asked for: with the joints' shares p of all that leads to
 * it, s, R(k,j) = 1/s + Σ pᵢ R(i,j) − Σ pᵢ pₗ R(i,l) over all pairs i, l. A joint of gigaohms beside one of milliohms
 * is not lost by rounding, as it is where conductances are subtracted.
 */
export class Resistances implements Network {
  readonly #joints: readonly Joint[];
  readonly #asked: number;
  /** For each node the least number of those that it is joined with, and its place among them. */
  readonly #root: Int32Array;
  readonly #place: Int32Array;
  readonly #islands = new Map<number, Island>();

  /** @param asked only nodes with lesser numbers are asked for, which is quicker where they are few. */
  constructor(joints: readonly Joint[], nodes: number, asked = nodes) {
    this.#joints = joints;
    this.#asked = asked;
    this.#root = rootsOf(joints, nodes);
    this.#place = new Int32Array(nodes);
    const sizes = new Map<number, number>();
    for (let node = 0; node < nodes; node++) {
      const root = entry(this.#root, node);
      const place = sizes.get(root) ?? 0;
      this.#place[node] = place;
      sizes.set(root, place + 1);
    }
  }

  /** The least number of the nodes that a node is joined with. */
  root(node: number): number {
    return entry(this.#root, node);
  }

  /** Ω; Infinity where nothing joins them. @throws RangeError for a node that is not among those asked for. */
  ohms(red: number, black: number): number {
    if (Math.max(red, black) >= this.#asked) throw new RangeError('This node was not to be asked for.');
    const root = entry(this.#root, red);
    if (root !== this.#root[black]) return Infinity;
    const { asked, ohms } = this.#island(root);
    return entry(ohms, entry(this.#place, red) * asked + entry(this.#place, black));
  }

  #island(root: number): Island {
    let island = this.#islands.get(root);
    if (!island) this.#islands.set(root, (island = this.#solved(root)));
    return island;
  }

  #solved(root: number): Island {
    let size = 0;
    let asked = 0;
    for (let node = root; node < this.#root.length; node++) {
      if (this.#root[node] !== root) continue;
      size++;
      if (node < this.#asked) asked++;
    }
    const joined = emptyRoom(size * size);
    for (const { a, b, conductance } of this.#joints) {
      if (this.#root[a] !== root || a === b) continue;
      const [i, j] = [entry(this.#place, a), entry(this.#place, b)];
      add(joined, i * size + j, conductance);
      add(joined, j * size + i, conductance);
    }
    const before: number[][] = [];
    const all = roomFor('all', size);
    for (let k = size - 1; k > 0; k--) {
      const ends = (before[k] = endsOf(joined, size, k));
      all[k] = takeOut(joined, size, k, ends);
    }
    const ohms = new Float64Array(asked * asked);
    for (let k = 1; k < asked; k++) putBack(ohms, asked, joined, size, k, nth(before, k), 1 / entry(all, k));
    return { asked, ohms };
  }
}

/** The nodes before node k that it is joined with: few of all. */
function endsOf(joined: Float64Array, size: number, k: number): number[] {
  const ends: number[] = [];
  for (let i = 0; i < k; i++) if (joined[k * size + i]! > 0) ends.push(i);
  return ends;
}

/**
 * Takes node k out of a network of k + 1; its row is left with the shares of its joints to `ends`.
 * @returns all that led to it, S.
 */
function takeOut(joined: Float64Array, size: number, k: number, ends: readonly number[]): number {
  let all = 0;
  for (const i of ends) all += joined[k * size + i]!;
  for (const i of ends) {
    const share = joined[k * size + i]! / all;
    joined[k * size + i] = share;
    for (const j of ends) if (j !== i) joined[i * size + j]! += share * joined[j * size + k]!;
  }
  return all;
}

/** Puts node k back in beside the k before it. @param own what leads to it, Ω. */
function putBack(
  ohms: Float64Array,
  width: number,
  shares: Float64Array,
  size: number,
  k: number,
  ends: readonly number[],
  own: number,
): void {
  let among = 0;
  for (let j = 0; j < k; j++) {
    let sum = 0;
    for (let t = 0; t < ends.length; t++) sum += shares[k * size + ends[t]!]! * ohms[ends[t]! * width + j]!;
    ohms[k * width + j] = own + sum;
    among += shares[k * size + j]! * sum;
  }
  for (let j = 0; j < k; j++) {
    const between = ohms[k * width + j]! - among / 2;
    ohms[k * width + j] = between;
    ohms[j * width + k] = between;
  }
}

/** For each node the least number of those that it is joined with. */
function rootsOf(joints: readonly Joint[], nodes: number): Int32Array {
  const joined = new JoinedNodes(nodes);
  for (const { a, b } of joints) joined.join(a, b);
  const roots = new Int32Array(nodes);
  for (let node = 0; node < nodes; node++) roots[node] = joined.of(node);
  return roots;
}
