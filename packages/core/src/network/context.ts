import { deviceType, settingsOf, terminalWithRole } from '../catalog/index.ts';
import type { DeviceFamily, DeviceType, Port, TerminalRole } from '../catalog/index.ts';
import type { Device, Module, Point, Settings, Supply } from '../model/index.ts';
import { addressOf, SIGNAL_ROLES } from '../job/index.ts';
import type { ChannelPlace, JobIndex, Rail } from '../job/index.ts';
import { scopeOf } from './scope.ts';
import type { Scope } from './scope.ts';

/** A port on which a point's device or one of its helpers is landed. */
export interface OwnPort {
  readonly place: ChannelPlace;
  readonly port: Port;
  readonly module: Module;
  readonly settings: Settings;
  readonly address?: string;
  readonly rail?: Rail;
  readonly supply?: Supply;
}

/** Everything about where a point stands, found once. */
export interface PointContext {
  readonly index: JobIndex;
  readonly point: Point;
  readonly device: Device;
  readonly type: DeviceType;
  readonly helpers: readonly Device[];
  /** All ports on which it is landed; the first is the one that it is named by. */
  readonly ports: readonly OwnPort[];
  readonly place?: ChannelPlace;
  readonly port?: Port;
  readonly module?: Module;
  readonly common?: string;
  readonly rail?: '+' | '-';
  readonly address?: string;
  readonly supply: Supply;
  readonly scope: Scope;
}

const contexts = new WeakMap<JobIndex, Map<string, PointContext>>();

/** Where a point stands. Found once for an index, whoever asks. */
export function contextOf(index: JobIndex, pointId: string): PointContext {
  let known = contexts.get(index);
  if (!known) contexts.set(index, (known = new Map()));
  let context = known.get(pointId);
  if (!context) known.set(pointId, (context = findContext(index, pointId)));
  return context;
}

function findContext(index: JobIndex, pointId: string): PointContext {
  const point = index.point(pointId);
  const device = index.deviceOf(point);
  const helpers = (point.helperIds ?? []).flatMap((id) => index.device(id) ?? []);
  const ports = ownPorts(index, device, helpers);
  const first = ports[0];
  const rail = first?.rail === '+' || first?.rail === '-' ? first.rail : undefined;
  return {
    index,
    point,
    device,
    type: deviceType(device.typeId),
    helpers,
    ports,
    place: first?.place,
    port: first?.port,
    module: first?.module,
    common: first?.port.common,
    rail,
    address: first?.address,
    supply: first?.supply ?? supplyOf(index, device) ?? index.job.supplies[0]!,
    scope: scopeOf(index, device.id),
  };
}

/** The supply to which a device's own leads go directly, if any does. */
function supplyOf(index: JobIndex, device: Device): Supply | undefined {
  for (const { name } of deviceType(device.typeId).terminals) {
    const rail = index.railAt(`${device.id}:${name}`);
    if (rail && rail.rail !== 'PE') return rail.supply;
  }
  return undefined;
}

function ownPorts(index: JobIndex, device: Device, helpers: readonly Device[]): OwnPort[] {
  const places = new Map<string, ChannelPlace>();
  const add = (place: ChannelPlace | undefined): void => {
    if (place) places.set(`${place.moduleId}:${place.channel}`, place);
  };
  add(index.placeOf(device));
  for (const { id, typeId } of [device, ...helpers])
    for (const { name } of deviceType(typeId).terminals)
      for (const far of index.across(`${id}:${name}`)) add(index.placeAt(far));
  return [...places.values()].map((place) => ownPort(index, place));
}

function ownPort(index: JobIndex, place: ChannelPlace): OwnPort {
  const module = index.module(place.moduleId)!;
  const port = index.port(place);
  const rail = index.railOf(module.id, port.common);
  return {
    place,
    port,
    module,
    settings: settingsOf(index.typeOf(module.id), module.settings),
    address: addressOf(module, place.channel),
    rail: rail?.rail ?? port.inside?.rail,
    supply: rail?.supply,
  };
}

/** The node of the signal wire at the device. */
export function signalNode(device: Device): string {
  const type = deviceType(device.typeId);
  for (const role of SIGNAL_ROLES) {
    const terminal = terminalWithRole(type, role);
    if (terminal) return `${device.id}:${terminal.name}`;
  }
  return `${device.id}:${type.terminals[0]!.name}`;
}

/** Families whose signal is read across the device itself, since its loop may hang on no rail. */
const ACROSS: Partial<Record<DeviceFamily, readonly (readonly [TerminalRole, TerminalRole])[]>> = {
  namur: [['loopPlus', 'loopMinus']],
  transmitter: [['loopPlus', 'loopMinus']],
  resistance: [
    ['wiper', 'elementReturn'],
    ['element', 'elementReturn'],
  ],
  thermocouple: [['element', 'elementReturn']],
  serial: [['lineB', 'lineA']],
  'io-link': [['dataLine', 'minus']],
  load: [['loadPlus', 'loadMinus']],
  pulse: [['pulse', 'pulseReturn']],
};

/**
 * Where a technician puts the leads to see a device's signal: across the device where its family is read so, else
 * from the signal wire to its own minus, or to 0 V.
 */
export function signalLeads(device: Device, zero: string): { red: string; black: string; across: boolean } {
  const type = deviceType(device.typeId);
  for (const [plus, minus] of ACROSS[type.family] ?? []) {
    const [red, black] = [terminalWithRole(type, plus), terminalWithRole(type, minus)];
    if (red && black)
      return { red: `${device.id}:${red.name}`, black: `${device.id}:${black.name}`, across: true };
  }
  return { red: signalNode(device), black: supplyNodes(device)?.minus ?? zero, across: false };
}

/** The device's own supply terminals, if it has any. */
export function supplyNodes(device: Device): { plus: string; minus: string } | undefined {
  const type = deviceType(device.typeId);
  const plus = terminalWithRole(type, 'plus');
  const minus = terminalWithRole(type, 'minus');
  return plus && minus
    ? { plus: `${device.id}:${plus.name}`, minus: `${device.id}:${minus.name}` }
    : undefined;
}
