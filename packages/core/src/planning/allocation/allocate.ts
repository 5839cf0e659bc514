import { counted } from './classes.ts';
import { explainConflict } from './conflict.ts';
import type { HelpfulChange } from './conflict.ts';
import type { Allocation, AllocationProblem } from './problem.ts';
import { place } from './place.ts';
import { solve } from './program.ts';
import type { IntegerSolver } from './program.ts';

/** An allocation may take so long, in seconds; half of it to find places, the rest to keep commons or to say why not. */
const MAX_SECONDS = 2;

/**
 * Puts every device on a channel so that no common serves kinds that do not suit it, with the fewest modules, then
 * the fewest commons. Returns the outcome with a reason for each place, or the devices in conflict with what would
 * help, or that neither was found in the time allowed.
 */
export function allocate(
  problem: AllocationProblem,
  solver: IntegerSolver,
  helpful: readonly HelpfulChange[] = [],
): Allocation {
  const end = performance.now() + 1000 * MAX_SECONDS;
  const c = counted(problem);
  const solved = solve(problem, c, 'fewest', solver, MAX_SECONDS / 2);
  switch (solved.kind) {
    case 'yes': {
      const { choice, exact } = solved;
      const { placements, rails } = place(problem, c, choice);
      const { moduleCount: modules, commonCount: commons } = choice;
      return { kind: 'allocated', placements, rails, modules, commons, exact };
    }
    case 'no':
      return explainConflict(problem, solver, end, helpful);
    case 'unknown':
      return { kind: 'undecided' };
  }
}
