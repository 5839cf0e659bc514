import type { Device, Module, Settings, Supply } from '../model/index.ts';
import { RESISTANCE_SENSORS, TRANSMITTERS } from './devices/analog.ts';
import { BETWEEN, LOADS, RELAYS } from './devices/relays.ts';
import { SAFETY_DEVICES } from './devices/safety.ts';
import { CONTACT_DEVICES, SWITCHING_SENSORS, TWO_WIRE_SENSORS } from './devices/switching.ts';
import { PULSE_DEVICES, TALKING_DEVICES } from './devices/talking.ts';
import { ANALOG_MODULES } from './modules/analog.ts';
import { COUNTER } from './modules/counter.ts';
import { DRIVE } from './modules/drive.ts';
import { INPUT_MODULES } from './modules/inputs.ts';
import { OUTPUT_MODULES } from './modules/outputs.ts';
import { SAFETY_RELAY } from './modules/safetyRelay.ts';
import { TALKING_MODULES } from './modules/talking.ts';
import { UNIVERSAL_CONTROLLER } from './modules/universal.ts';
import { settingAsParameter } from './parameters.ts';
import type { Handling } from './handling/handling.ts';
import type { Parameter } from './parameters.ts';
import type {
  DeviceTerminal,
  DeviceType,
  ModuleType,
  PartType,
  Port,
  ResistanceElement,
  TerminalRole,
} from './types.ts';

export const DEVICE_TYPES: readonly DeviceType[] = [
  ...SWITCHING_SENSORS,
  ...CONTACT_DEVICES,
  ...TWO_WIRE_SENSORS,
  ...SAFETY_DEVICES,
  ...TRANSMITTERS,
  ...RESISTANCE_SENSORS,
  ...PULSE_DEVICES,
  ...TALKING_DEVICES,
  ...LOADS,
  ...RELAYS,
  ...BETWEEN,
];

export const MODULE_TYPES: readonly ModuleType[] = [
  ...INPUT_MODULES,
  ...OUTPUT_MODULES,
  ...ANALOG_MODULES,
  DRIVE,
  UNIVERSAL_CONTROLLER,
  SAFETY_RELAY,
  COUNTER,
  ...TALKING_MODULES,
];

const devices = new Map(DEVICE_TYPES.map((type) => [type.id, type]));
const modules = new Map(MODULE_TYPES.map((type) => [type.id, type]));

export const findDeviceType = (id: string): DeviceType | undefined => devices.get(id);
export const findModuleType = (id: string): ModuleType | undefined => modules.get(id);

/** @throws Error for an id that the catalog does not hold. */
export function deviceType(id: string): DeviceType {
  const type = devices.get(id);
  if (!type) throw new Error(`The catalog holds no device type "${id}".`);
  return type;
}

/** @throws Error for an id that the catalog does not hold. */
export function moduleType(id: string): ModuleType {
  const type = modules.get(id);
  if (!type) throw new Error(`The catalog holds no module type "${id}".`);
  return type;
}

export function terminalWithRole(type: PartType, role: TerminalRole): DeviceTerminal | undefined {
  return type.terminals.find((terminal) => terminal.role === role);
}

/** Every setting of a part: what was chosen, and the first choice of what was not. */
export function settingsOf(type: PartType, chosen: Settings = {}): Settings {
  return Object.fromEntries(
    (type.settings ?? []).map(({ key, choices }) => {
      const value = chosen[key];
      return [key, choices.some((choice) => choice.value === value) ? value! : choices[0]!.value];
    }),
  );
}

/** The ports of a module as its settings make them, by channel. */
export function portsOf({ typeId, settings }: Pick<Module, 'typeId' | 'settings'>): readonly Port[] {
  const type = moduleType(typeId);
  return type.ports(settingsOf(type, settings));
}

export const settingsOfDevice = ({ typeId, settings }: Pick<Device, 'typeId' | 'settings'>): Settings =>
  settingsOf(deviceType(typeId), settings);

/** The resistance of a device's element as it is built; nothing for a device that is none. */
export const resistanceOf = (device: Pick<Device, 'typeId' | 'settings'>): ResistanceElement | undefined => {
  const { resistance, resistanceFor } = deviceType(device.typeId);
  return resistanceFor?.(settingsOfDevice(device)) ?? resistance;
};

/** Terminals of a supply: its rails, and the earth that its minus or neutral is joined to. */
export const supplyTerminals = ({ kind }: Pick<Supply, 'kind'>): readonly string[] =>
  kind === 'ac' ? ['L', 'N', 'PE'] : ['+', '-', 'PE'];

/** Whether a device's point has a measuring range: its value moves over one, or settings follow from one. */
export const takesRange = ({ stimulated, handling }: DeviceType): boolean =>
  stimulated === 'value' || (handling?.parameters.some(({ from }) => from?.startsWith('range.')) ?? false);

const parameterLists = new WeakMap<PartType, readonly Parameter[]>();

/** Everything that a type is set to: its switches and parameters, those of its instrument, in the order of its menu. */
export function parametersOfType(type: PartType & { readonly handling?: Handling }): readonly Parameter[] {
  let list = parameterLists.get(type);
  if (!list) {
    list = [
      ...(type.settings ?? []).filter(({ place }) => place !== 'version').map(settingAsParameter),
      ...(type.parameters ?? []),
      ...(type.handling?.parameters ?? []),
    ];
    parameterLists.set(type, list);
  }
  return list;
}
