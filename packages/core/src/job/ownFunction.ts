import { convert } from '../units/index.ts';
import type { Device } from '../model/index.ts';
import type { Parameter } from '../catalog/index.ts';
import { presentValues } from './presentValues.ts';
import type { JobIndex } from './jobIndex.ts';

/** How a transmitter itself makes its signal of the value: over its own range, and in proportion or to its root. */
export interface OwnFunction {
  readonly low: number;
  readonly high: number;
  readonly root: boolean;
}

/**
 * A device's own range and shape as somebody saw them, else as the job wants them by hand; nothing where neither is so,
 * and it is taken to be set as the point asks.
 * @param range of the point, in whose unit the answer is.
 */
export function ownFunction(
  index: JobIndex,
  device: Device,
  range: { readonly low: number; readonly high: number; readonly unit: string },
): OwnFunction | undefined {
  const parameters = index.deviceType(device).handling?.parameters ?? [];
  const { values } = presentValues(index, device.id);
  const standing = (key: string): string | undefined =>
    values.get(key)?.value ?? device.override?.[key]?.value;
  const unitOf = ({ unit, unitKey }: Parameter): string =>
    unit ?? (unitKey === undefined ? undefined : standing(unitKey)) ?? range.unit;
  const end = (from: string): number | undefined => {
    const parameter = parameters.find((p) => p.from === from);
    const value = parameter && standing(parameter.key);
    return value === undefined
      ? undefined
      : convert(Number(value), unitOf(parameter as Parameter), range.unit);
  };
  const [low, high, root] = [end('range.low'), end('range.high'), standing('shape') === 'root'];
  if (low === undefined && high === undefined && !root) return undefined;
  const hasLow = parameters.some(({ from }) => from === 'range.low');
  const own = { low: low ?? (hasLow ? range.low : 0), high: high ?? range.high, root };
  return own.low === own.high || Number.isNaN(own.low + own.high) ? undefined : own;
}
