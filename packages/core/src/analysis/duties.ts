import { deviceType, settingsOfDevice } from '../catalog/index.ts';
import type { Device } from '../model/index.ts';
import { elementId } from '../network/index.ts';
import type { PointContext } from '../network/index.ts';

/** Something that has to be on in some states of a point and off in the others. */
export interface Duty {
  /** Element whose state counts. */
  readonly id: string;
  readonly device: Device;
  readonly label: string;
  readonly on: 'present' | 'away' | 'always';
}

/** What a point's device and helpers owe: loads their duty, talking devices what they must hear. */
export function dutiesOf({ device, type, helpers }: PointContext): Duty[] {
  const { follows = {} } = type;
  const own = (ids: readonly string[] | undefined, on: Duty['on']): Duty[] =>
    (ids ?? []).map((id) => ({
      id: elementId(device.id, id),
      device,
      label: labelOf(device, id),
      on,
    }));
  return [
    ...own(follows.always, 'always'),
    ...own(follows.present, 'present'),
    ...own(follows.away, 'away'),
    ...helpers.flatMap(loadDuties),
  ];
}

function labelOf(device: Device, id: string): string {
  const { indicators = [] } = deviceType(device.typeId);
  const label = indicators.find((indicator) => indicator.id === id)?.label;
  return indicators.filter(({ kind }) => kind === 'load').length > 1 && label
    ? `${device.tag} ${label.toLowerCase()}`
    : device.tag;
}

/** A load's duty is its setting `duty`, or `duty1` … for the tiers of a stack light. */
function loadDuties(device: Device): Duty[] {
  const type = deviceType(device.typeId);
  if (!type.load) return [];
  const settings = settingsOfDevice(device);
  const loads = (type.indicators ?? []).filter(({ kind }) => kind === 'load');
  return loads.flatMap(({ id }, i) => {
    const on = settings[loads.length > 1 ? `duty${i + 1}` : 'duty'];
    return on === 'present' || on === 'away'
      ? [{ id: elementId(device.id, id), device, label: labelOf(device, id), on }]
      : [];
  });
}
