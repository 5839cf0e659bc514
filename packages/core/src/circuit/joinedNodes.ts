import { nth } from '../lists/index.ts';

/** Which nodes, by their numbers, are joined with one another. */
export class JoinedNodes {
  /** For each node one that it is joined with and that has a lesser number, or itself. */
  readonly #next: number[] = [];

  constructor(nodes: number) {
    for (let node = 0; node < nodes; node++) this.#next.push(node);
  }

  join(a: number, b: number): void {
    const [one, other] = [this.of(a), this.of(b)];
    this.#next[Math.max(one, other)] = Math.min(one, other);
  }

  /** The least number of those that a node is joined with. */
  of(node: number): number {
    let root = node;
    for (let next = nth(this.#next, root); next !== root; next = nth(this.#next, root)) root = next;
    this.#next[node] = root;
    return root;
  }
}
