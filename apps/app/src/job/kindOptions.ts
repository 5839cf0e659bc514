import { seenOf, seenOfModule } from '@keypost/core/catalog';
import type { DeviceType, ModuleType, PartTypes } from '@keypost/core/catalog';
import type { Sight } from '../ui/Chooser';
import type { Choice } from '../ui/choices';

/** By what is seen of a device. */
export const DEVICE_SIGHTS: readonly Sight[] = [
  { kind: 'senses', label: 'Senses' },
  { kind: 'wires', label: 'Wires' },
  { kind: 'printed', label: 'Printed on it' },
  { kind: 'colours', label: 'Wire colour' },
  { kind: 'connector', label: 'Connector' },
];

/** The same for what stands between others, or is driven. */
export const PART_SIGHTS: readonly Sight[] = DEVICE_SIGHTS.filter(
  ({ kind }) => kind === 'wires' || kind === 'printed',
);

export const MODULE_SIGHTS: readonly Sight[] = [
  { kind: 'channels', label: 'Channels' },
  { kind: 'printed', label: 'Printed on it' },
];

/** A kind of device as one of many, found by what is seen of it and by what else it is called. */
export function deviceChoice(type: DeviceType): Choice {
  const { wires, colours, connector, printed, senses } = seenOf(type);
  const terminals = type.terminals.map(({ name }) => name).join(' ');
  return {
    value: type.id,
    label: type.name,
    group: type.group,
    hint: [terminals.length > 40 ? `${terminals.slice(0, 38)} …` : terminals, printed.join(', ')]
      .filter(Boolean)
      .join(' · '),
    terms: [...(type.description.terms ?? []), ...printed, ...senses, type.description.title],
    marks: { wires, colours, connector, printed, senses },
  };
}

export function moduleChoice(type: ModuleType): Choice {
  const { channels, printed } = seenOfModule(type);
  return {
    value: type.id,
    label: type.name,
    group: type.group,
    terms: [...(type.description.terms ?? []), ...printed],
    marks: { channels, printed },
  };
}

/** Kinds that a point can be of; relays and what stands between others are added to a point later. */
export const pointKinds = ({ devices }: PartTypes): Choice[] =>
  devices.filter(({ description }) => !description.part).map(deviceChoice);
