import { nth } from '../../lists/index.ts';
import type { Counted } from './classes.ts';
import { share } from './flow.ts';
import type { Budget } from './budget.ts';
import type { AllocationProblem, CommonRail } from './problem.ts';

/** How many modules of each class are used, and on which rails how many of their groups of each class are put. */
export interface Choice {
  readonly modules: readonly number[];
  readonly onRail: readonly Readonly<Record<CommonRail, number>>[];
  readonly moduleCount: number;
  readonly commonCount: number;
}

export interface Found {
  readonly choice: Choice;
  readonly minModules: number;
  readonly exact: boolean;
}

/** Whether devices can be placed at all: a proof either way, or none within the trials that are allowed. */
export type Feasible =
  | { readonly kind: 'yes'; readonly onRail: Choice['onRail'] }
  | { readonly kind: 'no' }
  | { readonly kind: 'unknown' };

/** Looks only for whether everything fits with all modules in use, which is much less than the fewest of them. */
export function* feasible(
  problem: AllocationProblem,
  c: Counted,
  budget: Budget,
): Generator<number, Feasible> {
  if (c.groupClasses.some(({ forced, rails }) => forced && rails.length === 0)) return { kind: 'no' };
  const total = c.counts.reduce((sum, count) => sum + count, 0);
  const all = availableGroups(
    c,
    c.moduleClasses.map(({ moduleIds }) => moduleIds.length),
  );
  // A group that may sit on no rail holds nobody.
  const usable = all.map((n, k) => (nth(c.groupClasses, k).rails.length ? n : 0));
  const room = usable.reduce((sum, n, k) => sum + n * nth(c.groupClasses, k).room, 0);
  if (room < total || !fitsLoosely(problem, c, usable)) return { kind: 'no' };
  const quick = spread(problem, c, usable, Infinity);
  if (quick) return { kind: 'yes', onRail: quick.onRail };
  const groups = usable.reduce((sum, n) => sum + n, 0);
  for (const onRail of arrangements(c, usable, groups, total)) {
    yield* budget.trial();
    if (demandsMet(problem, c, onRail)) return { kind: 'yes', onRail };
    if (budget.isSpent) return { kind: 'unknown' };
  }
  return { kind: 'no' };
}

/**
 * Looks for the fewest modules, then the fewest commons. Module counts are tried from the lower bound upwards, and
 * for each count the commons from theirs, so that the first that fits is the least.
 * Yields now and then how many arrangements it has tried, so that it can be watched and stopped.
 */
export function* search(
  problem: AllocationProblem,
  c: Counted,
  budget: Budget,
): Generator<number, Found | undefined> {
  const total = c.counts.reduce((sum, count) => sum + count, 0);
  const minModules = lowerBound(c, total);
  const all = c.moduleClasses.reduce((sum, { moduleIds }) => sum + moduleIds.length, 0);
  for (let count = minModules; count <= all; count++) {
    let best: Choice | undefined;
    for (const modules of usages(c, count)) {
      yield* budget.trial();
      if (budget.isSpent) return best && { choice: best, minModules, exact: false };
      const available = availableGroups(c, modules);
      const fewer = best ? best.commonCount - 1 : Infinity;
      const found = yield* fewestCommons(problem, c, total, available, fewer, budget);
      if (found) best = { modules, ...found, moduleCount: count };
    }
    if (best) return { choice: best, minModules, exact: !budget.isSpent };
  }
  return undefined;
}

/** Fewest modules that could hold everything, whatever the kinds: the roomiest first, with all that are bound. */
function lowerBound(c: Counted, total: number): number {
  let used = 0;
  let room = 0;
  const rest: number[] = [];
  for (const { moduleIds, room: each, forced } of c.moduleClasses)
    for (let i = 0; i < moduleIds.length; i++)
      if (forced) {
        used++;
        room += each;
      } else rest.push(each);
  rest.sort((a, b) => b - a);
  for (const each of rest) {
    if (room >= total) break;
    room += each;
    used++;
  }
  return used;
}

/** All ways to use `count` modules, those with most room first. */
function* usages(c: Counted, count: number): Generator<number[]> {
  const classes = c.moduleClasses
    .map((moduleClass, number) => ({ moduleClass, number }))
    .sort((a, b) => b.moduleClass.room - a.moduleClass.room);
  const used = c.moduleClasses.map(() => 0);
  function* from(k: number, left: number): Generator<number[]> {
    if (k === classes.length) {
      if (left === 0) yield [...used];
      return;
    }
    const { moduleClass, number } = nth(classes, k);
    const min = moduleClass.forced ? moduleClass.moduleIds.length : 0;
    for (let n = Math.min(left, moduleClass.moduleIds.length); n >= min; n--) {
      used[number] = n;
      yield* from(k + 1, left - n);
    }
    used[number] = 0;
  }
  yield* from(0, count);
}

/** Groups of each class that the used modules bring. */
function availableGroups(c: Counted, modules: readonly number[]): number[] {
  const available = c.groupClasses.map(() => 0);
  c.moduleClasses.forEach(({ groups }, m) => {
    for (const { classNumber, ids } of groups)
      available[classNumber] = nth(available, classNumber) + ids.length * nth(modules, m);
  });
  return available;
}

