import { nth, sure } from '../lists/index.ts';
import type { Analysis } from '../analysis/index.ts';
import type { FaultExperience } from '../model/index.ts';
import { explains, likelihood, misread, untold } from './diagnose.ts';
import type { Seen } from './diagnose.ts';
import { dictionaryOf, sightsOf } from './dictionary.ts';
import { subjectOf } from './subject.ts';
import type { DictionaryRow } from './dictionary.ts';
import { hereAfter, nextLooks } from './nextLook.ts';
import { pointFaults } from './pointFaults.ts';
import { weigher } from './experience.ts';
import { knownOf, netsOf } from './pointFault.ts';
import type { Look } from './look.ts';
import type { KnownFault, PointFault } from './pointFault.ts';
import type { Sight } from './sight.ts';

/** Two things that are broken at once. */
interface FaultPair {
  readonly first: KnownFault;
  readonly second: KnownFault;
  /** How likely they, or what nothing tells from them, are beside all other pairs, 0 to 1. */
  readonly share: number;
  /** So many other pairs show the same at everything that can be looked at. */
  readonly others: number;
}

export interface FoundPairs {
  /** The likeliest first. */
  readonly pairs: readonly FaultPair[];
  /** The look that tells most of them apart for its time; nothing where none does. */
  readonly next: number | undefined;
}

/** So many pairs are put together and solved, and of so many everything that can be looked at. */
const TRIED = 140;
const WHOLE = 24;
/** So many pairs are told. */
const TOLD = 6;

/**
 * Pairs of faults after what was seen: those of which one or the other explains most of it, solved with both in the
 * circuit. A look that they cannot explain counts as little as a misreading.
 * @param experience what this job's record says of how often each sort is what is wrong.
 */
export function faultPairs(
  analysis: Analysis,
  seen: readonly Seen[],
  experience?: FaultExperience,
): FoundPairs {
  const dictionary = dictionaryOf(analysis);
  const before = weigher(
    dictionary.rows.flatMap(({ fault }) => fault ?? []),
    experience,
  );
  const { rows, looks } = dictionary;
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
  const sought = seen.flatMap(({ look }) => looks[look] ?? []);
  const weighed = candidates(analysis, rows, seen, before).flatMap(({ first, second }) => {
    const sights = sightsOfBoth(analysis, first, second, sought);
    return sights ? [{ first, second, weight: before(first) * before(second) * fits(sights) }] : [];
  });
  const all = weighed.reduce((sum, { weight }) => sum + weight, 0);
  const groups = alikeOnes(
    weighed
      .sort((a, b) => b.weight - a.weight)
      .slice(0, WHOLE)
      .map(({ first, second, weight }) => ({
        first,
        second,
        share: all > 0 ? weight / all : 0,
        sights: sure(sightsOfBoth(analysis, first, second, looks)),
      })),
  );
  // As suspects: what nothing tells apart together, with what both show.
  const found = groups.map(({ members, share }) => ({
    rows: members.slice(0, 1).map(({ first, sights }) => ({ fault: knownOf(first), sights })),
    share,
  }));
  return {
    pairs: groups.slice(0, TOLD).map(({ members, share }) => {
      const { first, second } = nth(members, 0);
      return { first: knownOf(first), second: knownOf(second), share, others: members.length - 1 };
    }),
    next: nextLooks(dictionary, found, seen, hereAfter(dictionary, seen))[0]?.look,
  };
}

/** Pairs of which one or the other explains most of what was seen, the likelier first where as much is explained. */
function candidates(
  analysis: Analysis,
  rows: readonly DictionaryRow[],
  seen: readonly Seen[],
  before: (fault: PointFault) => number,
): { readonly first: PointFault; readonly second: PointFault }[] {
  const made = new Map(pointFaults(analysis).map((fault) => [fault.id, fault]));
  const singles = rows.flatMap(({ fault, sights }) => {
    const own = fault && made.get(fault.id);
    const told = seen.map(({ look, is }) => {
      const sight = sights[look];
      return sight !== undefined && explains(sight, is);
    });
    return own ? [{ own, told }] : [];
  });
  const sound = nth(rows, 0).sights;
  // What is not as it would be with nothing wrong is what has to be explained.
  const odd = seen.map(({ look, is }) => !explains(nth(sound, look), is));
  return singles
    .flatMap(({ own: first, told: one }, i) =>
      singles.slice(i + 1).flatMap(({ own: second, told: other }) => {
        if (!inOrder(first, second)) return [];
        let told = 0;
        for (let k = 0; k < seen.length; k++) if (one[k] || other[k]) told += odd[k] ? 1.5 : 1;
        return [{ first, second, told, likely: before(first) * before(second) }];
      }),
    )
    .sort((a, b) => b.told - a.told || b.likely - a.likely)
    .slice(0, TRIED);
}

interface Tried {
  readonly first: PointFault;
  readonly second: PointFault;
  readonly share: number;
  readonly sights: readonly Sight[];
}

/** Pairs that show the same wherever one looks, together, in the order of their shares. */
function alikeOnes(tried: readonly Tried[]): { members: Tried[]; share: number }[] {
  const groups: { members: Tried[]; share: number }[] = [];
  for (const one of tried) {
    const like = groups.find(({ members }) => untold(nth(members, 0).sights, one.sights));
    if (like) {
      like.members.push(one);
      like.share += one.share;
    } else groups.push({ members: [one], share: one.share });
  }
  return groups.sort((a, b) => b.share - a.share);
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
  return nets && sightsOf(one.as ?? subjectOf(analysis), looks, nets, { ...one.shown, ...other.shown });
}

/** All that two faults show, by their ids; nothing where they cannot both be. */
export function sightsOfPair(analysis: Analysis, ids: readonly [string, string]): Sight[] | undefined {
  const [first, second] = ids.map((id) => pointFaults(analysis).find((fault) => fault.id === id));
  return first && second && sightsOfBoth(analysis, first, second, dictionaryOf(analysis).looks);
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
