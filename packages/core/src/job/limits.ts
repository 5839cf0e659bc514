import { codeOf, say } from '../messages/index.ts';
import { z } from 'zod';
import { COLLECTION_NAMES, COLLECTIONS, HEAD_FIELDS, JobHead, problemsOfIssues } from '../model/index.ts';
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
  const size = charactersOf(job);
  return size > MAX_JOB_CHARACTERS && size > (before ? charactersOf(before) : 0)
    ? [{ path: '', message: say('job.too-large', { million: MAX_JOB_CHARACTERS / 1e6 }) }]
    : [];
}

function headProblems(job: JobContent, before: JobContent | undefined): Problem[] {
  const fields = Object.keys(HEAD_FIELDS) as (keyof JobHead)[];
  if (before && fields.every((field) => job[field] === before[field])) return [];
  const parsed = JobHead.safeParse(job);
  return parsed.success ? [] : problemsOfIssues(parsed.error.issues);
}

function listProblems(name: CollectionName, rows: readonly Row[], before: readonly Row[]): Problem[] {
  const { row: schema, max } = COLLECTIONS[name] as CollectionDescriptor;
  // A list that is too long already may become less so.
  const length = z.array(z.unknown()).max(Math.max(max, before.length), codeOf('model.rows')).safeParse(rows);
  if (!length.success)
    return problemsOfIssues(length.error.issues.map((issue) => ({ ...issue, path: [name, ...issue.path] })));
  const known = new Set(before);
  return rows.flatMap((row, i) => {
    if (known.has(row)) return [];
    const parsed = schema.safeParse(row);
    return parsed.success
      ? []
      : problemsOfIssues(parsed.error.issues.map((issue) => ({ ...issue, path: [name, i, ...issue.path] })));
  });
}

const sizes = new WeakMap<readonly unknown[], number>();

/** Characters of a job as JSON without spaces, but for its head. Each list is measured once. */
function charactersOf(job: JobContent): number {
  return COLLECTION_NAMES.reduce((sum, name) => {
    const rows = job[name];
    let size = sizes.get(rows);
    if (size === undefined)
      sizes.set(rows, (size = rows.reduce<number>((all, row) => all + charactersIn(row), 0)));
    return sum + size;
  }, 0);
}

const rowSizes = new WeakMap<object, number>();

function charactersIn(row: object): number {
  let size = rowSizes.get(row);
  if (size === undefined) rowSizes.set(row, (size = JSON.stringify(row).length + 1));
  return size;
}
