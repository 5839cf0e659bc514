import type { Parameter } from '../catalog/index.ts';
import type { Entry } from '../model/index.ts';
import { isSameUnit } from '../units/index.ts';
import { parametersOf } from './itemParameters.ts';
import type { JobIndex } from './jobIndex.ts';

/** A value of a parameter as somebody saw it. */
export interface Seen {
  readonly value: string;
  readonly side: Entry['side'];
  readonly how: Entry['how'];
  readonly by: string;
  readonly at: string;
}

/** What is known of a part's parameters at some moment. */
export interface Present {
  readonly values: ReadonlyMap<string, Seen>;
  /** What was put back to factory values since, and by the change of which parameter. */
  readonly wiped: ReadonlyMap<string, Parameter>;
}

/**
 * What is known of a part's parameters: the last that was seen of each, less what a later change of another put back.
 * Of a part that was put in for another nothing is known yet.
 * @param until leaves out what came after; ISO 8601, UTC.
 */
export function presentValues(index: JobIndex, itemId: string, until?: string): Present {
  const item = index.device(itemId) ?? index.module(itemId);
  const swapped = index.mendsOf(itemId, 'swapped').findLast((at) => until === undefined || at <= until);
  const entries = index
    .entriesOf(itemId)
    .filter(({ at }) => (until === undefined || at <= until) && (swapped === undefined || at > swapped));
  const parameters = item && entries.length ? parametersOf(index.job, itemId) : [];
  const values = new Map<string, Seen>();
  const wiped = new Map<string, Parameter>();
  for (const entry of entries) {
    const { side, how, by, at } = entry;
    // A wipe comes before the values that were entered together with it.
    if (side === 'left')
      for (const parameter of parameters) wipe(parameter, entry, parameters, values, wiped);
    for (const [key, value] of Object.entries(entry.values)) {
      values.set(key, { value, side, how, by, at });
      wiped.delete(key);
    }
  }
  // A switch that was moved in the job by itself stands where the job has it.
  if (until === undefined)
    for (const [key, value] of Object.entries(item?.settings ?? {}))
      if (values.get(key)?.value !== value)
        values.set(key, { value, side: 'found', how: 'typed', by: '', at: '' });
  return { values, wiped };
}

function wipe(
  parameter: Parameter,
  entry: Entry,
  parameters: readonly Parameter[],
  values: Map<string, Seen>,
  wiped: Map<string, Parameter>,
): void {
  const { key, wipes } = parameter;
  const next = entry.values[key];
  if (next === undefined || !wipes) return;
  const before = values.get(key)?.value;
  if (before !== undefined && sameValue(parameter, before, next)) return;
  for (const other of parameters) {
    if (other.key === key || !wipesIt(parameter, other) || !values.has(other.key)) continue;
    values.delete(other.key);
    wiped.set(other.key, parameter);
  }
}

/** Whether a change of one puts the other back. A hardware switch stays where it is. */
export const wipesIt = ({ key, wipes }: Parameter, other: Parameter): boolean =>
  other.key !== key && (wipes === 'all' ? other.place !== 'switch' : (wipes?.includes(other.key) ?? false));

/** Whether two values of a parameter are the same: numbers to one part in a million, units in whatever spelling. */
export function sameValue({ kind }: Pick<Parameter, 'kind'>, a: string, b: string): boolean {
  if (a === b) return true;
  if (kind === 'choice') return isSameUnit(a, b);
  if (kind !== 'number') return false;
  const [x, y] = [Number(a), Number(b)];
  return Math.abs(x - y) <= 1e-6 * Math.max(Math.abs(x), Math.abs(y));
}
