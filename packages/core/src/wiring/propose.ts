import { channelTerminal, deviceType, moduleType } from '../catalog/index.ts';
import type { DeviceTerminal } from '../catalog/index.ts';
import type { Device, JobContent, Supply, Wire, WireColour } from '../model/job.ts';
import type { ChannelPlace } from './jobIndex.ts';
import { JobIndex } from './jobIndex.ts';

/** Field wires as they are usually run: metres and mm². */
const FIELD = { lengthM: 10, mm2: 0.34 };
const PANEL = { lengthM: 1, mm2: 0.75 };

/** Colours of panel wires to the two rails. */
export const RAIL_COLOUR: Readonly<Record<'+' | '-', WireColour>> = { '+': 'RD', '-': 'BU' };

/**
 * Wires that put a device on a channel: supply wires to the rails and the signal wire, in the colours of the
 * device's own leads, numbered on from the highest number in the job.
 * A contact takes the rail opposite to its group's common.
 */
export function proposeWires(job: JobContent, device: Device, place: ChannelPlace): Wire[] {
  const supply = job.supplies[0]!;
  const number = numbering(job);
  return deviceType(device.typeId).terminals.map((terminal) => ({
    id: `${device.id}-${terminal.name}`,
    number: number(),
    from: `${device.id}:${terminal.name}`,
    to: target(job, terminal, place, supply),
    colour: terminal.colour,
    ...FIELD,
  }));
}

function target(job: JobContent, terminal: DeviceTerminal, place: ChannelPlace, supply: Supply): string {
  switch (terminal.role) {
    case 'plus':
    case 'emitterPlus':
      return `${supply.id}:+`;
    case 'minus':
    case 'emitterMinus':
      return `${supply.id}:-`;
    case 'sideA':
      return `${supply.id}:${contactRail(job, place)}`;
    case 'out':
    case 'sideB':
      return `${place.moduleId}:${channelTerminal(place.channel)}`;
  }
}

/** The rail that a contact must bring to a channel so that current can pass it. */
export function contactRail(job: JobContent, place: ChannelPlace): '+' | '-' {
  const index = new JobIndex(job);
  const { sense } = moduleType(index.module(place.moduleId)!.typeId);
  if (sense === 'sink') return '+';
  if (sense === 'source') return '-';
  return index.railOf(place.moduleId, index.commonOf(place))?.rail === '+' ? '-' : '+';
}

/** The wire from a group's common to a rail. */
export function commonWire(
  job: JobContent,
  moduleId: string,
  common: string,
  rail: '+' | '-',
  supply: Supply = job.supplies[0]!,
): Wire {
  return {
    id: `${moduleId}-${common}`,
    number: numbering(job)(),
    from: `${moduleId}:${common}`,
    to: `${supply.id}:${rail}`,
    colour: RAIL_COLOUR[rail],
    ...PANEL,
  };
}

/** Gives the next free wire numbers of a job, one a call. */
export function numbering(job: JobContent): () => string {
  let last = job.wires.reduce(
    (most, wire) => Math.max(most, /^\d+$/.test(wire.number) ? Number(wire.number) : 0),
    0,
  );
  return () => String(++last);
}
