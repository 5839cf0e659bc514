import { nth } from '@keypost/core/lists';

/** Runs a piece of work for about a second after a warm-up. @returns runs per second. */
export function rate(work: () => unknown): number {
  for (const until = performance.now() + 300; performance.now() < until;) work();
  let runs = 0;
  const start = performance.now();
  while (performance.now() - start < 1000) {
    work();
    runs++;
  }
  return (runs / (performance.now() - start)) * 1000;
}

export const median = (values: number[]): number =>
  nth(
    [...values].sort((a, b) => a - b),
    Math.floor(values.length / 2),
  );
