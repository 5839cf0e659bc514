import { textOf } from '@keypost/core/messages';
import { rowWords } from '@keypost/core/presentation';
import type { ChangedRow, JobView } from '@keypost/api';
import { mutate } from 'swr';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { keys } from './jobs';
import type { Saver } from './useSave';

/** Somebody stored first: shows what stands now and offers to keep the own entry or to take theirs. */
export function Conflict({
  saver,
  view,
  onTake,
}: {
  saver: Saver;
  view: JobView;
  onTake?: (rows: ChangedRow[]) => void;
}) {
  const details = saver.problem?.details;
  if (details?.status !== 409) return null;
  const current = details.current ?? [];
  const take = async () => {
    await mutate(keys.job(view.id));
    saver.dismiss();
    onTake?.(current);
  };
  return (
    <Notice
      actions={
        <>
          <Button label="Keep mine" kind="main" waiting={saver.saving} onPress={() => void saver.force()} />
          <Button label="Take theirs" onPress={() => void take()} />
        </>
      }
    >
      {`${textOf(details.message)}\nStored now: ${current.map((changed) => rowText(view, changed)).join('; ')}`}
    </Notice>
  );
}

/** A row as it stands now, in tags and labels. */
function rowText({ content }: JobView, { collection, row }: ChangedRow): string {
  if (!row) return 'it was removed';
  return rowWords(content)
    .fields(collection, row as Readonly<Record<string, unknown>>)
    .map(textOf)
    .join(', ');
}
