/** It is looked so often how long was waited, ms. */
const LOOK_MS = 25;
/** From one look to the next counts as no longer than this, ms: what is beyond, this process stood still itself. */
const MOST_MS = 30;

/**
 * Ends a wait for a partner. Time in which this process stood still does not count: what the partner said meanwhile was
 * not looked at yet.
 * @param act called once so many ms were waited for it.
 * @returns what ends the waiting.
 */
export function outOfPatience(ms: number, act: () => void): () => void {
  let waited = 0;
  let last = performance.now();
  const timer = setInterval(
    () => {
      const now = performance.now();
      waited += Math.min(now - last, MOST_MS);
      last = now;
      if (waited < ms) return;
      clearInterval(timer);
      act();
    },
    Math.min(LOOK_MS, ms),
  );
  return () => clearInterval(timer);
}
