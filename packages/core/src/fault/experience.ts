import type { FaultExperience, FaultSort, Often } from '../model/index.ts';
import { WEIGHT } from './pointFault.ts';
import type { KnownFault } from './pointFault.ts';

/** What is told beforehand counts as much as so many faults that were mended. */
const PRIOR = 20;

/** By what a sort weighs more where somebody says how often it is what is wrong. */
const RATED: Readonly<Record<Often, number>> = { seldom: 0.25, usual: 1, often: 4 };

/**
 * How likely each of some faults is before anything was seen: by its class, by what was said of its sort in this plant,
 * and by what was mended there. A sort's share moves from what is told beforehand to what was counted (the mean of a
 * Dirichlet distribution); within its sort a fault weighs by its class.
 */
export function weigher(
  faults: readonly Pick<KnownFault, 'sort' | 'likely'>[],
  { mended, rated }: FaultExperience = { mended: new Map(), rated: new Map() },
): (fault: Pick<KnownFault, 'sort' | 'likely'>) => number {
  const weight = ({ sort, likely }: Pick<KnownFault, 'sort' | 'likely'>): number =>
    WEIGHT[likely] * RATED[rated.get(sort)?.often ?? 'usual'];
  const told = new Map<FaultSort, number>();
  for (const fault of faults) told.set(fault.sort, (told.get(fault.sort) ?? 0) + weight(fault));
  const all = [...told.values()].reduce((sum, one) => sum + one, 0);
  const counted = [...told.keys()].reduce((sum, sort) => sum + (mended.get(sort) ?? 0), 0);
  return (fault) => {
    const share = (told.get(fault.sort) ?? 0) / all;
    const learned = (PRIOR * share + (mended.get(fault.sort) ?? 0)) / (PRIOR + counted);
    return (weight(fault) * learned) / share;
  };
}
