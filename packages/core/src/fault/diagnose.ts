import type { Dictionary, DictionaryRow, Sight } from './dictionary.ts';
import { WEIGHT } from './pointFault.ts';

/** What was seen at a look: an indicator on or off, or volts. */
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

/** So often a reading is simply wrong. */
const SLIP = 0.09;

/** Volts that a wrong reading could be anything of. */
const SPAN = 60;

/** Standard deviation of a meter and of who reads it, V. */
const deviation = (volts: number): number => 0.05 + 0.005 * Math.abs(volts);

/** How well something that was seen goes with what a fault shows: a probability of an indicator, a density of volts, 1/V. */
function goesWith(sight: Sight, is: Seen['is']): number {
  if (sight.kind === 'volts') {
    if (typeof is !== 'number') return 0;
    const s = deviation(is);
    const { min, max } = sight;
    return (upTo(is - min, s) - upTo(is - max, s)) / (max - min);
  }
  if (sight.kind === 'either') return 0.5;
  return (sight.kind === 'on') === is ? 1 : 0;
}

/** How likely something would be if it was misread: the other of two, or a voltage that something else would show. */
function misread(sights: readonly Sight[], is: Seen['is']): number {
  if (typeof is !== 'number') return 1;
  const usual = sights.reduce((sum, sight) => sum + goesWith(sight, is), 0) / sights.length;
  return 0.8 * usual + 0.2 / SPAN;
}

/** How likely what was seen is with a fault, misreading counted in. @param wrong how likely it is when misread. */
const likelihood = (sight: Sight, is: Seen['is'], wrong: number): number => {
  const fits = goesWith(sight, is);
  return typeof is === 'number' || sight.kind === 'either'
    ? (1 - SLIP) * fits + SLIP * wrong
    : (1 - SLIP) * fits + SLIP * (1 - fits);
};

/** Share of a normal distribution up to a value (Abramowitz and Stegun 26.2.17, to 7.5·10⁻⁸). */
function upTo(value: number, deviation: number): number {
  const x = Math.abs(value / deviation);
  const t = 1 / (1 + 0.2316419 * x);
  const tail =
    Math.exp(-(x ** 2) / 2) *
    0.3989422804 *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return value >= 0 ? 1 - tail : tail;
}

/** Less than this between two readings is not told apart, V. */
const NEAR = 0.6;

/** Whether nothing that can be looked at tells two rows apart. */
const alike = (a: readonly Sight[], b: readonly Sight[]): boolean =>
  a.every((one, i) => {
    const other = b[i];
    if (!other) return true;
    if (one.kind === 'volts' || other.kind === 'volts')
      return (
        one.kind === 'volts' &&
        other.kind === 'volts' &&
        Math.abs(one.min + one.max - other.min - other.max) / 2 <= NEAR
      );
    return one.kind === other.kind;
  });

/** Rows that nothing tells apart, as groups; each goes to the first that it is like. */
export function groupsOf({ rows }: Dictionary): DictionaryRow[][] {
  const groups: DictionaryRow[][] = [];
  for (const row of rows) {
    const like = groups.find(([first]) => first && alike(first.sights, row.sights));
    if (like) like.push(row);
    else groups.push([row]);
  }
  return groups;
}

/** How likely it is, before anything was seen, that nothing is wrong though somebody says so. */
const NOTHING = 0.5;

const weightOf = ({ fault }: DictionaryRow): number => (fault ? WEIGHT[fault.likely] : NOTHING);

/** Suspects after what was seen, the likeliest first. */
export function suspects(groups: readonly (readonly DictionaryRow[])[], seen: readonly Seen[]): Suspect[] {
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
          return sight ? product * likelihood(sight, is, wrong[i] ?? 1) : product;
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
        return sight.kind === 'volts'
          ? typeof is === 'number' && is >= sight.min - 0.5 && is <= sight.max + 0.5
          : sight.kind === 'either' || (sight.kind === 'on') === is;
      }),
    );
    return explained ? [] : [look];
  });
}
