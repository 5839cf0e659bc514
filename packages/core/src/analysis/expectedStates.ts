import { settingsOf } from '../catalog/index.ts';
import type { DeviceType } from '../catalog/index.ts';
import type { Device } from '../model/index.ts';
import { elementId } from '../network/index.ts';
import type { PointContext } from '../network/index.ts';

/** Something that has to be on in some states of a point and off in the others. */
export interface ExpectedState {
  /** Element whose state counts. */
  readonly id: string;
  readonly device: Device;
  readonly type: DeviceType;
  readonly label: string;
  readonly on: 'present' | 'away' | 'always';
}

/** What a point's device and further parts owe: loads what they were set to, fieldbus devices what they must hear. */
export function expectedStatesOf({ index, device, type, output, helpers }: PointContext): ExpectedState[] {
  const { expects = {} } = output;
  const own = (ids: readonly string[] | undefined, on: ExpectedState['on']): ExpectedState[] =>
    (ids ?? []).map((id) => ({
      id: elementId(device.id, id),
      device,
      type,
      label: labelOf(device, type, id),
      on,
    }));
  return [
    ...own(expects.always, 'always'),
    ...own(expects.present, 'present'),
    ...own(expects.away, 'away'),
    ...helpers.flatMap((helper) => statesOfLoad(helper, index.deviceType(helper))),
  ];
}

function labelOf(device: Device, { indicators = [] }: DeviceType, id: string): string {
  const label = indicators.find((indicator) => indicator.id === id)?.label;
  return indicators.filter(({ kind }) => kind === 'load').length > 1 && label
    ? `${device.tag} ${label.toLowerCase()}`
    : device.tag;
}

/** A load's expected state is its setting `duty`, or `duty1` … for the tiers of a stack light. */
function statesOfLoad(device: Device, type: DeviceType): ExpectedState[] {
  if (!type.load) return [];
  const settings = settingsOf(type, device.settings);
  const loads = (type.indicators ?? []).filter(({ kind }) => kind === 'load');
  return loads.flatMap(({ id }, i) => {
    const on = settings[loads.length > 1 ? `duty${i + 1}` : 'duty'];
    return on === 'present' || on === 'away'
      ? [{ id: elementId(device.id, id), device, type, label: labelOf(device, type, id), on }]
      : [];
  });
}
