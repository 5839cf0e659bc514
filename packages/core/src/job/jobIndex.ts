import { sure } from '../lists/index.ts';
import { isJoints, outputOfType, partTypesOf, tellingTerminals } from '../catalog/index.ts';
import type {
  DeviceOutput,
  DeviceType,
  ModuleType,
  PartTypes,
  Port,
  PossiblePort,
} from '../catalog/index.ts';
import type { Device, Entry, JobContent, Module, Point, Supply, Wire } from '../model/index.ts';
import { splitRef } from '../model/index.ts';
import { asFoundWires } from './asFoundWires.ts';

/** A place on a module. */
export interface ChannelPlace {
  readonly moduleId: string;
  readonly channel: number;
}

/** A terminal of a supply: plus and minus, line and neutral, earth. */
export type Rail = '+' | '-' | 'L' | 'N' | 'PE';
/** A rail on which a common may sit. */
export type CommonRail = Exclude<Rail, 'PE'>;

/** Looks things up in a job: by id, and what hangs on a terminal. Made once for a job that no longer changes. */
export class JobIndex {
  readonly job: JobContent;
  /** The kinds of devices and modules that the job can use. */
  readonly types: PartTypes;
  private readonly supplies: ReadonlyMap<string, Supply>;
  private readonly modules: ReadonlyMap<string, Module>;
  private readonly devices: ReadonlyMap<string, Device>;
  private readonly points: ReadonlyMap<string, Point>;
  private readonly pointsOfDevice: ReadonlyMap<string, readonly Point[]>;
  private readonly wires: ReadonlyMap<string, readonly Wire[]>;
  private byId?: ReadonlyMap<string, Wire>;
  private entries?: ReadonlyMap<string, readonly Entry[]>;
  private mended?: ReadonlyMap<string, Mends>;
  private planned?: ReadonlyMap<string, readonly Wire[]>;
  private readonly ports = new Map<string, readonly Port[]>();

  constructor(job: JobContent) {
    this.job = job;
    this.types = partTypesOf(job);
    this.supplies = new Map(job.supplies.map((row) => [row.id, row]));
    this.modules = new Map(job.modules.map((row) => [row.id, row]));
    this.devices = new Map(job.devices.map((row) => [row.id, row]));
    this.points = new Map(job.points.map((row) => [row.id, row]));
    this.pointsOfDevice = byDevice(job.points);
    this.wires = byTerminal(asFoundWires(job.wires));
  }

  supply = (id: string): Supply | undefined => this.supplies.get(id);
  module = (id: string): Module | undefined => this.modules.get(id);
  device = (id: string): Device | undefined => this.devices.get(id);
  /** The points that a device belongs to, be it their own or one of their further parts. */
  pointsFor = (deviceId: string): readonly Point[] => this.pointsOfDevice.get(deviceId) ?? [];
  /** The first point that a device belongs to. */
  pointFor = (deviceId: string): Point | undefined => this.pointsFor(deviceId)[0];

  /** What a device of the job is, with its own figures. @throws Error for a kind that is not known. */
  deviceType = (device: Device): DeviceType => this.types.device(device);
  /** What a module of the job is, with its own figures. @throws Error for a kind that is not known. */
  moduleType = (module: Module): ModuleType => this.types.module(module);

  /** The output of its device that a point is about; nothing for a device without any. */
  outputOf = (point: Point): DeviceOutput | undefined =>
    outputOfType(this.deviceType(this.deviceOf(point)), point.outputId);

  /** The leads of those outputs that decide on which port they sit, the telling ones of its own output first. */
  ownTerminals(point: Point): string[] {
    const type = this.deviceType(this.deviceOf(point));
    return this.ownOutputs(point).flatMap((output) => tellingTerminals(type, output));
  }

  /** The outputs that are a point's business: its own, and for the first point of a device those of no other. */
  ownOutputs(point: Point): DeviceOutput[] {
    const device = this.deviceOf(point);
    const own = this.outputOf(point);
    const [first] = this.pointsAbout(device.id);
    const free = first?.id === point.id ? this.freeOutputs(device) : [];
    return [...(own ? [own] : []), ...free];
  }

  /** The points that are about a device's own outputs, not those whose further part it is. */
  pointsAbout = (deviceId: string): readonly Point[] =>
    this.pointsFor(deviceId).filter((point) => point.deviceId === deviceId);

  /** The outputs of a device that no point is about. */
  freeOutputs(device: Device): DeviceOutput[] {
    const claimed = new Set(this.pointsAbout(device.id).map((point) => this.outputOf(point)?.id));
    return this.deviceType(device).outputs.filter(({ id }) => !claimed.has(id));
  }

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

  /** When a wire or part was mended, in order; ISO 8601, UTC. @param how `swapped`: only when it was put in for another. */
  mendsOf = (id: string, how: 'any' | 'swapped' = 'any'): readonly string[] => {
    this.mended ??= mends(this.job);
    return this.mended.get(id)?.[how] ?? [];
  };

  /** Wires that the plan puts on a terminal, whatever was found there. */
  plannedAt = (ref: string): readonly Wire[] => {
    this.planned ??= byTerminal(this.job.wires);
    return this.planned.get(ref) ?? [];
  };

  /** The same wires as `wiresAt`, each with its plan. */
  foundAt = (ref: string): readonly Wire[] => {
    this.byId ??= new Map(this.job.wires.map((wire) => [wire.id, wire]));
    return this.wiresAt(ref).map(({ id }) => sure(sure(this.byId).get(id)));
  };

