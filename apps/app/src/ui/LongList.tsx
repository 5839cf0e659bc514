import { lazy, Suspense } from 'react';
import type { ComponentType } from 'react';
import { View } from 'react-native';
import type { Rows } from './NearRows';
import { useIsPrinting } from './printing';
import { useGradually } from './useGradually';
import { arriving } from '../data/notFetched';

/** So many rows are simply drawn; of more, only those that are near what one sees. */
const DRAWN_WHOLE = 120;

const Near = lazy(async () => ({
  default: (await arriving(import('./NearRows'))).NearRows as ComponentType<Rows<unknown>>,
}));

/** A list of any length within a page that scrolls. */
export function LongList<T>(rows: Rows<T>) {
  const isPrinting = useIsPrinting();
  if (isPrinting || rows.items.length <= DRAWN_WHOLE) return <AllRows {...rows} />;
  return (
    <Suspense fallback={<AllRows {...rows} items={rows.items.slice(0, DRAWN_WHOLE)} />}>
      <Near {...(rows as unknown as Rows<unknown>)} />
    </Suspense>
  );
}

function AllRows<T>({ label, items, keyOf, row, className }: Rows<T>) {
  const drawn = useGradually(items.length);
  return (
    <View role="list" aria-label={label} className={className}>
      {items.slice(0, drawn).map((item, i) => (
        <View role="listitem" key={keyOf(item)}>
          {row(item, i === 0)}
        </View>
      ))}
    </View>
  );
}
