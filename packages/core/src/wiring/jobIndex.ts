import { channelOf, deviceType, groupOfChannel, moduleType, terminalWithRole } from '../catalog/index.ts';
import type { Device, JobContent, Module, Point, Supply, Wire } from '../model/job.ts';
import { splitRef } from '../model/job.ts';

/** A place on a module. */
export interface ChannelPlace {
  readonly moduleId: string;
  readonly channel: number;
}

/** Looks things up in a job: by id, and what hangs on a terminal. Made once for a job that no longer changes. */
export class JobIndex {
  readonly job: JobContent;
  private readonly supplies: ReadonlyMap<string, Supply>;
  private readonly modules: ReadonlyMap<string, Module>;
  private readonly devices: ReadonlyMap<string, Device>;
  private readonly points: ReadonlyMap<string, Point>;
  private readonly pointOfDevice: ReadonlyMap<string, Point>;
  private readonly wires: ReadonlyMap<string, readonly Wire[]>;

  constructor(job: JobContent) {
    this.job = job;
    this.supplies = new Map(job.supplies.map((row) => [row.id, row]));
    this.modules = new Map(job.modules.map((row) => [row.id, row]));
    this.devices = new Map(job.devices.map((row) => [row.id, row]));
    this.points = new Map(job.points.map((row) => [row.id, row]));
    this.pointOfDevice = new Map(job.points.map((row) => [row.deviceId, row]));
    const wires = new Map<string, Wire[]>();
    for (const wire of job.wires)
      for (const end of [wire.from, wire.to]) {
        const list = wires.get(end);
        if (list) list.push(wire);
        else wires.set(end, [wire]);
      }
    this.wires = wires;
  }

  supply = (id: string): Supply | undefined => this.supplies.get(id);
  module = (id: string): Module | undefined => this.modules.get(id);
  device = (id: string): Device | undefined => this.devices.get(id);
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

  wiresAt = (ref: string): readonly Wire[] => this.wires.get(ref) ?? [];

  /** The refs at the other ends of the wires on a terminal. */
  across = (ref: string): string[] => this.wiresAt(ref).map((wire) => otherEnd(wire, ref));

  /** Where a device's signal wire ends on a module, if it does. */
  placeOf(device: Device): ChannelPlace | undefined {
    for (const role of ['out', 'sideB', 'sideA'] as const) {
      const terminal = terminalWithRole(deviceType(device.typeId), role);
      if (!terminal) continue;
      for (const ref of this.across(`${device.id}:${terminal.name}`)) {
        const { item, terminal: name } = splitRef(ref);
        const channel = this.modules.has(item) ? channelOf(name) : undefined;
        if (channel !== undefined) return { moduleId: item, channel };
      }
    }
    return undefined;
  }

  /** The device whose signal wire ends on a channel, if there is one. */
  deviceAt({ moduleId, channel }: ChannelPlace): Device | undefined {
    return this.across(`${moduleId}:I${channel}`)
      .map((ref) => this.devices.get(splitRef(ref).item))
      .find((device) => device !== undefined);
  }

  /** The rail on which a group's common sits: its supply and sign, or nothing. */
  railOf(moduleId: string, common: string): { supply: Supply; rail: '+' | '-' } | undefined {
    return this.railAt(`${moduleId}:${common}`);
  }

  /** The rail that a terminal is wired to directly. */
  railAt(ref: string): { supply: Supply; rail: '+' | '-' } | undefined {
    for (const end of this.across(ref)) {
      const { item, terminal } = splitRef(end);
      const supply = this.supplies.get(item);
      if (supply) return { supply, rail: terminal === '+' ? '+' : '-' };
    }
    return undefined;
  }

  /** Common of the group that a channel belongs to. */
  commonOf({ moduleId, channel }: ChannelPlace): string {
    return groupOfChannel(moduleType(this.modules.get(moduleId)!.typeId), channel)!.common;
  }

  /** The other devices of a channel's group. */
  mates(place: ChannelPlace): Device[] {
    const group = groupOfChannel(moduleType(this.modules.get(place.moduleId)!.typeId), place.channel)!;
    return group.channels
      .filter((channel) => channel !== place.channel)
      .flatMap((channel) => this.deviceAt({ moduleId: place.moduleId, channel }) ?? []);
  }
}

export function otherEnd(wire: Wire, ref: string): string {
  return wire.from === ref ? wire.to : wire.from;
}

/**
 * Address of a channel in the form of IEC 61131-3 direct variables: `%IX<byte>.<bit>`.
 * Bits count through the module from its first byte.
 */
export function addressOf(module: Module, channel: number): string {
  return `%IX${module.firstByte + Math.floor(channel / 8)}.${channel % 8}`;
}
