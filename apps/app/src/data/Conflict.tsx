import { textOf } from '@keypost/core/messages';
import { rowWords } from '@keypost/core/presentation';
import type { ChangedRow, JobView } from '@keypost/api';
import { HEAD_FIELDS } from '@keypost/core/model';
import type { JobContent } from '@keypost/core/model';
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

type Fields = Readonly<Record<string, unknown>>;

/** In what a row is other now than this page knows it, in tags and labels; how it stands, where it knows none. */
function rowText(view: JobView, { collection, id, row }: ChangedRow): string {
  if (!row) return 'it was removed';
  const now = row as Fields;
  const words = rowWords(view.content);
  const known = knownRow(view, collection, id);
  const others = known ? words.differences(collection, known, now) : [];
  return (others.length ? others : words.fields(collection, now)).map(textOf).join(', ');
}

const headFields = (job: JobContent): Fields =>
  Object.fromEntries(Object.keys(HEAD_FIELDS).map((field) => [field, job[field as keyof JobContent]]));

function knownRow(
  { content }: JobView,
  collection: ChangedRow['collection'],
  id: string,
): Fields | undefined {
  if (collection === 'job') return { id, ...headFields(content) };
  return (content[collection] as readonly (Fields & { id: string })[]).find((one) => one.id === id);
}
