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

/** What a row calls itself: its tag, its number, its file, its name. */
export const ownName = ({ tag, number, fileName, name, caption, description }: Row): unknown =>
  tag ??
  number ??
  fileName ??
  name ??
  caption ??
  (description as { readonly name?: unknown } | undefined)?.name;

/** What a row is called where it is told that it was changed. */
export function rowName({ collection, before, after }: Omit<RowChange, 'rowId'>): string {
  if (collection === 'job') return 'Job';
  return `${COLLECTIONS[collection].label} ${String(ownName({ ...before, ...after }) ?? '')}`.trim();
}
