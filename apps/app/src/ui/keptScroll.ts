import { useEffect, useRef } from 'react';
import type { NativeScrollEvent, NativeSyntheticEvent, ScrollView } from 'react-native';

const KEY = 'keypost.scroll.';

/** So long a page may still be filling up before it counts as drawn, ms. */
const FILLING = 4000;

/**
 * Keeps how far down somebody was in a list: whoever comes back, or loads the page anew, finds it as it was left. It
 * lasts as long as the browser's tab.
 */
export function useKeptScroll(name: string) {
  const list = useRef<ScrollView>(null);
  const wanted = useRef<number>(undefined);
  useEffect(() => {
    wanted.current = Number(sessionStorage.getItem(KEY + name) ?? 0) || undefined;
    if (wanted.current !== undefined) list.current?.scrollTo({ y: wanted.current, animated: false });
    const timer = setTimeout(() => (wanted.current = undefined), FILLING);
    return () => clearTimeout(timer);
  }, [name]);
  return {
    ref: list,
    scrollEventThrottle: 100,
    // Rows come one after the other: it goes on until it is there.
    onContentSizeChange: () => {
      if (wanted.current !== undefined) list.current?.scrollTo({ y: wanted.current, animated: false });
    },
    onScroll: ({ nativeEvent: { contentOffset } }: NativeSyntheticEvent<NativeScrollEvent>) => {
      const { y } = contentOffset;
      if (wanted.current !== undefined && Math.abs(y - wanted.current) > 2) return;
      wanted.current = undefined;
      sessionStorage.setItem(KEY + name, String(Math.round(y)));
    },
  };
}
