import { gaugeText, inSystem } from '@keypost/core/units';
import type { UnitSystem } from '@keypost/core/units';
import { useSyncExternalStore } from 'react';

/** What the job that is open shows first, and what somebody chose to look at instead. */
let first: UnitSystem = 'metric';
let chosen: UnitSystem | undefined;
const ears = new Set<() => void>();

/** Quantities are shown as this job shows them first, until somebody swaps. */
export function showUnitsOf(next: UnitSystem | undefined): void {
  if ((next ?? 'metric') === first) return;
  first = next ?? 'metric';
  chosen = undefined;
}

/** Shows the other system, and the first again, on every page. */
export function swapUnits(): void {
  chosen = shown() === 'us' ? 'metric' : 'us';
  for (const ear of ears) ear();
}

const shown = (): UnitSystem => chosen ?? first;

const listen = (ear: () => void): (() => void) => {
  ears.add(ear);
  return () => void ears.delete(ear);
};

/** The units in which quantities are shown now. */
export const useShownUnits = (): UnitSystem => useSyncExternalStore(listen, shown, shown);

/** Cross-section and length of a wire as they are shown; a gauge is the nearest one, with the section beside it. */
export function wireSize(
  { mm2, lengthM }: { readonly mm2: number; readonly lengthM: number },
  system: UnitSystem,
): [section: string, length: string] {
  const { value, unit } = inSystem(lengthM, 'm', system);
  return system === 'us'
    ? [
        `about ${gaugeText(mm2).replace(' ', '\u00a0')} (${mm2}\u00a0mm²)`,
        `${Number(value.toPrecision(3))}\u00a0${unit}`,
      ]
    : [`${mm2}\u00a0mm²`, `${Math.round(lengthM * 100) / 100}\u00a0m`];
}
