import { refusedKind, seenOf, seenOfModule } from '@keypost/core/catalog';
import type { DeviceType, ModuleType, PartTypes, Port } from '@keypost/core/catalog';
import { portFits } from '@keypost/core/job';
import { oncePer } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import type { Sight } from '../ui/Chooser';
import type { Choice } from '../ui/choices';

/** Why a device that is sought is not offered. */
export const deviceRefusal = (sought: string): string | undefined => textOf(refusedKind(sought));

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
export const deviceChoice = oncePer((type: DeviceType): Choice => {
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
});

/** What the signs beside the channels of a module are called besides. */
const CALLED: Readonly<Record<string, readonly string[]>> = {
  mA: ['4-20 mA', 'current'],
  V: ['0-10 V', '0-5 V', '1-5 V', 'voltage'],
  Ω: ['RTD', 'Pt100', 'resistance'],
  mV: ['thermocouple'],
  sink: ['takes PNP'],
  source: ['takes NPN'],
};

export const moduleChoice = oncePer((type: ModuleType): Choice => {
  const { channels, printed } = seenOfModule(type);
  return {
    value: type.id,
    label: type.name,
    group: type.group,
    terms: [...(type.description.terms ?? []), ...printed, ...printed.flatMap((sign) => CALLED[sign] ?? [])],
    marks: { channels, printed },
  };
});

/**
 * Kinds that a point can be of: for a channel those that fit it, loads among them; else all but relays and what stands
 * between others, which are added to a point later.
 */
export function pointTypes({ devices }: PartTypes, ports: readonly Port[]): readonly DeviceType[] {
  const fitting = devices.filter((type) =>
    ports.some((port) => type.outputs.some((output) => portFits(type, output, port))),
  );
  return fitting.length ? fitting : devices.filter(({ description }) => !description.part);
}

export const pointKinds = (types: PartTypes, ports: readonly Port[] = []): Choice[] =>
  pointTypes(types, ports).map(deviceChoice);
