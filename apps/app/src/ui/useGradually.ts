import { startTransition, useEffect, useState } from 'react';

/** So many rows are added at a time: few enough that the page answers between them. */
const STEP = 5;

/** How much of a long list is drawn: the first rows at once, then a few more at a time until all are there. */
export function useGradually(all: number): number {
  const [drawn, setDrawn] = useState(STEP);
  useEffect(() => {
    if (drawn >= all) return;
    const next = setTimeout(() => startTransition(() => setDrawn(drawn + STEP)), 0);
    return () => clearTimeout(next);
  }, [drawn, all]);
  return Math.min(drawn, all);
}
