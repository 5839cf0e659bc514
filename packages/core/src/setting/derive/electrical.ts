import { say } from '../../messages/index.ts';
import { chosenOutput, settingsOf, switchedTo, terminalWithRole } from '../../catalog/index.ts';
import type { DeviceOutput, PossiblePort, Parameter, SignalKind } from '../../catalog/index.ts';
import type { Logic, OutputKind } from '../../model/index.ts';
import { portFits } from '../../job/index.ts';
import { arcUnitsOf } from '../../analysis/index.ts';
import type { DeriveContext, Derivation } from './context.ts';

/** The outputs that count for a rule: that which its point is about first, then the device's others. */
function outputsAt({ index, device, context }: DeriveContext): readonly DeviceOutput[] {
  if (!device) return [];
  const all = index.deviceType(device).outputs;
  const own = context?.device.id === device.id ? context.output : undefined;
  return own ? [own, ...all.filter((output) => output.id !== own.id)] : all;
}

/** The signal that a device gives or, of an indicator, takes. */
function signalOf(context: DeriveContext): SignalKind | undefined {
  const outputs = outputsAt(context);
  const signal = outputs.find((output) => output.signal)?.signal;
  return signal ?? (outputs.some(({ landsOn }) => landsOn === 'ratio') ? '0-10 V' : undefined);
}

/** How the switching output of a device is chosen. */
function chosenAt(context: DeriveContext): { kind: OutputKind; logic: Logic } | undefined {
  const { index, device } = context;
  if (!device) return undefined;
  const output = outputsAt(context).find(({ kinds }) => !kinds.includes('none'));
  return output && chosenOutput(index.deviceType(device), device, output);
}

/** Whether an input is switched to current or to voltage. */
export function signalSwitch(context: DeriveContext): Derivation {
  const { device } = context;
  const signal = signalOf(context);
  return (
    device &&
    signal && {
      value: switchedTo(signal),
      from: say('setting.gives', { device: device.tag, signal }),
    }
  );
}

export function signalRange(context: DeriveContext): Derivation {
  const { device } = context;
  const signal = signalOf(context);
  return device && signal && { value: signal, from: say('setting.gives', { device: device.tag, signal }) };
}

/** A current output is on when its wire is landed. */
export function currentOutput({ index, device, item }: DeriveContext): Derivation {
  const type = device && index.deviceType(device);
  const signal = type?.outputs.find((output) => output.signal)?.signal;
  const terminal = type && (terminalWithRole(type, 'signal') ?? terminalWithRole(type, 'loopPlus'));
  if (!signal || !terminal) return { value: 'off', from: say('setting.analog-wire') };
  const landed = index.plannedAt(`${item.id}:${terminal.name}`).length > 0;
  return landed
    ? { value: signal, from: say('setting.is-wired', { terminalName: terminal.name }) }
    : { value: 'off', from: say('setting.is-not-wired', { terminalName: terminal.name }) };
}

/** Two, three or four wires of a resistance element. */
export function elementWires({ index, device }: DeriveContext): Derivation {
  if (!device) return undefined;
  const roles = ['element', 'elementReturn', 'sense', 'senseReturn'];
  const count = index.deviceType(device).terminals.filter(({ role }) => role && roles.includes(role)).length;
  return { value: String(count), from: say('setting.has-wires', { device: device.tag, count }) };
}

/** PNP or NPN, as the group's common needs it. */
export function outputKind(derived: DeriveContext): Derivation {
  const { context, device } = derived;
  const port = context?.ports.find(({ port: { kind } }) => kind === 'digital');
  if (port?.rail === '-' || port?.rail === '+') {
    const kind = port.rail === '-' ? 'pnp' : 'npn';
    return {
      value: kind,
      from: say('setting.common-of-is-on', { module: port.module.tag, rail: port.rail }),
    };
  }
  const kind = chosenAt(derived)?.kind;
  return device && (kind === 'pnp' || kind === 'npn')
    ? { value: kind, from: say('setting.is-planned-so', { device: device.tag }) }
    : undefined;
}

export function outputLogic(context: DeriveContext, parameter: Parameter): Derivation {
  const logic = chosenAt(context)?.logic;
  return context.device && logic && parameter.choices?.some(({ value }) => value === logic)
    ? { value: logic, from: say('setting.is-planned-so', { device: context.device.tag }) }
    : undefined;
}

/** Which rail an active contact or sensor brings to an input of a universal controller. */
export function activeState(context: DeriveContext): Derivation {
  const { index, device } = context;
  if (!device) return undefined;
  const kind = chosenAt(context)?.kind;
  if (kind === 'pnp' || kind === 'npn')
    return {
      value: kind === 'pnp' ? 'plus' : 'minus',
      from: say('setting.is', { device: device.tag, kind }),
    };
  for (const { name } of index.deviceType(device).terminals) {
    const rail = index.railAt(`${device.id}:${name}`)?.rail;
    if (rail === '+' || rail === '-')
      return {
        value: rail === '+' ? 'plus' : 'minus',
        from: say('setting.of-is-on', { name, device: device.tag, rail }),
      };
  }
  return undefined;
}

/** What a channel is to be used for, of what its module can make of it: that on which the device can be landed. */
export function portUse({ index, item, device, context }: DeriveContext, { key }: Parameter): Derivation {
  const module = index.module(item.id);
  if (!module || !device || !context?.place) return undefined;
  const { channel } = context.place;
  const fits = ({ port }: PossiblePort): boolean =>
    port.channel === channel && portFits(context.type, context.output, port);
  const chosen = index.possiblePorts(item.id).find(fits);
  const value =
    chosen && { ...settingsOf(index.moduleType(module), module.settings), ...chosen.settings }[key];
  return value === undefined ? undefined : { value, from: say('setting.is-on-it', { device: device.tag }) };
}

/** Both inputs of a safety relay where two devices are wired, else the one that is. */
export function safetySelector({ index, item }: DeriveContext): Derivation {
  const used = index
    .portsOf(item.id)
    .filter((port) => port.kind === 'safety' && index.deviceAt({ moduleId: item.id, channel: port.channel }));
  if (used.length > 1)
    return { value: 'both', from: say('setting.safety-devices-wired', { used: used.length }) };
  const [only] = used;
  return only && only.channel === 0 ? { value: '1', from: say('setting.input-1-wired') } : undefined;
}

/** Address switches and end switch of an arc unit by its place in the chain. */
export function arcValue({ index, item }: DeriveContext, which: 'address' | 'last'): Derivation {
  const units = arcUnitsOf(index);
  const at = units.findIndex(({ deviceId }) => deviceId === item.id);
  if (at < 0) return undefined;
  const from = say('setting.place-chain', { at, units: units.length });
  return which === 'address'
    ? { value: String(at + 1), from }
    : { value: at === units.length - 1 ? 'on' : 'off', from };
}