  wiresAt = (ref: string): readonly Wire[] => this.wires.get(ref) ?? [];

  /** The refs at the other ends of the wires on a terminal. */
  across = (ref: string): string[] => this.wiresAt(ref).map((wire) => otherEnd(wire, ref));

  /** Tag of whatever a terminal belongs to. */
  tagOf(ref: string): string {
    const { item } = splitRef(ref);
    return (this.devices.get(item) ?? this.modules.get(item) ?? this.supplies.get(item))?.tag ?? item;
  }

  /** @throws Error when the job has no such module. */
  typeOf(moduleId: string): ModuleType {
    const module = this.modules.get(moduleId);
    if (!module) throw new Error(`The job has no module "${moduleId}".`);
    return this.moduleType(module);
  }

  portsOf(moduleId: string): readonly Port[] {
    let ports = this.ports.get(moduleId);
    if (!ports) {
      const module = this.modules.get(moduleId);
      ports = module ? this.types.ports(module) : [];
      this.ports.set(moduleId, ports);
    }
    return ports;
  }

  /** All that the channels of a module can be, as it is set first. */
  possiblePorts(moduleId: string): readonly PossiblePort[] {
    const module = this.modules.get(moduleId);
    return module ? this.types.possiblePorts(module) : [];
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

  /** Where a point's signal wire ends on a module, if it does; where it was planned to, if it was not found there. */
  placeOf(point: Point): ChannelPlace | undefined {
    const names = this.ownTerminals(point);
    return (
      this.placeFrom(point.deviceId, names, (ref) => this.wiresAt(ref)) ??
      this.placeFrom(point.deviceId, names, (ref) => this.plannedAt(ref))
    );
  }

  /** Where any output of a device is landed, its first before the others; by the panel, else by the plan. */
  placeOfDevice(device: Device): ChannelPlace | undefined {
    const type = this.deviceType(device);
    const names = type.outputs.flatMap((output) => tellingTerminals(type, output));
    return (
      this.placeFrom(device.id, names, (ref) => this.wiresAt(ref)) ??
      this.placeFrom(device.id, names, (ref) => this.plannedAt(ref))
    );
  }

  private placeFrom(
    deviceId: string,
    names: readonly string[],
    wiresAt: (ref: string) => readonly Wire[],
  ): ChannelPlace | undefined {
    for (const name of names) {
      const ref = `${deviceId}:${name}`;
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
    return found.find(({ id }) => this.pointFor(id)?.deviceId === id) ?? found[0];
  }

  /** The point that is landed on a channel: that whose own output ends there, before any other of its device. */
  pointAt(place: ChannelPlace): Point | undefined {
    const device = this.deviceAt(place);
    const points = device ? this.pointsFor(device.id) : [];
    const here = ({ moduleId, channel }: ChannelPlace): boolean =>
      moduleId === place.moduleId && channel === place.channel;
    return (
      points.find((point) => {
        const at = point.deviceId === device?.id ? this.placeOf(point) : undefined;
        return at !== undefined && here(at);
      }) ?? points[0]
    );
  }

  /** The rail on which a group's common sits: its supply and sign, or nothing. */
  railOf(moduleId: string, common: string): { supply: Supply; rail: Rail } | undefined {
    return this.railBehind(`${moduleId}:${common}`);
  }

  /** The rail that a terminal sits on: directly, or through joints, fuses and breakers. */
  railBehind(ref: string): { supply: Supply; rail: Rail } | undefined {
    const seen = new Set<string>();
    const queue = [ref];
    for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
      if (seen.has(at)) continue;
      seen.add(at);
      const rail = this.railAt(at);
      if (rail) return rail;
      for (const far of this.across(at)) queue.push(...this.through(far));
    }
    return undefined;
  }

  /** Where a line comes out behind a terminal: at a joint there itself, of what protects it on its other side. */
  through(ref: string): string[] {
    const { item, terminal } = splitRef(ref);
    const device = this.devices.get(item);
    if (!device) return [];
    const { description } = this.deviceType(device);
    const { protects } = description;
    if (isJoints(description)) return [ref];
    if (terminal === protects?.a) return [`${item}:${protects.b}`];
    return terminal === protects?.b ? [`${item}:${protects.a}`] : [];
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

function byDevice(points: readonly Point[]): Map<string, Point[]> {
  const map = new Map<string, Point[]>();
  for (const point of points)
    for (const id of [point.deviceId, ...(point.helperIds ?? [])]) {
      const list = map.get(id);
      if (list) list.push(point);
      else map.set(id, [point]);
    }
  return map;
}

/** When something was mended, and when it was put in for another. */
interface Mends {
  readonly any: string[];
  readonly swapped: string[];
}

function mends({ faults }: JobContent): Map<string, Mends> {
  const map = new Map<string, Mends>();
  const of = (id: string): Mends => {
    const own = map.get(id) ?? { any: [], swapped: [] };
    map.set(id, own);
    return own;
  };
  for (const { body, at } of faults) {
    if (body.kind !== 'mended') continue;
    for (const id of new Set([...body.touched, ...(body.swapped === undefined ? [] : [body.swapped])]))
      of(id).any.push(at);
    if (body.swapped !== undefined) of(body.swapped).swapped.push(at);
  }
  return map;
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
