import { useEffect, useRef, useState } from 'react';
import type { View } from 'react-native';

/** How far beside the screen a part counts as on it already, so that it is ready when it is scrolled to. */
const MARGIN = '200px';

/** Whether a part of the page is on the screen; what is not need not be drawn again. */
export function useOnScreen(): [ref: React.RefObject<View | null>, seen: boolean] {
  const ref = useRef<View>(null);
  const [seen, setSeen] = useState(typeof IntersectionObserver === 'undefined');
  useEffect(() => {
    const element = ref.current as unknown as Element | null;
    if (!element || typeof IntersectionObserver === 'undefined') return undefined;
    const observer = new IntersectionObserver(
      (entries) => setSeen(entries.some(({ isIntersecting }) => isIntersecting)),
      { rootMargin: MARGIN },
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, seen];
}
