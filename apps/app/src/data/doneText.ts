import type { ChangedRow } from '@keypost/api';
import { rowName, whyKept } from '@keypost/core/job';
import type { RowChange } from '@keypost/core/job';
import { say } from '@keypost/core/messages';
import type { Text } from '@keypost/core/messages';
import type { JobContent } from '@keypost/core/model';

/** Of several rows that differ, what somebody meant to change is told. */
const FIRST_TOLD: readonly string[] = ['points', 'modules', 'supplies', 'devices', 'plans', 'wires'];

const rankOf = ({ collection }: ChangedRow): number => FIRST_TOLD.indexOf(collection) + 1 || 9;

/** What a change did, in a few words; nothing where it cannot be undone, since it has a way of its own for that. */
export function doneText(before: JobContent, rows: readonly ChangedRow[]): Text | undefined {
  const changed = rows.map(({ collection, id, row }) => ({ collection, rowId: id, after: row }));
  const [main] = [...rows].sort((a, b) => rankOf(a) - rankOf(b));
  if (!main || whyKept(changed)) return undefined;
  const { collection, id, row } = main;
  const was =
    collection === 'job'
      ? before
      : ((before[collection] as readonly { id: string }[]).find((one) => one.id === id) ?? null);
  return didText({ collection, before: was as ChangedRow['row'], after: row });
}

/** What became of a row, in a few words. */
export const didText = ({ collection, before, after }: Omit<RowChange, 'rowId'>): Text =>
  say('event.done', {
    name: rowName({ collection, before, after }),
    did: after ? (before ? 'changed' : 'added') : 'removed',
  });
