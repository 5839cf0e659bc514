import { deviceType, terminalWithRole } from '../../catalog/index.ts';
import type { Parameter, SignalKind } from '../../catalog/index.ts';
import type { Device } from '../../model/index.ts';
import { arcUnitsOf } from '../../analysis/index.ts';
import type { DeriveContext, Derivation } from './context.ts';

/** The signal that a device gives or, of an indicator, takes. */
function signalOf(device: Device): SignalKind | undefined {
  const type = deviceType(device.typeId);
  if (type.signal) return type.signal;
  if (type.resistance?.kind === 'potentiometer') return '0-10 V';
  return type.load && type.principle.includes('4-20 mA') ? '4-20 mA' : undefined;
}

/** Whether an input is switched to current or to voltage. */
export function signalSwitch({ device }: DeriveContext): Derivation {
  const signal = device && signalOf(device);
  return signal && { value: signal.includes('mA') ? 'mA' : 'V', from: `${device.tag} gives ${signal}` };
}

export function signalRange({ device }: DeriveContext): Derivation {
  const signal = device && signalOf(device);
  return signal && { value: signal, from: `${device.tag} gives ${signal}` };
}

/** A current output is on when its wire is landed. */
export function currentOutput({ index, device, item }: DeriveContext): Derivation {
  const type = device && deviceType(device.typeId);
  const terminal = type && (terminalWithRole(type, 'signal') ?? terminalWithRole(type, 'loopPlus'));
  if (!type?.signal || !terminal) return { value: 'off', from: 'no analog wire' };
  const landed = index.plannedAt(`${item.id}:${terminal.name}`).length > 0;
  return landed
    ? { value: type.signal, from: `${terminal.name} is wired` }
    : { value: 'off', from: `${terminal.name} is not wired` };
}

/** Two, three or four wires of a resistance element. */
export function elementWires({ device }: DeriveContext): Derivation {
  if (!device) return undefined;
  const roles = ['element', 'elementReturn', 'sense', 'senseReturn'];
  const count = deviceType(device.typeId).terminals.filter(({ role }) => role && roles.includes(role)).length;
  return { value: String(count), from: `${device.tag} has ${count} wires` };
}

/** PNP or NPN, as the group's common needs it. */
export function outputKind({ context, device }: DeriveContext): Derivation {
  const port = context?.ports.find(({ port: { kind } }) => kind === 'digital');
  if (port?.rail === '-' || port?.rail === '+') {
    const kind = port.rail === '-' ? 'pnp' : 'npn';
    return { value: kind, from: `common of ${port.module.tag} is on ${port.rail === '-' ? '0 V' : 'plus'}` };
  }
  return device && (device.output === 'pnp' || device.output === 'npn')
    ? { value: device.output, from: `${device.tag} is planned so` }
    : undefined;
}

export const outputLogic = ({ device }: DeriveContext, parameter: Parameter): Derivation =>
  device && parameter.choices?.some(({ value }) => value === device.logic)
    ? { value: device.logic, from: `${device.tag} is planned so` }
    : undefined;

/** Which rail an active contact or sensor brings to an input of a universal controller. */
export function activeState({ index, device }: DeriveContext): Derivation {
  if (!device) return undefined;
  if (device.output === 'pnp' || device.output === 'npn')
    return {
      value: device.output === 'pnp' ? 'plus' : 'minus',
      from: `${device.tag} is ${device.output.toUpperCase()}`,
    };
  for (const { name } of deviceType(device.typeId).terminals) {
    const rail = index.railAt(`${device.id}:${name}`)?.rail;
    if (rail === '+' || rail === '-')
      return {
        value: rail === '+' ? 'plus' : 'minus',
        from: `${name} of ${device.tag} is on ${rail === '+' ? 'plus' : '0 V'}`,
      };
  }
  return undefined;
}

/** Both inputs of a safety relay where two devices are wired, else the one that is. */
export function safetySelector({ index, item }: DeriveContext): Derivation {
  const used = index
    .portsOf(item.id)
    .filter((port) => port.kind === 'safety' && index.deviceAt({ moduleId: item.id, channel: port.channel }));
  if (used.length > 1) return { value: 'both', from: `${used.length} safety devices are wired` };
  const [only] = used;
  return only && only.channel === 0 ? { value: '1', from: 'only input 1 is wired' } : undefined;
}

/** Address switches and end switch of an arc unit by its place in the chain. */
export function arcValue({ index, item }: DeriveContext, which: 'address' | 'last'): Derivation {
  const units = arcUnitsOf(index);
  const at = units.findIndex(({ deviceId }) => deviceId === item.id);
  if (at < 0) return undefined;
  const from = `place ${at + 1} of ${units.length} in the chain`;
  return which === 'address'
    ? { value: String(at + 1), from }
    : { value: at === units.length - 1 ? 'on' : 'off', from };
}
