import { DEVICE_TYPES } from '@keypost/core/catalog';
import type { SingleChange } from '@keypost/core/job';
import type { Device, Logic, OutputKind, Range, Settings, Wire } from '@keypost/core/model';

/** A point of the demo job, and how far its work is. */
export interface DemoPoint {
  readonly tag: string;
  readonly name: string;
  readonly typeId: string;
  /** How its switching output is chosen, where that leaves a choice. */
  readonly output?: OutputKind;
  readonly logic?: Logic;
  /** The output that it is about, where the device has several. */
  readonly outputId?: string;
  readonly at?: readonly [string, number];
  readonly settings?: Settings;
  readonly range?: Range;
  /** Helpers, further wires, and what was found other than planned. */
  readonly more?: readonly SingleChange[];
  /** How many Land steps are stamped; all when absent. */
  readonly landed?: number;
  /** How much of the proof is done: nothing, the first checks, all, or all with one that fails. */
  readonly proof?: 'none' | 'half' | 'all' | 'failed';
}

type Ends = readonly (readonly [own: string, to: string, colour?: Wire['colour'], lengthM?: number])[];

let numbered = 601;

function wires(itemId: string, ends: Ends): Wire[] {
  return ends.map(([own, to, colour = 'BK', lengthM = 1]) => ({
    id: `${itemId}-${own}-${numbered}`.replaceAll('+', 'p').replace(/[^\w.-]/g, '_'),
    number: String(numbered++),
    from: `${itemId}:${own}`,
    to,
    colour,
    lengthM,
    mm2: lengthM > 2 ? 0.5 : 0.75,
  }));
}

/** A helper of a point with its wires. */
export function helper(
  pointTag: string,
  tag: string,
  typeId: string,
  ends: Ends,
  settings?: Settings,
): SingleChange {
  const id = tag.toLowerCase();
  const device: Device = { id, tag, typeId, ...(settings && { settings }) };
  return { kind: 'addHelper', pointId: pointTag.toLowerCase(), device, wires: wires(id, ends) };
}

/** Wires on the terminals of an item. */
export const wired = (itemId: string, ends: Ends): SingleChange[] =>
  wires(itemId, ends).map((wire) => ({ kind: 'addWire', wire }));

/** The wire that is proposed for a device's terminal, as it was found. */
export const found = (tag: string, terminal: string, asFound: Wire['asFound']): SingleChange => ({
  kind: 'landWire',
  wireId: `${tag.toLowerCase()}-b-${terminal.replaceAll('+', 'p')}`,
  asFound: asFound ?? null,
});

export const without = (tag: string, terminal: string): SingleChange => ({
  kind: 'removeWire',
  wireId: `${tag.toLowerCase()}-b-${terminal.replaceAll('+', 'p')}`,
});

/** The device of a point, its switching output chosen where its kind leaves a choice. */
export function deviceOf(id: string, { tag, typeId, output: kind, logic, settings }: DemoPoint): Device {
  // A kind of the job's own is a three-wire sensor as this one is.
  const known =
    DEVICE_TYPES.find((type) => type.id === typeId) ??
    DEVICE_TYPES.find((type) => type.id === 'capacitive-3w');
  const switching = known?.outputs.find(({ kinds, logics }) => kinds.length * logics.length > 1);
  return {
    id,
    tag,
    typeId,
    ...(switching && kind && logic && { outputs: { [switching.id]: { kind, logic } } }),
    ...(settings && { settings }),
  };
}
