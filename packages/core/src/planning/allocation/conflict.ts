import { nth } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Message } from '../../messages/index.ts';
import { counted, gathered } from './classes.ts';
import type { AllocationProblem, Applicant, Impossible } from './problem.ts';
import { Budget, STEP } from './budget.ts';
import { feasible } from './search.ts';

/** So many arrangements are tried to see whether some devices can be placed, and in all to find the smallest conflict. */
const MAX_TRIALS = 2_000;
const MAX_IN_ALL = 8_000;

/** Whether a problem has a solution at all; what cannot be told within the trials that are allowed may have one. */
function* maybeSolvable(problem: AllocationProblem, all: Budget): Generator<number, boolean> {
  const own = new Budget(MAX_TRIALS);
  yield* all.trial();
  const run = feasible(problem, counted(problem), own);
  for (let step = run.next(); ; step = run.next()) {
    if (step.done) return step.value.kind !== 'no';
    for (let i = 0; i < STEP; i++) yield* all.trial();
  }
}

/** The same, run to its end. */
export const solvable = (problem: AllocationProblem): boolean =>
  ended(maybeSolvable(problem, new Budget(MAX_IN_ALL)));

/** So many orders of taking kinds away are tried. */
const MAX_ORDERS = 24;

/** Devices that cannot be placed together. */
interface Conflict {
  readonly devices: readonly Applicant[];
  /** No smaller set of them is in conflict; otherwise it is what was found within the trials that are allowed. */
  readonly isSmallest: boolean;
}

/**
 * A smallest set of devices that cannot be placed together. Devices of one kind are alike, so kinds are thinned out
 * as far as it stays impossible, in every order of the kinds; the smallest outcome stands.
 */
function* findConflict(problem: AllocationProblem): Generator<number, Conflict> {
  const kinds = [...gathered(problem.applicants, kindOf).values()];
  const budget = new Budget(MAX_IN_ALL);
  let best: readonly Applicant[] = problem.applicants;
  let isSmallest = true;
  for (const order of orders(kinds.length)) {
    let left: readonly Applicant[] = [...problem.applicants];
    for (const k of order) {
      // What is left is impossible as it stands, whether or not more of it could go.
      if (budget.isSpent) {
        isSmallest = false;
        break;
      }
      left = yield* thinned(problem, left, nth(kinds, k), budget);
    }
    if (left.length < best.length) best = left;
    if (!isSmallest) break;
  }
  return { devices: best, isSmallest };
}

/** The same, run to its end. */
export const smallestConflict = (problem: AllocationProblem): readonly Applicant[] =>
  ended(findConflict(problem)).devices;

function ended<T>(run: Generator<number, T>): T {
  for (let step = run.next(); ; step = run.next()) if (step.done) return step.value;
}

const kindOf = ({ key, pinned }: Applicant): string =>
  pinned ? `${key} at ${pinned.groupId} ${pinned.channel}` : key;

/** Takes devices of a kind away, as many as can go while it stays impossible: found by halving. */
function* thinned(
  problem: AllocationProblem,
  left: readonly Applicant[],
  kind: readonly Applicant[],
  budget: Budget,
): Generator<number, Applicant[]> {
  const others = left.filter((applicant) => !kind.includes(applicant));
  let min = 0;
  let max = kind.length;
  while (min < max) {
    const middle = Math.floor((min + max) / 2);
    const fewer = { ...problem, applicants: [...others, ...kind.slice(0, middle)] };
    if (yield* maybeSolvable(fewer, budget)) min = middle + 1;
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
export function* explainConflict(
  problem: AllocationProblem,
  options: readonly {
    readonly sentence: (conflict: readonly Applicant[]) => Message | undefined;
    readonly apply: (problem: AllocationProblem, conflict: readonly Applicant[]) => AllocationProblem;
  }[],
): Generator<number, Impossible> {
  const { devices: conflict, isSmallest } = yield* findConflict(problem);
  const remedies: Message[] = [];
  for (const { sentence: words, apply } of options) {
    const text = words(conflict);
    if (text === undefined) continue;
    const changed = apply(problem, conflict);
    // A way out is told only where a place for everybody was found.
    const { kind } = yield* feasible(changed, counted(changed), new Budget(MAX_TRIALS));
    if (kind === 'yes') remedies.push(text);
  }
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
