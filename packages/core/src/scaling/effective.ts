import { sure } from '../lists/index.ts';
import type { SheetLine } from '../setting/index.ts';
import { isRaw } from '../catalog/index.ts';
import { sheetOf } from '../setting/index.ts';
import { convert } from '../units/index.ts';
import type { JobIndex } from '../job/index.ts';

/** How a part's parameter stands: as somebody saw it, else as it is required, else as it comes from the factory. */
export interface Effective {
  readonly value: string;
  readonly unit: string;
  /** Nobody looked yet: it is taken to be as required, or as it came. */
  readonly assumed: boolean;
  readonly line: SheetLine;
}

export function effective(index: JobIndex, itemId: string, key: string): Effective | undefined {
  const line = sheetOf(index, itemId).lines.find(({ parameter }) => parameter.key === key);
  if (!line) return undefined;
  const { required, parameter, presentUnit, unit } = line;
  // What nobody can read says nothing of how the part stands.
  const present = line.present && !isRaw(line.present.value) ? line.present : undefined;
  const value = present?.value ?? required?.value ?? parameter.factory;
  if (value === undefined) return undefined;
  return { value, unit: present && presentUnit ? presentUnit : unit, assumed: !present, line };
}

export interface EffectiveRange {
  readonly low: number;
  readonly high: number;
  readonly assumed: boolean;
}

/**
 * A range as it stands at a part, in a unit; its bottom is 0 where the part asks only for its top. Nothing where it
 * has none, or in a unit that cannot be brought into this one.
 * @param prefix of the keys, such as `A0.`.
 */
export function effectiveRange(
  index: JobIndex,
  itemId: string,
  unit: string,
  prefix = '',
): EffectiveRange | undefined {
  const end = (key: 'low' | 'high'): { value: number; assumed: boolean } | undefined => {
    const found = effective(index, itemId, `${prefix}${key}`);
    const value = found && convert(Number(found.value), found.unit || unit, unit);
    return value === undefined ? undefined : { value, assumed: sure(found).assumed };
  };
  const high = end('high');
  if (!high) return undefined;
  const low = end('low') ?? { value: 0, assumed: false };
  return low.value === high.value
    ? undefined
    : { low: low.value, high: high.value, assumed: low.assumed || high.assumed };
}
