import type { Point, Wire } from '../model/index.ts';
import { splitRef } from '../model/index.ts';
import type { JobIndex, Rail } from './jobIndex.ts';
import { railWords, terminalWords } from './words.ts';

/** A wire that is not as it was planned. */
export interface PlanDifference {
  readonly wire: Wire;
  /** What is other than planned, in a sentence. */
  readonly sentence: string;
  /** How it is put right, in a sentence. */
  readonly back: string;
}

/** What a terminal is called: `DI 2 channel 3`, `PE-101 BK`, `+24 V`, `G2 +24 V` where there are several. */
export function refWords(index: JobIndex, ref: string): string {
  const { item, terminal } = splitRef(ref);
  const supply = index.supply(item);
  if (supply) {
    const alone = index.job.supplies.filter(({ kind }) => kind === supply.kind).length === 1;
    return `${alone ? '' : `${supply.tag} `}${railWords(terminal as Rail, supply.volts)}`;
  }
  return `${index.tagOf(ref)} ${terminalWords(terminal)}`;
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
    const ends = `${refWords(index, wire.from)} to ${refWords(index, wire.to)}`;
    if (asFound.missing)
      return [
        {
          wire,
          sentence: `Wire ${number}, ${ends}, is missing.`,
          back: `Land wire ${number} from ${ends}`,
        },
      ];
    const parts = [
      ...(asFound.from && asFound.from !== wire.from
        ? [`begins on ${refWords(index, asFound.from)} instead of ${refWords(index, wire.from)}`]
        : []),
      ...(asFound.to && asFound.to !== wire.to
        ? [`ends on ${refWords(index, asFound.to)} instead of ${refWords(index, wire.to)}`]
        : []),
      ...(asFound.colour && asFound.colour !== wire.colour
        ? [`is ${asFound.colour} instead of ${wire.colour}`]
        : []),
    ];
    if (!parts.length) return [];
    return [
      {
        wire,
        sentence: `Wire ${number} ${parts.join(' and ')}.`,
        back:
          asFound.from || asFound.to
            ? `Move wire ${number} back: ${ends}`
            : `Use a ${wire.colour} wire for number ${number}`,
      },
    ];
  });
}
