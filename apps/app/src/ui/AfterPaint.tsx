import { startTransition, useEffect, useState } from 'react';
import type { ReactNode } from 'react';

/** Holds back what stands below until the rest of the page is on the screen, and what is touched meanwhile goes first. */
export function AfterPaint({ children }: { children: ReactNode }) {
  const [painted, setPainted] = useState(false);
  useEffect(() => startTransition(() => setPainted(true)), []);
  return painted ? children : null;
}
