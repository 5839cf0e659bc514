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

/** The resistances between all nodes of an island, by their places in it, row by row, Ω. */
interface Island {
  readonly size: number;
  readonly ohms: Float64Array;
}

/**
 * Resistance between any two nodes of a network of joints. Node after node of an island is taken out, a star of joints
 * becoming a mesh between its ends (Kron reduction, which leaves every resistance between the others as it was), and
 * then put back in: with the joints' shares p of all that leads to it, s,
 * R(k,j) = 1/s + Σ pᵢ R(i,j) − Σ pᵢ pₗ R(i,l) over all pairs i, l. A joint of gigaohms beside one of milliohms is not
 * lost by rounding, as it is where conductances are subtracted.
 */
export class Resistances {
  readonly #joints: readonly Joint[];
  /** For each node the least number of those that it is joined with, and its place among them. */
  readonly #root: Int32Array;
  readonly #place: Int32Array;
  readonly #islands = new Map<number, Island>();

  constructor(joints: readonly Joint[], nodes: number) {
    this.#joints = joints;
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

  /** Ω; Infinity where nothing joins them. */
  ohms(red: number, black: number): number {
    const root = entry(this.#root, red);
    if (root !== this.#root[black]) return Infinity;
    const { size, ohms } = this.#island(root);
    return entry(ohms, entry(this.#place, red) * size + entry(this.#place, black));
  }

  /** Where each node stands between 0 at black and 1 at red; NaN where that is not told. */
  between(red: number, black: number): (node: number) => number {
    const [reds, blacks] = [this.#root[red], this.#root[black]];
    const all = this.ohms(red, black);
    return (node) => {
      const own = this.#root[node];
      if (reds !== blacks) return own === reds ? 1 : own === blacks ? 0 : NaN;
      if (own !== reds) return NaN;
      return (1 + (this.ohms(node, black) - this.ohms(node, red)) / all) / 2;
    };
  }

  #island(root: number): Island {
    let island = this.#islands.get(root);
    if (!island) this.#islands.set(root, (island = this.#solved(root)));
    return island;
  }

  #solved(root: number): Island {
    const size = this.#root.reduce((sum, own) => (own === root ? sum + 1 : sum), 0);
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
    const ohms = new Float64Array(size * size);
    for (let k = 1; k < size; k++) putBack(ohms, joined, size, k, nth(before, k), 1 / entry(all, k));
    return { size, ohms };
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
  shares: Float64Array,
  size: number,
  k: number,
  ends: readonly number[],
  own: number,
): void {
  let among = 0;
  for (let j = 0; j < k; j++) {
    let sum = 0;
    for (let t = 0; t < ends.length; t++) sum += shares[k * size + ends[t]!]! * ohms[ends[t]! * size + j]!;
    ohms[k * size + j] = own + sum;
    among += shares[k * size + j]! * sum;
  }
  for (let j = 0; j < k; j++) {
    const between = ohms[k * size + j]! - among / 2;
    ohms[k * size + j] = between;
    ohms[j * size + k] = between;
  }
}

/** For each node the least number of those that it is joined with. */
function rootsOf(joints: readonly Joint[], nodes: number): Int32Array {
  const joined = new JoinedNodes(nodes);
  for (const { a, b } of joints) joined.join(a, b);
  return Int32Array.from({ length: nodes }, (_, node) => joined.of(node));
}
