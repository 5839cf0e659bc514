import { say } from '../../messages/index.ts';
import type { EthernetPlan, NetworkMember, SerialPlan, SerialUnit, JobContent } from '../../model/index.ts';
import { cycleBytes, decodeCycleTime, encodeCycleTime, messageSeconds } from '../../ioLink/index.ts';
import type { IoLinkDescription } from '../../ioLink/index.ts';
import { plain } from '../../units/index.ts';
import { descriptionOf } from '../../job/index.ts';
import { frameOf } from '../frame.ts';
import type { DeriveContext, Derivation } from './context.ts';

/** The place of a part in a serial plan. */
export function serialPlaceOf(
  job: JobContent,
  itemId: string,
): { plan: SerialPlan; unit: SerialUnit } | undefined {
  for (const plan of job.plans) {
    if (plan.kind !== 'serial') continue;
    const unit = plan.units.find((u) => u.itemId === itemId);
    if (unit) return { plan, unit };
  }
  return undefined;
}

/** The place of a part in an Ethernet plan. */
export function networkPlaceOf(
  job: JobContent,
  itemId: string,
): { plan: EthernetPlan; member: NetworkMember } | undefined {
  for (const plan of job.plans) {
    if (plan.kind !== 'ethernet') continue;
    const member = plan.members.find((m) => m.itemId === itemId);
    if (member) return { plan, member };
  }
  return undefined;
}

export function lineValue(
  { index, item }: DeriveContext,
  which: 'unit' | 'baud' | 'frame' | 'terminator' | 'bias',
): Derivation {
  const place = serialPlaceOf(index.job, item.id);
  if (!place) return undefined;
  const { plan, unit } = place;
  const from = say('setting.plan-of', { plan: plan.tag });
  switch (which) {
    case 'unit':
      return unit.unit === undefined ? undefined : { value: String(unit.unit), from };
    case 'baud':
      return { value: String(unit.baud), from };
    case 'frame':
      return { value: frameOf(unit), from };
    case 'terminator':
      return { value: unit.terminated ? 'on' : 'off', from };
    case 'bias':
      return { value: plan.bias?.at === unit.id ? 'on' : 'off', from };
  }
}

export function networkValue(
  { index, item }: DeriveContext,
  which: 'address' | 'mask' | 'gateway' | 'name',
): Derivation {
  const place = networkPlaceOf(index.job, item.id);
  if (!place) return undefined;
  const { plan, member } = place;
  return { value: member[which] || 'none', from: say('setting.plan-of', { plan: plan.tag }) };
}

/** Bytes of process data that a device sends and takes: the longest of its records. */
export function processBytes({ processData }: IoLinkDescription): { input: number; output: number } {
  const bytes = (side: 'input' | 'output'): number =>
    Math.max(0, ...processData.map((data) => Math.ceil((data[side]?.bitLength ?? 0) / 8)));
  return { input: bytes('input'), output: bytes('output') };
}

/**
 * Shortest cycle that a device can be run with, ms: the longer of its own least and of what a message of its process
 * data with one byte of other data takes, rounded up to what can be coded.
 */
export function shortestCycle(description: IoLinkDescription): number {
  const { input, output } = processBytes(description);
  const { master, device } = cycleBytes(input, output, 1);
  const message = 1000 * messageSeconds(description.bitrate, master, device);
  return decodeCycleTime(encodeCycleTime(Math.max(description.minCycleMicroseconds / 1000, message)));
}

/** How a port of an IO-Link master is to be run, from what is landed on it. */
export function portValue(
  { index, device, context }: DeriveContext,
  which: 'mode' | 'vendor' | 'device' | 'lengthIn' | 'lengthOut' | 'cycle',
): Derivation {
  if (which === 'mode')
    return device
      ? {
          value: context?.output.landsOn === 'switched' ? 'input' : 'iolink',
          from: say('setting.is-on-it', { device: device.tag }),
        }
      : { value: 'off', from: say('setting.nothing-unused-port-disabled') };
  if (!device) return undefined;
  const known = descriptionOf(index.job.descriptions, device);
  if (!known) return { problem: say('setting.description-file-yet', { device: device.tag }) };
  const { description } = known;
  const { input, output } = processBytes(description);
  const from = say('setting.description-file', { descriptionName: description.name });
  const values = {
    vendor: String(description.vendorId),
    device: String(description.deviceId),
    lengthIn: String(input),
    lengthOut: String(output),
    cycle: plain(shortestCycle(description)),
  };
  return { value: values[which], from };
}
