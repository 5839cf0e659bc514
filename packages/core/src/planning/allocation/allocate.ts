import { counted } from './classes.ts';
import type { Counted } from './classes.ts';
import { Budget } from './budget.ts';
import { explainConflict } from './conflict.ts';
import type { Allocation, AllocationProblem } from './problem.ts';
import { place } from './place.ts';
import { feasible, search } from './search.ts';
import type { Feasible, Found } from './search.ts';

/** So many arrangements are tried before the search is content with one that is not proven to be the least. */
const MAX_TRIALS = 8_000;

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
  const possible = yield* feasible(problem, c, new Budget(MAX_TRIALS));
  if (possible.kind === 'no') return yield* explainConflict(problem, helpful);
  const found = (yield* search(problem, c, new Budget(MAX_TRIALS))) ?? withAll(c, possible);
  if (!found) return yield* explainConflict(problem, helpful);
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

/** Every module in use, where that was found and nothing less within the trials that are allowed. */
function withAll(c: Counted, possible: Feasible): Found | undefined {
  if (possible.kind !== 'yes') return undefined;
  const modules = c.moduleClasses.map(({ moduleIds }) => moduleIds.length);
  const { onRail } = possible;
  const moduleCount = modules.reduce((sum, n) => sum + n, 0);
  const commonCount = onRail.reduce((sum, row) => sum + row['-'] + row['+'], 0);
  return { choice: { modules, onRail, moduleCount, commonCount }, minModules: 1, exact: false };
}

/** Runs an allocation to its end. */
export function allocateNow(problem: AllocationProblem, helpful: readonly HelpfulChange[] = []): Allocation {
  const run = allocate(problem, helpful);
  for (let step = run.next(); ; step = run.next()) if (step.done) return step.value;
}
