import { nth } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Message } from '../../messages/index.ts';
import { counted, gathered } from './classes.ts';
import type { AllocationProblem, Applicant, Impossible } from './problem.ts';
import { search } from './search.ts';

/** Whether a problem has a solution at all. */
export function solvable(problem: AllocationProblem): boolean {
  const c = counted(problem);
  if (c.groupClasses.some(({ forced, rails }) => forced && rails.length === 0)) return false;
  const run = search(problem, c);
  for (let step = run.next(); ; step = run.next()) if (step.done) return step.value !== undefined;
}

/** So many orders of taking kinds away are tried. */
const MAX_ORDERS = 24;

/**
 * A smallest set of devices that cannot be placed together. Devices of one kind are alike, so kinds are thinned out
 * as far as it stays impossible, in every order of the kinds; the smallest outcome stands.
 */
export function smallestConflict(problem: AllocationProblem): Applicant[] {
  const kinds = [...gathered(problem.applicants, kindOf).values()];
  let best: Applicant[] | undefined;
  for (const order of orders(kinds.length)) {
    let left = [...problem.applicants];
    for (const k of order) left = thinned(problem, left, nth(kinds, k));
    if (!best || left.length < best.length) best = left;
  }
  return best ?? [];
}

const kindOf = ({ key, pinned }: Applicant): string =>
  pinned ? `${key} at ${pinned.groupId} ${pinned.channel}` : key;

/** Takes devices of a kind away, as many as can go while it stays impossible: found by halving. */
function thinned(problem: AllocationProblem, left: Applicant[], kind: readonly Applicant[]): Applicant[] {
  const others = left.filter((applicant) => !kind.includes(applicant));
  let min = 0;
  let max = kind.length;
  while (min < max) {
    const middle = Math.floor((min + max) / 2);
    if (solvable({ ...problem, applicants: [...others, ...kind.slice(0, middle)] })) min = middle + 1;
    else max = middle;
  }
  return [...others, ...kind.slice(0, min)];
}

function* orders(n: number): Generator<number[]> {
  let given = 0;
  function* from(picked: number[]): Generator<number[]> {
    if (given >= MAX_ORDERS) return;
    if (picked.length === n) {
      given++;
      yield picked;
      return;
    }
    for (let k = 0; k < n; k++) if (!picked.includes(k)) yield* from([...picked, k]);
  }
  yield* from([]);
}

/** Says what stands against a solution, and what would help. */
export function explainConflict(
  problem: AllocationProblem,
  options: readonly {
    readonly sentence: (conflict: readonly Applicant[]) => Message | undefined;
    readonly apply: (problem: AllocationProblem, conflict: readonly Applicant[]) => AllocationProblem;
  }[],
): Impossible {
  const conflict = smallestConflict(problem);
  return {
    kind: 'impossible',
    conflict,
    sentence: conflictSentence(problem, conflict),
    remedies: options.flatMap(({ sentence: words, apply }) => {
      const text = words(conflict);
      return text !== undefined && solvable(apply(problem, conflict)) ? [text] : [];
    }),
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
