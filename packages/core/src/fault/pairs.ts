import { nth } from '../lists/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { explains, likelihood, misread } from './diagnose.ts';
import type { Seen } from './diagnose.ts';
import { dictionaryOf, sightsOf } from './dictionary.ts';
import { pointFaults } from './pointFaults.ts';
import { knownOf, netsOf, WEIGHT } from './pointFault.ts';
import type { Look } from './looks.ts';
import type { KnownFault, PointFault } from './pointFault.ts';
import type { Sight } from './sight.ts';

/** Two things that are broken at once. */
export interface FaultPair {
  readonly first: KnownFault;
  readonly second: KnownFault;
  /** How likely they are beside all other pairs, 0 to 1. */
  readonly share: number;
}

/** So many faults that explain most by themselves are put together. */
const TRIED = 24;
/** So many pairs are told. */
const TOLD = 6;

/**
 * Pairs of faults after what was seen, the likeliest first: each two of those that explain most of it by themselves,
 * solved with both in the circuit. A look that one fault cannot explain counts as little as a misreading.
 */
export function faultPairs(analysis: Analysis, seen: readonly Seen[]): FaultPair[] {
  const { rows, looks } = dictionaryOf(analysis);
  const wrong = seen.map(({ look, is }) =>
    misread(
      rows.flatMap(({ sights }) => sights[look] ?? []),
      is,
    ),
  );
  // What is shown at each look that was taken, in their order.
  const fits = (sights: readonly Sight[]) =>
    seen.reduce((product, { is }, i) => {
      const sight = sights[i];
      return sight ? product * likelihood(sight, is, wrong[i] ?? 1) : product;
    }, 1);
  const made = new Map(pointFaults(analysis).map((fault) => [fault.id, fault]));
  const singles = rows
    .flatMap(({ fault, sights }) => {
      const own = fault && made.get(fault.id);
      return own ? [{ own, explains: explained(sights, nth(rows, 0).sights, seen) }] : [];
    })
    .sort((a, b) => b.explains - a.explains || WEIGHT[b.own.likely] - WEIGHT[a.own.likely])
    .slice(0, TRIED)
    .map(({ own }) => own);
  const sought = seen.flatMap(({ look }) => looks[look] ?? []);
  const pairs = singles.flatMap((first, i) =>
    singles.slice(i + 1).flatMap((second) => {
      const sights = sightsOfBoth(analysis, first, second, sought);
      if (!sights) return [];
      const weight = WEIGHT[first.likely] * WEIGHT[second.likely] * fits(sights);
      return [{ first: knownOf(first), second: knownOf(second), weight }];
    }),
  );
  const all = pairs.reduce((sum, { weight }) => sum + weight, 0);
  return pairs
    .map(({ first, second, weight }) => ({ first, second, share: all > 0 ? weight / all : 0 }))
    .sort((a, b) => b.share - a.share)
    .slice(0, TOLD);
}

/** What looks show with both in the circuit; nothing where they cannot both be. */
function sightsOfBoth(
  analysis: Analysis,
  first: PointFault,
  second: PointFault,
  looks: readonly Look[],
): Sight[] | undefined {
  const order = inOrder(first, second);
  if (!order) return undefined;
  const [one, other] = order;
  const nets = attempt(() => other.leaves(one.leaves(netsOf(analysis))));
  return nets && sightsOf(one.as ?? analysis, looks, nets, { ...one.shown, ...other.shown });
}

/** All that two faults show, by their ids; nothing where they cannot both be. */
export function sightsOfPair(analysis: Analysis, ids: readonly [string, string]): Sight[] | undefined {
  const [first, second] = ids.map((id) => pointFaults(analysis).find((fault) => fault.id === id));
  return first && second && sightsOfBoth(analysis, first, second, dictionaryOf(analysis).looks);
}

/** How many looks that are not as in the sound circuit a fault explains. */
function explained(sights: readonly Sight[], sound: readonly Sight[], seen: readonly Seen[]): number {
  return seen.filter(({ look, is }) => {
    const [own, healthy] = [sights[look], sound[look]];
    return own && healthy && explains(own, is) && !explains(healthy, is);
  }).length;
}

/** What changes a circuit comes after what makes another one; two that each make another one are not put together. */
const inOrder = (a: PointFault, b: PointFault): readonly [PointFault, PointFault] | undefined =>
  a.as && b.as ? undefined : b.as ? [b, a] : [a, b];

/** A fault whose wire the other took out of the circuit cannot be put in. */
function attempt<T>(act: () => T): T | undefined {
  try {
    return act();
  } catch {
    return undefined;
  }
}
