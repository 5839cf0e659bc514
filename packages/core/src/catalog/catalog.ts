import { ANALOG_MODULES, MILLIVOLTMETER, MULTIMETER, OHMMETER } from './modules/analog.ts';
import { COUNTERS } from './modules/counter.ts';
import { DRIVE } from './modules/drive.ts';
import { FIELDBUS_MODULES } from './modules/fieldbus.ts';
import { INPUT_MODULES } from './modules/inputs.ts';
import { OUTPUT_MODULES } from './modules/outputs.ts';
import { SAFETY_RELAY } from './modules/safetyRelay.ts';
import { UNIVERSAL_CONTROLLER } from './modules/universal.ts';
import { TRANSMITTERS } from './devices/analog.ts';
import { HEAD_TRANSMITTER } from './devices/headTransmitter.ts';
import { SHUNT } from './devices/shunt.ts';
import { CONTACTS_AND_MEDIA } from './devices/contacts.ts';
import { BETWEEN } from './devices/between.ts';
import { PROTECTION } from './devices/protection.ts';
import { FIELDBUS_DEVICES } from './devices/fieldbus.ts';
import { PULSE_DEVICES } from './devices/pulses.ts';
import { ROTATION_DEVICES } from './devices/rotation.ts';
import { COMMANDED } from './devices/commanded.ts';
import { LOADS } from './devices/loads.ts';
import { RELAYS } from './devices/relays.ts';
import { RESISTANCE_SENSORS } from './devices/resistance.ts';
import { SAFETY_DEVICES } from './devices/safety.ts';
import { CONTACT_DEVICES, SWITCHING_SENSORS, TWO_WIRE_SENSORS } from './devices/switching.ts';
import { FINDINGS } from './devices/finding.ts';
import type { DeviceDescription } from './description/deviceDescription.ts';
import type { ModuleDescription } from './description/moduleDescription.ts';
import { deviceTypeOf } from './deviceType.ts';
import type { DeviceType } from './deviceType.ts';
import { moduleTypeOf } from './moduleType.ts';
import type { ModuleType } from './moduleType.ts';

/** What is known without any job: descriptions of devices, one file a kind. */
const DEVICES: readonly DeviceDescription[] = [
  ...SWITCHING_SENSORS,
  ...CONTACT_DEVICES,
  ...CONTACTS_AND_MEDIA,
  ...TWO_WIRE_SENSORS,
  ...SAFETY_DEVICES,
  ...TRANSMITTERS,
  HEAD_TRANSMITTER,
  SHUNT,
  ...RESISTANCE_SENSORS,
  ...PULSE_DEVICES,
  ...ROTATION_DEVICES,
  ...FIELDBUS_DEVICES,
  ...LOADS,
  ...COMMANDED,
  ...RELAYS,
  ...BETWEEN,
  ...PROTECTION,
];

const MODULES: readonly ModuleDescription[] = [
  ...INPUT_MODULES,
  ...OUTPUT_MODULES,
  ...ANALOG_MODULES,
  DRIVE,
  UNIVERSAL_CONTROLLER,
  SAFETY_RELAY,
  ...COUNTERS,
  ...FIELDBUS_MODULES,
  MULTIMETER,
  OHMMETER,
  MILLIVOLTMETER,
];

export const DEVICE_TYPES: readonly DeviceType[] = DEVICES.map((description) =>
  deviceTypeOf({ ...description, ...FINDINGS[description.id] }),
);
export const MODULE_TYPES: readonly ModuleType[] = MODULES.map(moduleTypeOf);

/** Every relay with a coil and changeover contacts, those with fewer poles and smaller contacts first. */
export const RELAY_TYPES: readonly DeviceType[] = DEVICE_TYPES.filter(({ id }) =>
  RELAYS.some((relay) => relay.id === id),
).sort(
  (a, b) =>
    (a.contacts?.poles ?? 0) - (b.contacts?.poles ?? 0) || (a.contacts?.amps ?? 0) - (b.contacts?.amps ?? 0),
);

/** Ids of the parts that are proposed: a resistor, a contact, and a stack light with tiers. */
export const RESISTOR_ID = 'resistor';
export const DRY_CONTACT_ID = 'dry-contact';
/** The sensor that belongs on each pair of coil terminals of an arc unit. */
export const COIL_SENSOR_ID = 'arc-coil';
/** The thermometer that belongs on a transmitter's element side, by the wires that it uses. */
export const ELEMENT_IDS: Readonly<Record<string, string>> = { '2': 'rtd-2w', '3': 'rtd-3w', '4': 'rtd-4w' };
/** The indicator lamps that a plan puts in, by the volts that they are for, and the device that is offered first. */
export const LAMP_IDS = { '24': 'lamp-led-24', '230': 'lamp-230' } as const;
export const USUAL_DEVICE = 'inductive-3w';
export const STACK_LIGHT_ID = DEVICES.find(({ tiers }) => tiers)?.id ?? '';
