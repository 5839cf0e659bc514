import { channelOf, deviceType, groupOfChannel, moduleType } from '../catalog/index.ts';
import type { ChannelPlace, JobIndex } from './jobIndex.ts';
import { otherEnd } from './jobIndex.ts';
import { splitRef } from '../model/job.ts';
import type { Wire } from '../model/job.ts';

/** The part of a job that takes part in one device's circuit. */
export interface Scope {
  readonly deviceIds: ReadonlySet<string>;
  readonly channels: readonly ChannelPlace[];
  readonly wires: readonly Wire[];
  /** Devices that share a loose common with this one, so that they act on it. */
  readonly mateIds: readonly string[];
}

/**
 * Walks along the wires from a device and stops at the supply's rails, since a rail holds its voltage whatever
 * hangs on it. A group's other channels take part only while their common is on no rail: then current can find
 * its way back through them.
 */
export function scopeOf(index: JobIndex, deviceId: string): Scope {
  const walk = new Walk(index);
  walk.enterDevice(deviceId);
  walk.run();
  return {
    deviceIds: walk.devices,
    channels: [...walk.channels.values()],
    wires: [...walk.wires.values()],
    mateIds: [...walk.devices].filter((id) => id !== deviceId),
  };
}

class Walk {
  readonly devices = new Set<string>();
  readonly channels = new Map<string, ChannelPlace>();
  readonly wires = new Map<string, Wire>();
  private readonly seen = new Set<string>();
  private readonly queue: string[] = [];
  private readonly index: JobIndex;

  constructor(index: JobIndex) {
    this.index = index;
  }

  enterDevice(id: string): void {
    const device = this.index.device(id);
    if (!device || this.devices.has(id)) return;
    this.devices.add(id);
    for (const terminal of deviceType(device.typeId).terminals) this.reach(`${id}:${terminal.name}`);
  }

  run(): void {
    for (let ref = this.queue.pop(); ref !== undefined; ref = this.queue.pop()) {
      for (const wire of this.index.wiresAt(ref)) {
        this.wires.set(wire.id, wire);
        this.reach(otherEnd(wire, ref));
      }
      const { item, terminal } = splitRef(ref);
      if (this.index.device(item)) this.enterDevice(item);
      else if (this.index.module(item)) this.enterModule(item, terminal);
    }
  }

  private reach(ref: string): void {
    if (this.seen.has(ref)) return;
    this.seen.add(ref);
    if (!this.index.supply(splitRef(ref).item)) this.queue.push(ref);
  }

  private enterModule(moduleId: string, terminal: string): void {
    const type = moduleType(this.index.module(moduleId)!.typeId);
    const channel = channelOf(terminal);
    if (channel !== undefined) {
      this.channels.set(`${moduleId}:${terminal}`, { moduleId, channel });
      const group = groupOfChannel(type, channel);
      if (group) this.reach(`${moduleId}:${group.common}`);
      return;
    }
    if (this.index.railAt(`${moduleId}:${terminal}`)) return;
    const group = type.groups.find(({ common }) => common === terminal);
    for (const mate of group?.channels ?? [])
      if (this.index.wiresAt(`${moduleId}:I${mate}`).length) this.reach(`${moduleId}:I${mate}`);
  }
}
