import { startTransition, useEffect, useState } from 'react';
import { useIsPrinting } from './printing';

/** What a screen shows at once. */
const FIRST = 12;
/** So many rows are added at a time: few enough that the page answers between them. */
const STEP = 25;

/** How much of a long list is drawn: a screenful at once, then more at a time until all are there. */
export function useGradually(all: number): number {
  const isPrinting = useIsPrinting();
  const [drawn, setDrawn] = useState(FIRST);
  useEffect(() => {
    if (drawn >= all) return;
    const next = setTimeout(() => startTransition(() => setDrawn(drawn + STEP)), 0);
    return () => clearTimeout(next);
  }, [drawn, all]);
  return isPrinting ? all : Math.min(drawn, all);
}
