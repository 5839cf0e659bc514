import { lastOf, nth, sure } from '../../lists/index.ts';

/** Devices of one key, how many, and which places take them. */
export interface Demand {
  readonly count: number;
  /** Numbers of the places that take them. */
  readonly places: readonly number[];
}

/**
 * Whether all demands can be met at once: a maximum flow from demands to places, by augmenting paths.
 * @param room how many devices each place takes.
 * @returns how many of each demand go to each place (`[demand][place]`), or nothing when they do not all fit.
 */
export function share(demands: readonly Demand[], room: readonly number[]): number[][] | undefined {
  const given = demands.map(() => room.map(() => 0));
  const free = [...room];
  for (let d = 0; d < demands.length; d++) {
    let open = nth(demands, d).count;
    while (open > 0) {
      const path = augmenting(demands, given, free, d);
      if (!path) return undefined;
      const last = lastOf(path);
      let amount = Math.min(open, nth(free, last.place));
      for (let k = 1; k < path.length; k++)
        amount = Math.min(amount, nth(nth(given, nth(path, k).demand), nth(path, k - 1).place));
      path.forEach(({ demand, place }, k) => {
        nth(given, demand)[place] = nth(nth(given, demand), place) + amount;
        if (k > 0)
          nth(given, demand)[nth(path, k - 1).place] =
            nth(nth(given, demand), nth(path, k - 1).place) - amount;
      });
      free[last.place] = nth(free, last.place) - amount;
      open -= amount;
    }
  }
  return given;
}

interface Step {
  readonly demand: number;
  readonly place: number;
}

/** A way from a demand to a place with room, moving others on; breadth first. */
function augmenting(
  demands: readonly Demand[],
  given: readonly number[][],
  free: readonly number[],
  from: number,
): Step[] | undefined {
  const cameBy = new Map<number, { step: Step; before?: number }>();
  const queue: { demand: number; via?: number }[] = [{ demand: from }];
  const asked = new Set([from]);
  for (let at = queue.shift(); at; at = queue.shift())
    for (const place of nth(demands, at.demand).places) {
      if (cameBy.has(place)) continue;
      cameBy.set(place, { step: { demand: at.demand, place }, before: at.via });
      if (nth(free, place) > 0) return trace(cameBy, place);
      for (let other = 0; other < demands.length; other++)
        if (!asked.has(other) && nth(nth(given, other), place) > 0) {
          asked.add(other);
          queue.push({ demand: other, via: place });
        }
    }
  return undefined;
}

function trace(cameBy: ReadonlyMap<number, { step: Step; before?: number }>, end: number): Step[] {
  const path: Step[] = [];
  for (let place: number | undefined = end; place !== undefined;) {
    const entry: { step: Step; before?: number } = sure(cameBy.get(place));
    path.unshift(entry.step);
    place = entry.before;
  }
  return path;
}
