/** A stretch in which this process stood still itself counts as no longer than this, ms. */
const SLICE_MS = 25;

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
      waited += Math.min(now - last, SLICE_MS + SLICE_MS / 5);
      last = now;
      if (waited < ms) return;
      clearInterval(timer);
      act();
    },
    Math.min(SLICE_MS, ms),
  );
  return () => clearInterval(timer);
}
