import { middleOf } from '../lists/index.ts';
import { codeOf, say } from '../messages/index.ts';
import { z } from 'zod';
import {
  COLLECTION_NAMES,
  COLLECTIONS,
  HEAD_FIELDS,
  headOf,
  JobHead,
  problemsOfIssues,
} from '../model/index.ts';
import type { CollectionDescriptor, CollectionName, JobContent, Problem } from '../model/index.ts';

/**
 * A job may hold so many characters as JSON without spaces. A file of it then stays below its own limit, whatever
 * letters it is written in (three bytes each at most in UTF-8), so that what went out always comes in again.
 */
const MAX_JOB_CHARACTERS = 16_000_000;

type Row = { readonly id: string };

/**
 * What a job must keep to be readable: every row that is not of the job before it by its schema, every list by its
 * length, the head, and the size of the whole. @returns a problem for each that does not.
 */
export function checkLimits(job: JobContent, before?: JobContent): Problem[] {
  const head = headProblems(job, before);
  const lists = COLLECTION_NAMES.flatMap((name) =>
    before && job[name] === before[name] ? [] : listProblems(name, job[name], before?.[name] ?? []),
  );
  if (head.length || lists.length) return [...head, ...lists].slice(0, 20);
  return sizeProblems(job, before);
}

/** Whether a job would be too large to come in again as a file; one that is already may become smaller. */
export function sizeProblems(job: JobContent, before?: JobContent): Problem[] {
  const size = charactersOf(job, before);
  return size > MAX_JOB_CHARACTERS && size > (before ? charactersOf(before) : 0)
    ? [{ path: '', message: say('job.too-large', { million: MAX_JOB_CHARACTERS / 1e6 }) }]
    : [];
}

function headProblems(job: JobContent, before: JobContent | undefined): Problem[] {
  const fields = Object.keys(HEAD_FIELDS) as (keyof JobHead)[];
  if (before && fields.every((field) => job[field] === before[field])) return [];
  const parsed = JobHead.safeParse(headOf(job));
  return parsed.success ? [] : problemsOfIssues(parsed.error.issues);
}

function listProblems(name: CollectionName, rows: readonly Row[], before: readonly Row[]): Problem[] {
  const { row: schema, max } = COLLECTIONS[name] as CollectionDescriptor;
  // A list that is too long already may become less so.
  const length = z.array(z.unknown()).max(Math.max(max, before.length), codeOf('model.rows')).safeParse(rows);
  if (!length.success)
    return problemsOfIssues(length.error.issues.map((issue) => ({ ...issue, path: [name, ...issue.path] })));
  const changed = middleOf(before, rows);
  const known = new Set(changed.before);
  return changed.after.flatMap((row, i) => {
    if (known.has(row)) return [];
    const parsed = schema.safeParse(row);
    const path = [name, changed.start + i];
    return parsed.success
      ? []
      : problemsOfIssues(parsed.error.issues.map((issue) => ({ ...issue, path: [...path, ...issue.path] })));
  });
}

const sizes = new WeakMap<readonly unknown[], number>();

/** Characters of a job as JSON without spaces, but for its head. Of a list that was measured only what changed is. */
function charactersOf(job: JobContent, before?: JobContent): number {
  return COLLECTION_NAMES.reduce((sum, name) => {
    const rows = job[name] as readonly object[];
    const known = sizes.get(rows);
    if (known !== undefined) return sum + known;
    const was = before && (before[name] as readonly object[]);
    const base = was && sizes.get(was);
    const changed = middleOf(was && base !== undefined ? was : [], rows);
    const size = (base ?? 0) + charactersIn(changed.after) - charactersIn(changed.before);
    sizes.set(rows, size);
    return sum + size;
  }, 0);
}

const charactersIn = (rows: readonly object[]): number =>
  rows.reduce<number>((all, row) => all + JSON.stringify(row).length + 1, 0);
