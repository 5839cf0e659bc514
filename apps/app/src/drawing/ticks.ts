import { sure } from '@keypost/core/lists';

/** Round numbers within a range, about so many: steps of 1, 2 or 5 times a power of ten. */
export function ticks(low: number, high: number, about: number): number[] {
  const span = Math.abs(high - low);
  if (!(span > 0)) return [low];
  const rough = span / about;
  const decade = 10 ** Math.floor(Math.log10(rough));
  const step = sure([1, 2, 5, 10].map((n) => n * decade).find((n) => n >= rough));
  const first = Math.ceil(Math.min(low, high) / step - 1e-9);
  const last = Math.floor(Math.max(low, high) / step + 1e-9);
  return Array.from({ length: last - first + 1 }, (_, i) => Number(((first + i) * step).toPrecision(12)));
}
