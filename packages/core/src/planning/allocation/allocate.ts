import { counted } from './classes.ts';
import { explainConflict } from './conflict.ts';
import type { Allocation, AllocationProblem } from './problem.ts';
import { place } from './place.ts';
import { search } from './search.ts';

export type HelpfulChange = Parameters<typeof explainConflict>[1][number];

/**
 * Puts every device on a channel so that no common serves kinds that do not suit it, with the fewest modules, then
 * the fewest commons. Yields how many arrangements it has tried; returns the outcome with a reason for each place,
 * or the smallest set of devices in conflict with what would help.
 */
export function* allocate(
  problem: AllocationProblem,
  helpful: readonly HelpfulChange[] = [],
): Generator<number, Allocation> {
  const c = counted(problem);
  const stuck = c.groupClasses.some(({ forced, rails }) => forced && rails.length === 0);
  const found = stuck ? undefined : yield* search(problem, c);
  if (!found) return explainConflict(problem, helpful);
  const { placements, rails } = place(problem, c, found.choice);
  return {
    kind: 'allocated',
    placements,
    rails,
    modules: found.choice.moduleCount,
    commons: found.choice.commonCount,
    minModules: found.minModules,
    exact: found.exact,
  };
}

/** Runs an allocation to its end. */
export function allocateNow(problem: AllocationProblem, helpful: readonly HelpfulChange[] = []): Allocation {
  const run = allocate(problem, helpful);
  for (let step = run.next(); ; step = run.next()) if (step.done) return step.value;
}
