import { canonical } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import { COLLECTIONS, headOf, JobHead, JobProblem, refuse } from '../model/index.ts';
import type { CollectionDescriptor, JobContent } from '../model/index.ts';
import { checkSound } from './changes.ts';
import { rowName, whyKept } from './records.ts';
import type { RowChange } from './records.ts';

type Row = Readonly<Record<string, unknown>>;

/**
 * Takes a change back: what it added goes, what it removed comes back at the end of its list, what it edited is as
 * it was. Everything else stays.
 * @param rows all that the change made differ.
 * @throws JobProblem where one of them was changed since, or tells what somebody did, or where the outcome would not be
 * sound, since other things rest on it by now.
 */
export function undoChange(job: JobContent, rows: readonly RowChange[]): JobContent {
  const kept = whyKept(rows);
  if (kept) refuse(kept);
  const moved = rows.filter((row) => canonical(rowOf(job, row)) !== canonical(rowAs(row, row.after)));
  if (moved.length) refuse(say('job.undo-moved', { rows: [...new Set(moved.map(rowName))] }));
  const next = rows.reduce(withRowBack, job);
  try {
    checkSound(next, job);
  } catch (error) {
    if (!(error instanceof JobProblem)) throw error;
    throw new JobProblem([{ path: '', message: say('job.undo-rests') }, ...error.problems]);
  }
  return next;
}

/** A row of a job as it stands; null where it is not there. */
function rowOf(job: JobContent, { collection, rowId }: RowChange): Row | null {
  if (collection === 'job') return headOf(job);
  return (job[collection] as readonly Row[]).find(({ id }) => id === rowId) ?? null;
}

/** A row as the job would hold it now; nothing where it is in a form that a job has no more. */
function rowAs({ collection }: RowChange, row: Row | null): Row | null | undefined {
  if (!row) return null;
  const schema = collection === 'job' ? JobHead : (COLLECTIONS[collection] as CollectionDescriptor).row;
  return schema.safeParse(row).data as Row | undefined;
}

function withRowBack(job: JobContent, change: RowChange): JobContent {
  const { collection, rowId, before } = change;
  const row = rowAs(change, before);
  if (row === undefined) return refuse(say('job.undo-old'));
  if (collection === 'job') return { ...job, ...row };
  const rows = job[collection] as readonly Row[];
  const at = rows.findIndex(({ id }) => id === rowId);
  const next = at >= 0 ? rows.toSpliced(at, 1, ...(row ? [row] : [])) : row ? [...rows, row] : rows;
  return { ...job, [collection]: next };
}
