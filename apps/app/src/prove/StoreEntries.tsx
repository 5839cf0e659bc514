import { SaveNotice } from '../data/SaveNotice';
import { Button } from '../ui/Button';
import type { useEntries } from './useEntries';

/** The foot of a proof: stores what was entered. */
export function StoreEntries({
  of: { saver, count, ready, store },
  one,
  many,
}: {
  of: ReturnType<typeof useEntries>;
  /** How one entry and several are called. */
  one: string;
  many: string;
}) {
  return (
    <>
      <SaveNotice saver={saver} />
      <Button
        label={count === 0 ? 'Store what was entered' : `Store ${count} ${count === 1 ? one : many}`}
        kind="main"
        waiting={saver.saving}
        disabled={!ready}
        onPress={store}
      />
    </>
  );
}
