import type { Display } from '../model/index.ts';

/** A screen with the controller's own span, and as many places as its range has a thousandth. */
export function usualDisplay({ unit, low, high }: { unit: string; low: number; high: number }): Display {
  const decimals = Math.min(4, Math.max(0, Math.floor(-Math.log10(Math.abs(high - low) / 1000))));
  return { label: 'Panel screen', unit, low, high, decimals, cutoffPercent: 0 };
}
