import { counted } from './classes.ts';
import { explainConflict } from './conflict.ts';
import type { HelpfulChange } from './conflict.ts';
import type { Allocation, AllocationProblem } from './problem.ts';
import { place } from './place.ts';
import { solve, spending } from './program.ts';
import type { IntegerSolver } from './program.ts';

/**
 * So long the solver may take for an allocation, in seconds: half of it to find places, the rest to keep commons or to say
 * why not. What it takes to solve each kind of device in each kind of group as a circuit does not count.
 */
const MAX_SECONDS = 2;

/**
 * Puts every device on a channel so that no common serves kinds that do not suit it, with the fewest modules, then
 * the fewest commons. Returns the outcome with a reason for each place, or the devices in conflict with what would
 * help, or that neither was found in the time allowed.
 */
export function allocate(
  problem: AllocationProblem,
  given: IntegerSolver,
  helpful: readonly HelpfulChange[] = [],
): Allocation {
  const left = { seconds: MAX_SECONDS };
  const solver = spending(given, left);
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
      return explainConflict(problem, solver, left, helpful);
    case 'unknown':
      return { kind: 'undecided' };
  }
}
