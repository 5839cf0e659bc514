/** Numbers from 0 to 1 that come in the same order for the same seed (a 32-bit linear congruential generator). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}
