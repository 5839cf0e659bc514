import { useEffect, useRef } from 'react';
import { focusNewPage } from './focus';

const PRODUCT = 'Key Post';

/** The page that has come last; where the program begins, the browser has the keyboard. */
let arrived: string | undefined;

/**
 * Says what the page is called in the browser: its tab, its history, what is printed over it.
 * What is read aloud, and the keyboard, go on at its name.
 */
export function usePageTitle(title: string | undefined): void {
  const came = useRef<{ path: string; had: Element | null }>(undefined);
  useEffect(() => {
    const { path, had } = (came.current ??= { path: window.location.pathname, had: document.activeElement });
    // A page that waits behind another one does not speak for it.
    if (!title || path !== window.location.pathname) return;
    document.title = `${title} · ${PRODUCT}`;
    if (arrived !== undefined && arrived !== path) focusNewPage(had);
    arrived = path;
  }, [title]);
}
