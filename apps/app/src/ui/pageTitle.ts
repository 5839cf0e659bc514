import { useEffect, useRef } from 'react';
import { focusPage } from './focus';

const PRODUCT = 'Key Post';

/** The page that has come last; where the program begins, the browser has the keyboard. */
let arrived: string | undefined;

/**
 * Says what the page is called in the browser: its tab, its history, what is printed over it.
 * What is read aloud, and the keyboard, go on at its name.
 */
export function usePageTitle(title: string | undefined): void {
  const path = useRef<string>(undefined);
  useEffect(() => {
    path.current ??= window.location.pathname;
    // A page that waits behind another one does not speak for it.
    if (!title || path.current !== window.location.pathname) return;
    document.title = `${title} · ${PRODUCT}`;
    if (arrived !== undefined && arrived !== path.current) requestAnimationFrame(focusPage);
    arrived = path.current;
  }, [title]);
}
