import { say } from '../../messages/index.ts';
import type { Message } from '../../messages/index.ts';
import { counted, gathered } from './classes.ts';
import type { AllocationProblem, Applicant, Impossible } from './problem.ts';
import { solve } from './program.ts';
import type { IntegerSolver, TimeLeft } from './program.ts';

/** A change that may help where an allocation is impossible. */
export interface HelpfulChange {
  readonly sentence: (conflict: readonly Applicant[]) => Message | undefined;
  readonly apply: (problem: AllocationProblem, conflict: readonly Applicant[]) => AllocationProblem;
}

/** So many orders of taking kinds away are tried. */
const MAX_ORDERS = 6;

/** Devices that cannot be placed together. */
interface Conflict {
  readonly devices: readonly Applicant[];
  /** None of them can go without the rest having places; otherwise it is what was found in the time allowed. */
  readonly isSmallest: boolean;
}

/** Answers for some devices whether they can be placed, while there is time. */
type Whether = (problem: AllocationProblem) => 'yes' | 'no' | 'unknown';

/**
 * Devices that cannot be placed together, and of which none can go without the rest having places. Devices of one kind
 * are alike, so kinds are thinned out as far as it stays impossible, in several orders of the kinds; the smallest
 * outcome stands.
 */
export function findConflict(problem: AllocationProblem, whether: Whether): Conflict {
  const kinds = [...gathered(problem.applicants, kindOf).values()];
  let best: Conflict | undefined;
  for (let n = 0; n < Math.min(kinds.length, MAX_ORDERS); n++) {
    let found: Conflict = { devices: problem.applicants, isSmallest: true };
    for (const kind of [...kinds.slice(n), ...kinds.slice(0, n)])
      found = thinned(problem, found, kind, whether);
    if (!best || isBetter(found, best)) best = found;
    if (!found.isSmallest) break;
  }
  return best ?? { devices: problem.applicants, isSmallest: false };
}

/** Fewer devices; or as many, of which it is known that none can go. */
const isBetter = (a: Conflict, b: Conflict): boolean =>
  a.devices.length < b.devices.length ||
  (a.devices.length === b.devices.length && a.isSmallest && !b.isSmallest);

const kindOf = ({ key, pinned }: Applicant): string =>
  pinned ? `${key} at ${pinned.groupId} ${pinned.channel}` : key;

/** Takes devices of a kind away, as many as can go while it stays impossible: found by halving. */
function thinned(
  problem: AllocationProblem,
  { devices, isSmallest }: Conflict,
  kind: readonly Applicant[],
  whether: Whether,
): Conflict {
  const others = devices.filter((applicant) => !kind.includes(applicant));
  let min = 0;
  let max = kind.length;
  let isTold = true;
  while (min < max) {
    const middle = Math.floor((min + max) / 2);
    const answer = whether({ ...problem, applicants: [...others, ...kind.slice(0, middle)] });
    if (answer === 'no') max = middle;
    else {
      min = middle + 1;
      // Where it could not be told none is taken away, though perhaps more could go.
      isTold = answer === 'yes';
    }
  }
  return { devices: [...others, ...kind.slice(0, min)], isSmallest: isSmallest && isTold };
}

/** Share of the time that is left for finding the conflict; the rest is for what would help. */
const CONFLICT_SHARE = 0.7;
/** Each way out is looked at for so long at least, s. */
const MIN_SECONDS = 0.15;

/**
 * Says what stands against a solution, and what would help.
 * @param left what the solver may still take; it is content with what was found until then.
 */
export function explainConflict(
  problem: AllocationProblem,
  solver: IntegerSolver,
  left: TimeLeft,
  helpful: readonly HelpfulChange[],
): Impossible {
  const whether = (asked: AllocationProblem, seconds: number) =>
    solve(asked, counted(asked), 'any', solver, seconds).kind;
  const kept = (1 - CONFLICT_SHARE) * left.seconds;
  const { devices: conflict, isSmallest } = findConflict(problem, (fewer) =>
    whether(fewer, left.seconds - kept),
  );
  const remedies = helpful.flatMap(({ sentence, apply }) => {
    const way = sentence(conflict);
    // A way out is told only where a place for everybody was found.
    return way && whether(apply(problem, conflict), Math.max(left.seconds, MIN_SECONDS)) === 'yes'
      ? [way]
      : [];
  });
  return {
    kind: 'impossible',
    conflict,
    isSmallest,
    sentence: conflictSentence(problem, conflict),
    remedies,
  };
}

/** What stands against the devices of a smallest conflict. */
function conflictSentence(
  { applicants, groups, fits }: AllocationProblem,
  conflict: readonly Applicant[],
): Message {
  const tags = conflict.map(({ tag }) => tag);
  const listed = tags.length > 6 ? say('planning.and-more', { tags }) : tags.join(', ');
  const room = groups.reduce((sum, g) => sum + Math.max(0, g.channels.length - g.spare), 0);
  if (applicants.length > room)
    return say('planning.devices-channels-give', { applicants: applicants.length, room });
  const [only] = conflict;
  if (only && conflict.length === 1)
    return only.pinned
      ? say('planning.pinned-where-work', { only: only.tag })
      : groups.some(({ kind, rails }) => rails.some((rail) => fits(only.key, kind, rail)))
        ? say('planning.finds-free-channel-common', { only: only.tag })
        : say('planning.works-free-input-panel', { only: only.tag });
  const kinds = [...new Set(conflict.map(({ words }) => words))];
  return kinds.length > 1
    ? say('planning.placed-together-must-share', { listed, kinds })
    : say('planning.placed-together-commons-suit', { listed });
}
