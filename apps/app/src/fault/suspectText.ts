import type { Analysis } from '@keypost/core/analysis';
import { lookText, NOTHING_CONDUCTS } from '@keypost/core/fault';
import type { Look, Suspect } from '@keypost/core/fault';
import { textOf } from '@keypost/core/messages';
import { formatOhms, formatVolts, withUnit } from '@keypost/core/units';

/** There is always what no look can show. */
const NOTHING = 'Nothing is wrong that can be seen here';

/** What a suspect is; of several that nothing tells apart the first, and how many more. */
export function suspectText({ rows }: Suspect): string {
  const [first, ...others] = rows;
  const what = first?.fault ? textOf(first.fault.what) : NOTHING;
  return others.length ? `${what}, or ${others.length} more` : what;
}

/** What is to be looked at, and with the target how, in one line. */
export function lookLabel(analysis: Analysis, look: Look): string {
  const { what, state } = lookText(analysis, look);
  return `${textOf(what)}, ${textOf(state)}`;
}

/** So many looks. */
export const looksText = (count: number): string => `${count} ${count === 1 ? 'look' : 'looks'}`;

/** How long something took, minutes and seconds. */
export const timeText = (seconds: number): string =>
  seconds < 60 ? `${Math.round(seconds)} s` : `${Math.floor(seconds / 60)} min ${Math.round(seconds % 60)} s`;

/** How an indicator stands. */
export function indicatorText(kind: Look['kind'], on: boolean): string {
  if (kind === 'bit') return on ? '1' : '0';
  if (kind === 'acts') return on ? 'acts' : 'does not act';
  if (kind === 'talks') return on ? 'answers' : 'does not answer';
  if (kind === 'counts') return on ? 'goes on' : 'stands still';
  if (kind === 'flickers') return on ? 'flickers' : 'does not flicker';
  if (kind === 'asSet') return on ? 'as planned' : 'otherwise';
  return on ? 'lit' : 'dark';
}

/** What a meter or the program shows, in the unit of the look. */
export function readText(look: Pick<Look, 'kind'> & { readonly unit?: string }, reading: number): string {
  switch (look.kind) {
    case 'value':
      return withUnit(reading, look.unit ?? '', 3);
    case 'milliamps':
      return withUnit(reading, 'mA', 3);
    case 'ohms':
      return reading >= NOTHING_CONDUCTS / 100 ? 'open' : reading < 1 ? '0 Ω' : formatOhms(reading);
    default:
      return formatVolts(reading);
  }
}

/** From this share on a wire is drawn as suspected. */
const DRAWN = 0.03;

type Place = NonNullable<Suspect['rows'][number]['fault']>['place'];

/** Something of the places that are suspected. */
const suspected = (found: readonly Suspect[], idsOf: (place: Place) => readonly string[]) =>
  new Set(
    found.flatMap(({ rows, share }) =>
      share / rows.length < DRAWN ? [] : rows.flatMap(({ fault }) => (fault ? idsOf(fault.place) : [])),
    ),
  );

/** Wires that are suspected. */
export const suspectedWires = (found: readonly Suspect[]): ReadonlySet<string> =>
  suspected(found, (place) => (place.in === 'wire' ? place.ids : []));

/** Devices, modules and supplies that are suspected. */
export const suspectedParts = (found: readonly Suspect[]): ReadonlySet<string> =>
  suspected(found, (place) => (place.in === 'part' ? [place.id] : []));

/** All of them. */
export const allTexts = ({ rows }: Suspect): string[] =>
  rows.map(({ fault }) => (fault ? textOf(fault.what) : NOTHING));
