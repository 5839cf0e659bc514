import type { Dictionary, DictionaryRow } from './dictionary.ts';
import type { FaultExperience, FaultSort } from '../model/index.ts';
import { weigher } from './experience.ts';
import { alike, density, isReading, scaleSpan, within } from './sight.ts';
import type { Sight } from './sight.ts';

/** What was seen at a look: an indicator on or off, or what a meter read, V or Ω. */
export interface Seen {
  readonly look: number;
  readonly is: boolean | number;
}

/** A suspect, or several that nothing that can be looked at tells apart. */
export interface Suspect {
  readonly rows: readonly DictionaryRow[];
  /** How likely it is after all that was seen, 0 to 1. */
  readonly share: number;
}

/** So often a reading of a meter is simply wrong, and so often a lamp or a bit is not seen right. */
const SLIP = 0.14;
const MISSEEN = 0.04;

/** How well something that was seen goes with what a fault shows: a probability of an indicator, a density of a reading. */
function goesWith(sight: Sight, is: Seen['is']): number {
  if (isReading(sight)) return typeof is === 'number' ? density(sight, is) : 0;
  if (sight.kind === 'either') return 0.5;
  return (sight.kind === 'on') === is ? 1 : 0;
}

/** How likely something would be if it was misread: the other of two, or a reading that something else would show. */
export function misread(sights: readonly Sight[], is: Seen['is']): number {
  if (typeof is !== 'number') return 1;
  const usual = sights.reduce((sum, sight) => sum + goesWith(sight, is), 0) / sights.length;
  return 0.8 * usual + 0.2 / scaleSpan(sights);
}

/** How likely what was seen is with a fault, misreading counted in. @param wrong how likely it is when misread. */
export const likelihood = (sight: Sight, is: Seen['is'], wrong: number): number => {
  const fits = goesWith(sight, is);
  return typeof is === 'number' || sight.kind === 'either'
    ? (1 - SLIP) * fits + SLIP * wrong
    : (1 - missed(sight)) * fits + missed(sight) * (1 - fits);
};

const missed = (sight: Sight): number => ('slip' in sight ? sight.slip : undefined) ?? MISSEEN;

/** Whether a sight explains what was seen, without misreading. */
export const explains = (sight: Sight, is: Seen['is']): boolean =>
  isReading(sight)
    ? typeof is === 'number' && within(sight, is)
    : sight.kind === 'either' || (sight.kind === 'on') === is;

/** Whether nothing that can be looked at tells two rows apart. */
export const untold = (a: readonly Sight[], b: readonly Sight[]): boolean =>
  a.every((one, i) => {
    const other = b[i];
    return !other || alike(one, other);
  });

/** Rows that nothing tells apart, as groups; each goes to the first that it is like. */
export function groupsOf({ rows }: Dictionary): DictionaryRow[][] {
  const groups: DictionaryRow[][] = [];
  for (const row of rows) {
    const like = groups.find(([first]) => first && untold(first.sights, row.sights));
    if (like) like.push(row);
    else groups.push([row]);
  }
  return groups;
}

/** How likely it is, before anything was seen, that nothing is wrong though somebody says so. */
const NOTHING = 0.5;

/** How well each sort of fault goes with one that comes and goes; what is set stays set. */
const COMES_AND_GOES: Readonly<Record<FaultSort, number>> = {
  'wire-open': 1,
  'wire-weak': 3,
  'wires-exchanged': 0,
  'wire-short': 1,
  supply: 1,
  output: 1,
  target: 2,
  kind: 0,
  setting: 0,
  input: 1,
  led: 1,
  program: 0.2,
  part: 1,
  other: 1,
};

/** Of one that comes and goes, so often it is there when it is looked for. */
const THERE = 0.6;

/**
 * Suspects after what was seen, the likeliest first.
 * @param experience what this job's record says of how often each sort is what is wrong.
 * @param sometimes it comes and goes: at each look it may just as well have been as it is with nothing wrong.
 */
export function suspects(
  groups: readonly (readonly DictionaryRow[])[],
  seen: readonly Seen[],
  experience?: FaultExperience,
  sometimes = false,
): Suspect[] {
  const before = weigher(
    groups.flatMap((rows) => rows.flatMap(({ fault }) => fault ?? [])),
    experience,
  );
  const weightOf = ({ fault }: DictionaryRow): number =>
    fault ? before(fault) * (sometimes ? COMES_AND_GOES[fault.sort] : 1) : NOTHING;
  const sound = groups.flat().find(({ fault }) => !fault)?.sights;
  const wrong = seen.map(({ look, is }) =>
    misread(
      groups.flatMap((rows) => rows.flatMap(({ sights }) => sights[look] ?? [])),
      is,
    ),
  );
  const weighed = groups.map((rows) => ({
    rows,
    share: rows.reduce(
      (sum, row) =>
        sum +
        seen.reduce((product, { look, is }, i) => {
          const sight = row.sights[look];
          if (!sight) return product;
          const fits = likelihood(sight, is, wrong[i] ?? 1);
          const without = sometimes && sound?.[look];
          return without
            ? product * (THERE * fits + (1 - THERE) * likelihood(without, is, wrong[i] ?? 1))
            : product * fits;
        }, weightOf(row)),
      0,
    ),
  }));
  const all = weighed.reduce((sum, { share }) => sum + share, 0);
  return weighed
    .map(({ rows, share }) => ({ rows, share: all > 0 ? share / all : 0 }))
    .sort((a, b) => b.share - a.share);
}

/** Looks whose reading no suspect that is left explains: they are to be taken again. */
export function unexplained(found: readonly Suspect[], seen: readonly Seen[]): number[] {
  const left = found.filter(({ share }) => share > 0.02);
  return seen.flatMap(({ look, is }) => {
    const explained = left.some(({ rows }) =>
      rows.some(({ sights }) => {
        const sight = sights[look];
        if (!sight) return true;
        return explains(sight, is);
      }),
    );
    return explained ? [] : [look];
  });
}
