import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { COLLECTIONS } from '../model/index.ts';
import type { CollectionName } from '../model/index.ts';

type Row = Readonly<Record<string, unknown>>;

/** A row as a change found it, and as it left it; null where it was not there. */
export interface RowChange {
  /** `job` for the job's head. */
  readonly collection: CollectionName | 'job';
  readonly rowId: string;
  readonly before: Row | null;
  readonly after: Row | null;
}

/** Rows that say what somebody saw or did: they stay as they were written, and each has its own way to be set right. */
const RECORDS: Partial<Record<RowChange['collection'], Message>> = {
  stamps: say('job.undo-stamp'),
  results: say('job.undo-result'),
  entries: say('job.undo-entry'),
  calibrations: say('job.undo-calibration'),
  faults: say('job.undo-fault'),
  photos: say('job.undo-photo'),
};

/** Why a change cannot be undone, whatever was done since; nothing where it can. */
export const whyKept = (rows: readonly Omit<RowChange, 'before'>[]): Message | undefined =>
  rows.flatMap(({ collection, after }) => (after ? (RECORDS[collection] ?? []) : []))[0];

/** What a row calls itself: its tag, its number, its file; a title of several words between quotation marks. */
export function ownName({ tag, number, fileName, name, caption, description }: Row): string | undefined {
  const mark = tag ?? number ?? fileName;
  if (mark !== undefined) return String(mark);
  const title = name ?? caption ?? (description as { readonly name?: unknown } | undefined)?.name;
  return title === undefined ? undefined : `“${String(title)}”`;
}

/** Whether an event tells of a job's beginning, by what was done: its rows came in whole. */
export const isBeginning = (what: string): boolean => what === 'createJob' || what === 'importJob';

/** Who did something and when. Where it came in with a file, what somebody saw or did says that itself. */
export function whoAndWhen({
  what,
  by,
  at,
  after,
}: {
  readonly what: string;
  readonly by: string;
  readonly at: string;
  readonly after: object | null;
}): { readonly by: string; readonly at: string } {
  if (!isBeginning(what)) return { by, at };
  const row = after as Row | null;
  const own = (row?.undone ?? row) as Row | null;
  return typeof own?.by === 'string' && typeof own.at === 'string' ? { by: own.by, at: own.at } : { by, at };
}

/** What a row is called where it is told that it was changed. */
export function rowName({ collection, before, after }: Omit<RowChange, 'rowId'>): string {
  if (collection === 'job') return 'Job';
  return `${COLLECTIONS[collection].label} ${ownName({ ...before, ...after }) ?? ''}`.trim();
}
