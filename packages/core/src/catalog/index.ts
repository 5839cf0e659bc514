import { DEVICE_TYPES } from './deviceTypes.ts';
import { MODULE_TYPES } from './moduleTypes.ts';
import type { DeviceTerminal, DeviceType, ModuleGroup, ModuleType, TerminalRole } from './types.ts';

export * from './types.ts';
export { DEVICE_TYPES, MODULE_TYPES };

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

export function terminalWithRole(type: DeviceType, role: TerminalRole): DeviceTerminal | undefined {
  return type.terminals.find((terminal) => terminal.role === role);
}

/** Name of a channel's terminal on its module. */
export const channelTerminal = (channel: number): string => `I${channel}`;

/** The channel that a module terminal belongs to, if it is one. */
export function channelOf(terminal: string): number | undefined {
  const match = /^I(\d+)$/.exec(terminal);
  return match ? Number(match[1]) : undefined;
}

export function groupOfChannel(type: ModuleType, channel: number): ModuleGroup | undefined {
  return type.groups.find((group) => group.channels.includes(channel));
}

export function channelsOf(type: ModuleType): number[] {
  return type.groups.flatMap((group) => [...group.channels]);
}

/** All terminals of a module: channels, then commons. */
export function moduleTerminals(type: ModuleType): string[] {
  return [...channelsOf(type).map(channelTerminal), ...type.groups.map((group) => group.common)];
}

/** Terminals of a supply: its two rails. */
export const SUPPLY_TERMINALS = ['+', '-'] as const;
