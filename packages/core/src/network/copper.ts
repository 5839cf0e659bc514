import { lastOf, nth } from '../lists/index.ts';
import { within } from '../circuit/index.ts';
import type { Wire } from '../model/index.ts';

/** Resistivity of copper at 20 °C, Ω·mm²/m (IEC 60228 conductors), and its span from cold to 70 °C. */
const COPPER = 0.0175;

/** Resistance of a conductor, Ω, with its span over temperature and strand. */
export function wireOhms(wire: Pick<Wire, 'lengthM' | 'mm2'>): ReturnType<typeof within> {
  const ohms = (COPPER * wire.lengthM) / wire.mm2;
  return within(ohms * 0.9, ohms, ohms * 1.25);
}

/**
 * Continuous current, A, of PVC-insulated copper bundled in a wireway at 40 °C ambient, by cross-section in mm²
 * (IEC 60204-1:2005, table 6, method B1). Beneath the table in proportion to the cross-section.
 */
const CAPACITY: readonly (readonly [mm2: number, amps: number])[] = [
  [0.75, 8.6],
  [1, 10.3],
  [1.5, 13.5],
  [2.5, 18.3],
  [4, 24],
  [6, 31],
  [10, 44],
  [16, 59],
  [25, 77],
  [35, 96],
  [50, 117],
];

/** Continuous current that a conductor bears, A: that of the largest tabled cross-section not above its own. */
export function copperAmps(mm2: number): number {
  const [min, amps] = nth(CAPACITY, 0);
  if (mm2 < min) return (amps * mm2) / min;
  return lastOf(CAPACITY.filter(([tabled]) => tabled <= mm2 + 1e-9))[1];
}
