import { deviceType, moduleType, portsOf } from '../catalog/index.ts';
import type { ModuleType, Port, TerminalRole } from '../catalog/index.ts';
import type { Device, Entry, JobContent, Module, Point, Supply, Wire } from '../model/index.ts';
import { splitRef } from '../model/index.ts';
import { landedWires } from './landedWires.ts';

/** A place on a module. */
export interface ChannelPlace {
  readonly moduleId: string;
  readonly channel: number;
}

/** A terminal of a supply: plus and minus, line and neutral, earth. */
export type Rail = '+' | '-' | 'L' | 'N' | 'PE';

/** Roles of the lead that decides on which port a device sits, the telling ones first. */
export const SIGNAL_ROLES: readonly TerminalRole[] = [
  'out',
  'signal',
  'loopMinus',
  'wiper',
  'element',
  'pulse',
  'dataLine',
  'lineB',
  'socket',
  'channel1Return',
  'sideB',
  'sideA',
  'loadPlus',
  'loadMinus',
];

/** Looks things up in a job: by id, and what hangs on a terminal. Made once for a job that no longer changes. */
export class JobIndex {
  readonly job: JobContent;
  private readonly supplies: ReadonlyMap<string, Supply>;
  private readonly modules: ReadonlyMap<string, Module>;
  private readonly devices: ReadonlyMap<string, Device>;
  private readonly points: ReadonlyMap<string, Point>;
  private readonly pointOfDevice: ReadonlyMap<string, Point>;
  private readonly wires: ReadonlyMap<string, readonly Wire[]>;
  private byId?: ReadonlyMap<string, Wire>;
  private entries?: ReadonlyMap<string, readonly Entry[]>;
  private planned?: ReadonlyMap<string, readonly Wire[]>;
  private readonly ports = new Map<string, readonly Port[]>();

  constructor(job: JobContent) {
    this.job = job;
    this.supplies = new Map(job.supplies.map((row) => [row.id, row]));
    this.modules = new Map(job.modules.map((row) => [row.id, row]));
    this.devices = new Map(job.devices.map((row) => [row.id, row]));
    this.points = new Map(job.points.map((row) => [row.id, row]));
    this.pointOfDevice = new Map(
      job.points.flatMap((row) => [
        ...(row.helperIds ?? []).map((id) => [id, row] as const),
        [row.deviceId, row] as const,
      ]),
    );
    this.wires = byTerminal(landedWires(job.wires));
  }

  supply = (id: string): Supply | undefined => this.supplies.get(id);
  module = (id: string): Module | undefined => this.modules.get(id);
  device = (id: string): Device | undefined => this.devices.get(id);
  /** The point that a device belongs to, be it the point's own or a helper. */
  pointFor = (deviceId: string): Point | undefined => this.pointOfDevice.get(deviceId);

  /** @throws Error when the job has no such point. */
  point(id: string): Point {
    const point = this.points.get(id);
    if (!point) throw new Error(`The job has no point "${id}".`);
    return point;
  }

  /** @throws Error when the job has no such device. */
  deviceOf(point: Point): Device {
    const device = this.devices.get(point.deviceId);
    if (!device) throw new Error(`The job has no device "${point.deviceId}".`);
    return device;
  }

  /** What was seen of a part's parameters, in the order in which it was. */
  entriesOf = (itemId: string): readonly Entry[] => {
    this.entries ??= byItem(this.job.entries);
    return this.entries.get(itemId) ?? [];
  };

  /** Wires that the plan puts on a terminal, whatever was found there. */
  plannedAt = (ref: string): readonly Wire[] => {
    this.planned ??= byTerminal(this.job.wires);
    return this.planned.get(ref) ?? [];
  };

  /** The same wires as `wiresAt`, each with its plan. */
  foundAt = (ref: string): readonly Wire[] => {
    this.byId ??= new Map(this.job.wires.map((wire) => [wire.id, wire]));
    return this.wiresAt(ref).map(({ id }) => this.byId!.get(id)!);
  };

  wiresAt = (ref: string): readonly Wire[] => this.wires.get(ref) ?? [];

  /** The refs at the other ends of the wires on a terminal. */
  across = (ref: string): string[] => this.wiresAt(ref).map((wire) => otherEnd(wire, ref));

  /** Tag of whatever a terminal belongs to. */
  tagOf(ref: string): string {
    const { item } = splitRef(ref);
    return (this.devices.get(item) ?? this.modules.get(item) ?? this.supplies.get(item))?.tag ?? item;
  }

  typeOf = (moduleId: string): ModuleType => moduleType(this.modules.get(moduleId)!.typeId);

  portsOf(moduleId: string): readonly Port[] {
    let ports = this.ports.get(moduleId);
    if (!ports) {
      ports = portsOf(this.modules.get(moduleId)!);
      this.ports.set(moduleId, ports);
    }
    return ports;
  }

