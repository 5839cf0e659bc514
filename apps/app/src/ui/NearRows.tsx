import { useVirtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useRef, useState } from 'react';
import type { ReactElement } from 'react';
import { View } from 'react-native';

/** Rows drawn above and below what one sees. */
const BEYOND = 20;

export interface Rows<T> {
  readonly label: string;
  readonly items: readonly T[];
  readonly keyOf: (item: T) => string;
  /** About how high a row is, in px, until it is measured. */
  readonly height: number;
  readonly row: (item: T, first: boolean) => ReactElement;
  readonly className?: string;
}

/** The rows that are near what one sees, in a room as high as all of them. */
export function NearRows<T>({ label, items, keyOf, height, row, className }: Rows<T>) {
  const own = useRef<HTMLElement>(null);
  const [around, setAround] = useState<{ scroller: HTMLElement; above: number }>();
  useLayoutEffect(() => {
    if (own.current) setAround(surroundingsOf(own.current));
  }, []);
  // eslint-disable-next-line react-hooks/incompatible-library -- this page is not compiled to remember its rows
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => around?.scroller ?? null,
    estimateSize: () => height,
    getItemKey: (i) => keyOf(items[i] as T),
    overscan: BEYOND,
    scrollMargin: around?.above ?? 0,
  });
  const near = virtual.getVirtualItems();
  const [first, last] = [near[0], near.at(-1)];
  const above = first ? first.start - (around?.above ?? 0) : 0;
  const below = virtual.getTotalSize() - (last ? last.end - (around?.above ?? 0) : 0);
  return (
    <View
      ref={own as never}
      role="list"
      aria-label={label}
      className={className}
      style={{ paddingTop: above, paddingBottom: below }}
    >
      {near.map(({ index, key }) => (
        <div role="listitem" key={String(key)} ref={virtual.measureElement} data-index={index}>
          {row(items[index] as T, index === 0)}
        </div>
      ))}
    </View>
  );
}

/** The part of the page that scrolls a list, and how far below its top the list begins. */
function surroundingsOf(list: HTMLElement): { scroller: HTMLElement; above: number } {
  let scroller = list.parentElement ?? list;
  while (scroller.parentElement && !/auto|scroll/.test(getComputedStyle(scroller).overflowY))
    scroller = scroller.parentElement;
  const above = list.getBoundingClientRect().top - scroller.getBoundingClientRect().top + scroller.scrollTop;
  return { scroller, above };
}
