import { isAlikeList, middleOf } from '../lists/index.ts';
import type { Message } from '../messages/index.ts';
import type { CollectionName, JobContent, Problem } from '../model/index.ts';

/** So many outcomes are kept of each check: one for each job that is being changed. */
const KEPT = 8;

/**
 * A check that looks at some lists of a job only. A change leaves the lists that it does not touch as they are, so the
 * outcome for the same lists is the same.
 */
export function onLists(
  lists: readonly CollectionName[],
  check: (job: JobContent) => readonly Problem[],
): (job: JobContent) => readonly Problem[] {
  const kept: { readonly of: readonly unknown[]; readonly problems: readonly Problem[] }[] = [];
  return (job) => {
    const of = lists.map((name) => job[name]);
    const at = kept.findIndex((one) => isAlikeList(one.of, of));
    const known = at < 0 ? { of, problems: check(job) } : kept.splice(at, 1)[0];
    if (!known) return [];
    kept.unshift(known);
    kept.length = Math.min(kept.length, KEPT);
    return known.problems;
  };
}

/**
 * A check of each row of a list by itself, with what other lists hold. Rows that were sound are not looked at again as
 * long as those lists are the same.
 */
export function onRows<N extends CollectionName>(
  name: N,
  others: readonly CollectionName[],
  check: (job: JobContent) => (row: JobContent[N][number], at: number) => readonly Problem[],
): (job: JobContent) => readonly Problem[] {
  const sound: { readonly rows: readonly unknown[]; readonly of: readonly unknown[] }[] = [];
  return (job) => {
    const of = others.map((other) => job[other]);
    const rows = job[name] as readonly JobContent[N][number][];
    const at = nearest(sound, rows, of);
    const known = at < 0 ? undefined : sound[at];
    const middle = middleOf((known?.rows ?? []) as typeof rows, rows);
    const one = check(job);
    const problems = middle.after.flatMap((row, i) => one(row, middle.start + i));
    if (problems.length) return problems;
    if (at >= 0) sound.splice(at, 1);
    sound.unshift({ rows, of });
    sound.length = Math.min(sound.length, KEPT);
    return problems;
  };
}

/** A check that no id stands twice in a list. The ids of a list that was sound are taken over to what it becomes. */
export function onIds(
  name: CollectionName,
  told: (id: string, first: string) => Message,
): (job: JobContent) => readonly Problem[] {
  const sound: { readonly rows: readonly { id: string }[]; readonly ids: Map<string, string> }[] = [];
  return (job) => {
    const rows = job[name] as readonly { id: string }[];
    const at = nearest(sound, rows, []);
    const known = at < 0 ? undefined : sound.splice(at, 1)[0];
    const ids = known?.ids ?? new Map<string, string>();
    const middle = middleOf(known?.rows ?? [], rows);
    for (const { id } of middle.before) ids.delete(id);
    const problems = middle.after.flatMap(({ id }, i) => {
      const path = `${name}[${middle.start + i}].id`;
      const first = ids.get(id);
      ids.set(id, path);
      return first ? [{ path, message: told(id, first) }] : [];
    });
    if (problems.length) return problems;
    sound.unshift({ rows, ids });
    sound.length = Math.min(sound.length, KEPT);
    return problems;
  };
}

/** Which of some lists is the one that another came from: the same, or the one that begins alike; −1 for none. */
function nearest(
  known: readonly { readonly rows: readonly unknown[]; readonly of?: readonly unknown[] }[],
  rows: readonly unknown[],
  of: readonly unknown[],
): number {
  const fits = ({ of: own = [] }: { readonly of?: readonly unknown[] }) =>
    own.every((list, i) => list === of[i]);
  const same = known.findIndex((one) => one.rows === rows && fits(one));
  if (same >= 0) return same;
  return known.findIndex((one) => one.rows.length > 0 && one.rows[0] === rows[0] && fits(one));
}
