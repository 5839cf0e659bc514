import { useLayoutEffect, useRef } from 'react';
import type { ScrollView } from 'react-native';

const KEY = 'keypost.scroll.';

/** So long a page may still be filling up before it counts as drawn, ms. */
const FILLING = 4000;

const MOVED = ['wheel', 'touchmove', 'pointerdown', 'keydown'] as const;

/**
 * Keeps how far down somebody was in a list: whoever comes back, or loads the page anew, finds it as it was left. It
 * lasts as long as the browser's tab.
 */
export function useKeptScroll(name: string) {
  const list = useRef<ScrollView>(null);
  const wanted = useRef(0);
  useLayoutEffect(() => {
    const node = list.current?.getScrollableNode() as HTMLElement | undefined;
    wanted.current = Number(sessionStorage.getItem(KEY + name) ?? 0);
    const forget = () => (wanted.current = 0);
    const timer = setTimeout(forget, FILLING);
    const keep = () => {
      // One that was not reached yet is still wanted.
      const top = wanted.current || Math.round(node?.scrollTop ?? 0);
      sessionStorage.setItem(KEY + name, String(top));
    };
    // Whoever moves it by hand wants to be somewhere else.
    for (const moved of MOVED) node?.addEventListener(moved, forget, { passive: true });
    window.addEventListener('pagehide', keep);
    return () => {
      keep();
      clearTimeout(timer);
      for (const moved of MOVED) node?.removeEventListener(moved, forget);
      window.removeEventListener('pagehide', keep);
    };
  }, [name]);
  return {
    ref: list,
    // Rows come one after the other, and what stands above them grows: it goes on until all of it is there.
    onContentSizeChange: () => {
      if (wanted.current) list.current?.scrollTo({ y: wanted.current, animated: false });
    },
  };
}