function* fewestCommons(
  problem: AllocationProblem,
  c: Counted,
  total: number,
  available: readonly number[],
  fewer: number,
  budget: Budget,
): Generator<number, Pick<Choice, 'onRail' | 'commonCount'> | undefined> {
  const room = available.reduce((sum, n, k) => sum + n * nth(c.groupClasses, k).room, 0);
  const max = Math.min(
    fewer,
    available.reduce((sum, n) => sum + n, 0),
  );
  if (room < total) return undefined;
  // With every group free to sit on either rail at once the devices must fit, or no choice of rails helps.
  if (!fitsLoosely(problem, c, available)) return undefined;
  for (let commons = minCommons(c, available, total); commons <= max; commons++)
    for (const onRail of arrangements(c, available, commons, total)) {
      yield* budget.trial();
      if (budget.isSpent) return spread(problem, c, available, fewer);
      if (demandsMet(problem, c, onRail)) return { onRail, commonCount: commons };
    }
  return undefined;
}

function minCommons(c: Counted, available: readonly number[], total: number): number {
  const rooms: number[] = [];
  let forced = 0;
  let room = 0;
  available.forEach((n, k) => {
    const groupClass = nth(c.groupClasses, k);
    for (let i = 0; i < n; i++)
      if (groupClass.forced) {
        forced++;
        room += groupClass.room;
      } else rooms.push(groupClass.room);
  });
  rooms.sort((a, b) => b - a);
  let used = forced;
  for (const each of rooms) {
    if (room >= total) break;
    room += each;
    used++;
  }
  return used;
}

/** All ways to put `commons` of the available groups on rails, with room enough for all. */
function* arrangements(
  c: Counted,
  available: readonly number[],
  commons: number,
  total: number,
): Generator<Record<CommonRail, number>[]> {
  const onRail: Record<CommonRail, number>[] = available.map(() => ({ '-': 0, '+': 0 }));
  const roomAfter = available.map(() => 0);
  const groupsAfter = available.map(() => 0);
  for (let k = available.length - 2; k >= 0; k--) {
    roomAfter[k] = nth(roomAfter, k + 1) + nth(available, k + 1) * nth(c.groupClasses, k + 1).room;
    groupsAfter[k] = nth(groupsAfter, k + 1) + nth(available, k + 1);
  }
  function* from(k: number, left: number, wanted: number): Generator<Record<CommonRail, number>[]> {
    if (k === available.length) {
      if (left === 0 && wanted <= 0) yield onRail.map((row) => ({ ...row }));
      return;
    }
    const { room, rails, forced } = nth(c.groupClasses, k);
    const max = Math.min(nth(available, k), left);
    const min = Math.max(forced ? nth(available, k) : 0, left - nth(groupsAfter, k));
    for (let used = max; used >= min; used--) {
      if (wanted - used * room > nth(roomAfter, k)) break;
      const minus = rails.includes('-');
      const plus = rails.includes('+');
      if (used > 0 && !minus && !plus) continue;
      for (let onMinus = plus ? 0 : used; onMinus <= (minus ? used : 0); onMinus++) {
        onRail[k] = { '-': onMinus, '+': used - onMinus };
        yield* from(k + 1, left - used, wanted - used * room);
      }
    }
    onRail[k] = { '-': 0, '+': 0 };
  }
  yield* from(0, commons, total);
}

/** Places are the classes of groups on each rail; devices of a key go where they fit. */
function demandsMet(
  problem: AllocationProblem,
  c: Counted,
  onRail: readonly Readonly<Record<CommonRail, number>>[],
): number[][] | undefined {
  const places = placesOf(c);
  const room = places.map(
    ({ classNumber, rail }) => nth(onRail, classNumber)[rail] * nth(c.groupClasses, classNumber).room,
  );
  return share(
    c.keys.map((key, k) => ({
      count: nth(c.counts, k),
      places: places.flatMap(({ classNumber, rail }, p) =>
        problem.fits(key, nth(c.groupClasses, classNumber).kind, rail) ? [p] : [],
      ),
    })),
    room,
  );
}

const placesOf = (c: Counted): { classNumber: number; rail: CommonRail }[] =>
  c.groupClasses.flatMap((_, classNumber) => (['-', '+'] as const).map((rail) => ({ classNumber, rail })));

function fitsLoosely(problem: AllocationProblem, c: Counted, available: readonly number[]): boolean {
  const both = c.groupClasses.map(({ rails }, k) => ({
    '-': rails.includes('-') ? nth(available, k) : 0,
    '+': rails.includes('+') ? nth(available, k) : 0,
  }));
  return demandsMet(problem, c, both) !== undefined;
}

/** A quick arrangement without proof: rails turned one by one until everything fits. */
function spread(
  problem: AllocationProblem,
  c: Counted,
  available: readonly number[],
  fewer: number,
): Pick<Choice, 'onRail' | 'commonCount'> | undefined {
  const all = available.reduce((sum, n) => sum + n, 0);
  if (all > fewer) return undefined;
  const onRail = c.groupClasses.map(({ rails }, k) =>
    rails.includes('-')
      ? { '-': nth(available, k), '+': 0 }
      : { '-': 0, '+': rails.length ? nth(available, k) : 0 },
  );
  const turnable = c.groupClasses.map(({ rails }) => rails.length === 2);
  for (;;) {
    if (demandsMet(problem, c, onRail))
      return { onRail, commonCount: onRail.reduce((sum, row) => sum + row['-'] + row['+'], 0) };
    const k = onRail.findIndex((row, n) => turnable[n] && row['-'] > 0);
    if (k < 0) return undefined;
    onRail[k] = { '-': nth(onRail, k)['-'] - 1, '+': nth(onRail, k)['+'] + 1 };
  }
}
