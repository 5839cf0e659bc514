import { useEffect, useRef } from 'react';

const PRODUCT = 'Key Post';

/** Says what the page is called in the browser: its tab, its history, what is printed over it. */
export function usePageTitle(title: string | undefined): void {
  const path = useRef<string>(undefined);
  useEffect(() => {
    path.current ??= window.location.pathname;
    // A page that waits behind another one does not speak for it.
    if (title && path.current === window.location.pathname) document.title = `${title} · ${PRODUCT}`;
  }, [title]);
}
