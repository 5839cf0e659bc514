import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Point, Wire } from '../model/index.ts';
import { splitRef } from '../model/index.ts';
import type { JobIndex, Rail } from './jobIndex.ts';
import { printedOn } from '../catalog/index.ts';
import { railText, terminalText } from './words.ts';

/** A wire that is not as it was planned. */
export interface PlanDifference {
  readonly wire: Wire;
  /** What is other than planned, in a sentence. */
  readonly sentence: Message;
  /** How it is put right, in a sentence. */
  readonly remedy: Message;
}

/** What a terminal is called: `DI 2 channel 3`, `PE-101 BK`, `+24 V`, `G2 +24 V` where there are several. */
export function refText(index: JobIndex, ref: string): string {
  const { item, terminal } = splitRef(ref);
  const supply = index.supply(item);
  if (supply) {
    const alone = index.job.supplies.filter(({ kind }) => kind === supply.kind).length === 1;
    return `${alone ? '' : `${supply.tag} `}${railText(terminal as Rail, supply.volts)}`;
  }
  return `${index.tagOf(ref)} ${terminalName(index, ref)}`;
}

/** What a terminal is called: by its name and, where another number is printed on it, that too. */
export function terminalName(index: JobIndex, ref: string): string {
  const { item, terminal } = splitRef(ref);
  const printed = printedAt(index, item, terminal);
  return printed === undefined ? terminalText(terminal) : `${terminal}\u00a0(${printed})`;
}

/** The number printed on a terminal of a device of the job. */
export function printedAt(index: JobIndex, item: string, terminal: string): string | undefined {
  const device = index.device(item);
  return device && printedOn(index.deviceType(device), device.settings, terminal);
}

/** The wires, as planned and with how they were found, that end on a point's own parts. */
export function ownWires(index: JobIndex, { deviceId, helperIds = [] }: Point): Wire[] {
  const refs = [deviceId, ...helperIds].flatMap((id) => {
    const device = index.device(id);
    return device ? index.deviceType(device).terminals.map(({ name }) => `${id}:${name}`) : [];
  });
  return [...new Set(refs.flatMap((ref) => [...index.plannedAt(ref), ...index.foundAt(ref)]))];
}

/** All differences between the plan and the panel among some wires, in their order. */
export function planDifferences(index: JobIndex, wires: readonly Wire[]): PlanDifference[] {
  return wires.flatMap((wire) => {
    const { asFound, number } = wire;
    if (!asFound) return [];
    const ends = say('job.to', { ref: refText(index, wire.from), ref2: refText(index, wire.to) });
    if (asFound.missing)
      return [
        {
          wire,
          sentence: say('job.wire-missing', { number, ends }),
          remedy: say('job.land-wire', { number, ends }),
        },
      ];
    const parts = [
      ...(asFound.from && asFound.from !== wire.from
        ? [
            say('job.begins-instead', {
              ref: refText(index, asFound.from),
              ref2: refText(index, wire.from),
            }),
          ]
        : []),
      ...(asFound.to && asFound.to !== wire.to
        ? [say('job.ends-instead', { ref: refText(index, asFound.to), ref2: refText(index, wire.to) })]
        : []),
      ...(asFound.colour && asFound.colour !== wire.colour
        ? [say('job.is-instead-of', { colour: asFound.colour, colour2: wire.colour })]
        : []),
    ];
    if (!parts.length) return [];
    return [
      {
        wire,
        sentence: say('job.wire', { number, parts }),
        remedy:
          asFound.from || asFound.to
            ? say('job.move-wire-back', { number, ends })
            : say('job.use-wire-number', { colour: wire.colour, number }),
      },
    ];
  });
}
