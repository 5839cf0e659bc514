import { deviceType, moduleType, terminalWithRole } from '../catalog/index.ts';
import type { ContactBehaviour, DeviceType, ElectronicBehaviour } from '../catalog/index.ts';
import { exactly, percent, within } from '../circuit/index.ts';
import type { Element, Netlist, Output } from '../circuit/index.ts';
import type { Device, Supply, Wire } from '../model/job.ts';
import { splitRef } from '../model/job.ts';
import type { JobIndex } from './jobIndex.ts';
import type { Scope } from './scope.ts';

/** Which devices have their target; the others have not. */
export type Targets = ReadonlySet<string>;

/** Resistivity of copper at 20 °C, Ω·mm²/m (IEC 60228 conductors), and its span from cold to 70 °C. */
const COPPER = 0.0175;

/** Resistance of a wire, Ω, with its span over temperature and strand. */
export function wireOhms(wire: Wire): ReturnType<typeof within> {
  const ohms = (COPPER * wire.lengthM) / wire.mm2;
  return within(ohms * 0.9, ohms, ohms * 1.25);
}

/** Names of the elements that a device or a channel becomes. */
export const elementIds = {
  output: (deviceId: string) => `${deviceId}/output`,
  electronics: (deviceId: string) => `${deviceId}/supply`,
  emitter: (deviceId: string) => `${deviceId}/emitter`,
  contact: (deviceId: string) => `${deviceId}/contact`,
  channel: (moduleId: string, channel: number) => `${moduleId}/I${channel}`,
};

/**
 * Builds the electrical network of a scope. Nodes carry the names of the terminals, wires the ids of the wires.
 * The minus of the job's first supply is 0 V.
 */
export function assemble(index: JobIndex, scope: Scope, targets: Targets): Netlist {
  const elements: Element[] = [
    ...suppliesOf(index, scope).map(source),
    ...scope.wires.map((wire): Element => ({
      kind: 'resistor',
      id: wire.id,
      a: wire.from,
      b: wire.to,
      ohms: wireOhms(wire),
    })),
    ...[...scope.deviceIds].flatMap((id) => deviceElements(index.device(id)!, targets.has(id))),
    ...scope.channels.map(({ moduleId, channel }) => channelElement(index, moduleId, channel)),
  ];
  return { elements, reference: `${index.job.supplies[0]!.id}:-` };
}

function suppliesOf(index: JobIndex, scope: Scope): Supply[] {
  const ids = new Set([index.job.supplies[0]!.id]);
  for (const wire of scope.wires)
    for (const end of [wire.from, wire.to]) {
      const { item } = splitRef(end);
      if (index.supply(item)) ids.add(item);
    }
  return [...ids].map((id) => index.supply(id)!);
}

function source(supply: Supply): Element {
  return {
    kind: 'source',
    id: supply.id,
    plus: `${supply.id}:+`,
    minus: `${supply.id}:-`,
    volts: percent(supply.volts, supply.tolerancePercent),
    innerOhms: exactly(supply.innerOhms),
    limitAmps: exactly(supply.limitAmps),
  };
}

function deviceElements(device: Device, present: boolean): Element[] {
  const type = deviceType(device.typeId);
  return type.behaviour.kind === 'contact'
    ? [contact(device, type, type.behaviour, present)]
    : electronics(device, type, type.behaviour, present);
}

function contact(device: Device, type: DeviceType, behaviour: ContactBehaviour, present: boolean): Element {
  return {
    kind: 'switch',
    id: elementIds.contact(device.id),
    a: node(device, type, 'sideA'),
    b: node(device, type, 'sideB'),
    closed: outputCalled(device, type, present),
    ohms: behaviour.closedOhms,
  };
}

function electronics(device: Device, type: DeviceType, b: ElectronicBehaviour, present: boolean): Element[] {
  const [plus, minus, out] = (['plus', 'minus', 'out'] as const).map((role) => node(device, type, role)) as [
    string,
    string,
    string,
  ];
  const emitter = terminalWithRole(type, 'emitterPlus')
    ? { plus: node(device, type, 'emitterPlus'), minus: node(device, type, 'emitterMinus') }
    : undefined;
  const output: Output = {
    kind: 'output',
    id: elementIds.output(device.id),
    plus,
    out,
    minus,
    style: device.output === 'contact' ? 'pnp' : device.output,
    active: outputCalled(device, type, present),
    dropVolts: b.dropVolts,
    ohms: b.onOhms,
    leakAmps: b.leakAmps,
    limitAmps: b.limitAmps,
    leastSupplyVolts: b.leastSupplyVolts,
    ...(emitter && {
      needs: { ...emitter, leastVolts: b.leastSupplyVolts, otherwise: device.logic === 'dark' },
    }),
  };
  const load = (id: string, a: string, z: string): Element => ({
    kind: 'resistor',
    id,
    a,
    b: z,
    ohms: b.supplyOhms,
  });
  return [
    load(elementIds.electronics(device.id), plus, minus),
    output,
    ...(emitter ? [load(elementIds.emitter(device.id), emitter.plus, emitter.minus)] : []),
  ];
}

function node(device: Device, type: DeviceType, role: Parameters<typeof terminalWithRole>[1]): string {
  return `${device.id}:${terminalWithRole(type, role)!.name}`;
}

function channelElement(index: JobIndex, moduleId: string, channel: number): Element {
  const type = moduleType(index.module(moduleId)!.typeId);
  return {
    kind: 'optocoupler',
    id: elementIds.channel(moduleId, channel),
    terminal: `${moduleId}:I${channel}`,
    common: `${moduleId}:${index.commonOf({ moduleId, channel })}`,
    sense: type.sense,
    ...type.input,
    thresholds: type.thresholds,
  };
}

/**
 * Whether the device's sensing side calls for its output to be on (or its contact closed):
 * normally open or closed by the target, light-on or dark-on by the light that it sees.
 */
export function outputCalled(device: Device, type: DeviceType, present: boolean): boolean {
  switch (device.logic) {
    case 'no':
      return present;
    case 'nc':
      return !present;
    case 'light':
      return present === type.lightWithTarget;
    case 'dark':
      return present !== type.lightWithTarget;
  }
}