  /** @throws Error when the module has no such channel. */
  port({ moduleId, channel }: ChannelPlace): Port {
    const port = this.portsOf(moduleId).find((p) => p.channel === channel);
    if (!port) throw new Error(`"${moduleId}" has no channel ${channel}.`);
    return port;
  }

  /** The place whose signal terminal a ref is, if it is one. */
  placeAt(ref: string): ChannelPlace | undefined {
    const { item, terminal } = splitRef(ref);
    if (!this.modules.has(item)) return undefined;
    const port = this.portsOf(item).find((p) => p.terminal === terminal);
    return port && { moduleId: item, channel: port.channel };
  }

  /** Where a device's signal wire ends on a module, if it does; where it was planned to, if it was not found there. */
  placeOf(device: Device): ChannelPlace | undefined {
    return (
      this.placeAlong(device, (ref) => this.wiresAt(ref)) ??
      this.placeAlong(device, (ref) => this.plannedAt(ref))
    );
  }

  private placeAlong(device: Device, wiresAt: (ref: string) => readonly Wire[]): ChannelPlace | undefined {
    const { terminals } = deviceType(device.typeId);
    for (const role of SIGNAL_ROLES)
      for (const terminal of terminals) {
        if (terminal.role !== role) continue;
        const ref = `${device.id}:${terminal.name}`;
        for (const wire of wiresAt(ref)) {
          const place = this.placeAt(otherEnd(wire, ref));
          if (place) return place;
        }
      }
    return undefined;
  }

  /** The device whose wire ends on a channel, if there is one; that of a point before any other. */
  deviceAt(place: ChannelPlace): Device | undefined {
    const found = this.across(`${place.moduleId}:${this.port(place).terminal}`).flatMap(
      (ref) => this.devices.get(splitRef(ref).item) ?? [],
    );
    return found.find(({ id }) => this.pointOfDevice.get(id)?.deviceId === id) ?? found[0];
  }

  /** The rail on which a group's common sits: its supply and sign, or nothing. */
  railOf(moduleId: string, common: string): { supply: Supply; rail: Rail } | undefined {
    return this.railAt(`${moduleId}:${common}`);
  }

  /** The rail that a terminal is wired to directly. */
  railAt(ref: string): { supply: Supply; rail: Rail } | undefined {
    for (const end of this.across(ref)) {
      const { item, terminal } = splitRef(end);
      const supply = this.supplies.get(item);
      if (supply) return { supply, rail: terminal as Rail };
    }
    return undefined;
  }

  /** Common of the group that a channel belongs to. */
  commonOf = (place: ChannelPlace): string => this.port(place).common;

  /** The other devices of a channel's group. */
  mates(place: ChannelPlace): Device[] {
    const { common } = this.port(place);
    return this.portsOf(place.moduleId)
      .filter((port) => port.common === common && port.channel !== place.channel)
      .flatMap(({ channel }) => this.deviceAt({ moduleId: place.moduleId, channel }) ?? []);
  }
}

function byItem(entries: readonly Entry[]): Map<string, Entry[]> {
  const map = new Map<string, Entry[]>();
  for (const entry of entries) {
    const list = map.get(entry.itemId);
    if (list) list.push(entry);
    else map.set(entry.itemId, [entry]);
  }
  return map;
}

function byTerminal(wires: readonly Wire[]): Map<string, Wire[]> {
  const map = new Map<string, Wire[]>();
  for (const wire of wires)
    for (const end of [wire.from, wire.to]) {
      const list = map.get(end);
      if (list) list.push(wire);
      else map.set(end, [wire]);
    }
  return map;
}

export function otherEnd(wire: Wire, ref: string): string {
  return wire.from === ref ? wire.to : wire.from;
}

/** Bytes that a module takes in the controller's image, and in which of its areas (IEC 61131-3: I or Q). */
export function imageOf(module: Module): { area: 'I' | 'Q'; bytes: number } | undefined {
  const type = moduleType(module.typeId);
  const count = portsOf(module).length;
  switch (type.family) {
    case 'inputs':
      return { area: 'I', bytes: Math.ceil(count / 8) };
    case 'outputs':
      return { area: 'Q', bytes: Math.ceil(count / 8) };
    case 'analog inputs':
      return { area: 'I', bytes: 2 * count };
    case 'counter':
      return { area: 'I', bytes: 4 * count };
    default:
      return undefined;
  }
}

/**
 * Address of a channel in the form of IEC 61131-3 direct variables: `%IX<byte>.<bit>`, `%QX…`, `%IW<byte>`,
 * `%ID<byte>`. Bits count through the module from its first byte. Nothing for a module without an image.
 */
export function addressOf(module: Module, channel: number): string | undefined {
  const image = imageOf(module);
  if (!image) return undefined;
  switch (moduleType(module.typeId).family) {
    case 'analog inputs':
      return `%IW${module.firstByte + 2 * channel}`;
    case 'counter':
      return `%ID${module.firstByte + 4 * channel}`;
    default:
      return `%${image.area}X${module.firstByte + Math.floor(channel / 8)}.${channel % 8}`;
  }
}
