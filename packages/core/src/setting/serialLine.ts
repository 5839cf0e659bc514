import { lastOf, nth, sure } from '../lists/index.ts';
import { sameMessage, say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { PlanFault } from './ethernetPlan.ts';
import { exactly, solve } from '../circuit/index.ts';
import type { Element } from '../circuit/index.ts';
import { wireOhms } from '../network/index.ts';

type Parity = 'even' | 'odd' | 'none';

/** A participant of an RS-485 line, in its order along the cable. */
export interface LineUnit {
  readonly tag: string;
  /** Unit number; none for the master. */
  readonly unit?: number;
  readonly baud: number;
  readonly parity: Parity;
  readonly stopBits: 1 | 2;
  /** How the more positive line at rest is called at it. Makers letter A and B in both ways. */
  readonly plusName: '+' | 'A' | 'B' | 'D1';
  /** 120 Ω between the lines here. */
  readonly terminated: boolean;
  /** Share of a unit load of 12 kΩ that its receiver is (TIA-485-A). */
  readonly unitLoad: number;
  /** Cable from the one before it, m. */
  readonly fromLastM: number;
  /** Registers that are read from it in every cycle. */
  readonly registers?: number;
  /** How long it takes before it answers, s. */
  readonly answerSeconds?: number;
}

/** Resistors that hold the line at rest, from plus to 5 V and from minus to common. */
interface LineBias {
  readonly at: string;
  readonly ohms: number;
  readonly volts: number;
}

export interface SerialLine {
  readonly units: readonly LineUnit[];
  readonly bias?: LineBias;
  readonly mm2: number;
}

/** Least voltage between the lines that a receiver takes for certain, V (TIA-485-A). */
const MIN_LINE_VOLTS = 0.2;
const TERMINATOR_OHMS = 120;
const UNIT_LOAD_OHMS = 12000;
const MAX_UNIT_LOADS = 32;

/** Longest line by baud, m, for twisted pair of this kind (IEC 61158-2, type A cable). */
const LONGEST: readonly (readonly [baud: number, metres: number])[] = [
  [93750, 1200],
  [187500, 1000],
  [500000, 400],
  [1500000, 200],
];

/** Longest line for a baud, m; nothing beyond the table. */
export const longestLine = (baud: number): number | undefined => LONGEST.find(([max]) => baud <= max)?.[1];

/** Time of one byte, s: start, eight bits, parity or a second stop bit, stop. */
export const byteSeconds = ({
  baud,
  parity,
  stopBits,
}: Pick<LineUnit, 'baud' | 'parity' | 'stopBits'>): number =>
  (1 + 8 + (parity === 'none' ? 0 : 1) + stopBits) / baud;

/** Silence between frames, s: 3.5 bytes, above 19200 baud a fixed 1.75 ms (Modbus over Serial Line V1.02, 2.5.1.1). */
export const gapSeconds = (unit: Pick<LineUnit, 'baud' | 'parity' | 'stopBits'>): number =>
  unit.baud > 19200 ? 0.00175 : 3.5 * byteSeconds(unit);

/** Most registers that one request may read. */
const MAX_REGISTERS = 125;

/** Time to ask every unit once for its registers, s: requests of eight bytes, replies of five and two a register. */
export function pollSeconds({ units }: SerialLine): number {
  return units
    .filter(({ unit, registers }) => unit !== undefined && registers)
    .reduce((sum, unit) => {
      const requests = Math.ceil(sure(unit.registers) / MAX_REGISTERS);
      const bytes = 13 * requests + 2 * sure(unit.registers);
      return (
        sum + bytes * byteSeconds(unit) + requests * (2 * gapSeconds(unit) + (unit.answerSeconds ?? 0.005))
      );
    }, 0);
}

/**
 * Volts between plus and minus at every participant while nobody speaks, solved as a circuit of bias, terminators,
 * receivers and cable.
 */
export function voltsAtRest({ units, bias, mm2 }: SerialLine): Map<string, number> {
  const elements: Element[] = [];
  const resistor = (id: string, a: string, b: string, ohms: number): void =>
    void elements.push({ kind: 'resistor', id, a, b, ohms: exactly(ohms) });
  units.forEach(({ tag, terminated, unitLoad, fromLastM }, i) => {
    const [plus, minus] = [`${i}+`, `${i}-`];
    if (terminated) resistor(`end ${tag}`, plus, minus, TERMINATOR_OHMS);
    if (unitLoad > 0) resistor(`receiver ${tag}`, plus, minus, UNIT_LOAD_OHMS / unitLoad);
    if (i === 0) return;
    const ohms = Math.max(1e-4, wireOhms({ lengthM: fromLastM, mm2 }).nom);
    resistor(`plus to ${tag}`, `${i - 1}+`, plus, ohms);
    resistor(`minus to ${tag}`, `${i - 1}-`, minus, ohms);
  });
  const at = bias ? units.findIndex(({ tag }) => tag === bias.at) : -1;
  if (!bias || at < 0) return new Map(units.map(({ tag }) => [tag, 0]));
  elements.push({
    kind: 'source',
    id: 'bias',
    plus: 'supply',
    minus: 'common',
    volts: exactly(bias.volts),
    internalOhms: exactly(0),
    limitAmps: exactly(1),
  });
  resistor('pull up', 'supply', `${at}+`, bias.ohms);
  resistor('pull down', `${at}-`, 'common', bias.ohms);
  const solution = solve({ elements, reference: 'common' });
  return new Map(units.map(({ tag }, i) => [tag, solution.volts(`${i}+`) - solution.volts(`${i}-`)]));
}

/** Everything on a line that would not work, each with whom it concerns. */
export function serialFaults(line: SerialLine): PlanFault[] {
  const { units } = line;
  return [
    ...numberFaults(units),
    ...unlike(units, ({ baud }) => say('fieldbus.baud', { baud })),
    ...unlike(units, ({ parity, stopBits }) => frameText(parity, stopBits)),
    ...endFaults(units),
    ...loadFaults(units),
    ...lengthFaults(units),
    ...restFaults(line),
  ];
}

const frameText = (parity: Parity, stopBits: number): Message =>
  say('fieldbus.and-stop', { parity, stopBits });

function numberFaults(units: readonly LineUnit[]): PlanFault[] {
  const faults: PlanFault[] = [];
  const first = new Map<number, string>();
  for (const { tag, unit } of units) {
    if (unit === undefined) continue;
    if (!Number.isInteger(unit) || unit < 1 || unit > 247)
      faults.push({ tags: [tag], sentence: say('fieldbus.unit-number-1-247', { tag, unit }) });
    const before = first.get(unit);
    if (before !== undefined)
      faults.push({
        tags: [before, tag],
        sentence: say('fieldbus.same-unit-number', { before, tag, unit }),
      });
    else first.set(unit, tag);
  }
  return faults;
}

/** Participants that are set otherwise than most. */
function unlike(units: readonly LineUnit[], words: (unit: LineUnit) => Message): PlanFault[] {
  const count = (unit: LineUnit): number =>
    units.filter((other) => sameMessage(words(other), words(unit))).length;
  const [max] = [...units].sort((a, b) => count(b) - count(a));
  if (!max) return [];
  const main = words(max);
  return units
    .filter((unit) => !sameMessage(words(unit), main))
    .map((unit) => ({
      tags: [unit.tag],
      sentence: say('fieldbus.set-others', { unit: unit.tag, words: words(unit), main }),
    }));
}

function endFaults(units: readonly LineUnit[]): PlanFault[] {
  if (units.length < 2) return [];
  const ends = [nth(units, 0), lastOf(units)];
  return [
    ...ends
      .filter(({ terminated }) => !terminated)
      .map(({ tag }) => ({
        tags: [tag],
        sentence: say('fieldbus.end-line-switch-terminator', { tag }),
      })),
    ...units
      .slice(1, -1)
      .filter(({ terminated }) => terminated)
      .map(({ tag }) => ({
        tags: [tag],
        sentence: say('fieldbus.end-line-switch-terminator-off', { tag }),
      })),
  ];
}

function loadFaults(units: readonly LineUnit[]): PlanFault[] {
  const loads = units.reduce((sum, { unitLoad }) => sum + unitLoad, 0);
  return loads > MAX_UNIT_LOADS
    ? [
        {
          tags: units.map(({ tag }) => tag),
          sentence: say('fieldbus.receivers-unit-loads-together', { loads, maxUnitLoads: MAX_UNIT_LOADS }),
        },
      ]
    : [];
}

function lengthFaults(units: readonly LineUnit[]): PlanFault[] {
  const metres = units.reduce((sum, { fromLastM }, i) => sum + (i === 0 ? 0 : fromLastM), 0);
  const baud = Math.max(0, ...units.map((unit) => unit.baud));
  const longest = longestLine(baud);
  if (longest === undefined) return [{ tags: [], sentence: say('fieldbus.baud-more-kind-line', { baud }) }];
  return metres > longest
    ? [
        {
          tags: [],
          sentence: say('fieldbus.line-m-long-baud', { metres, baud, longest }),
        },
      ]
    : [];
}

function restFaults(line: SerialLine): PlanFault[] {
  if (!line.units.some(({ terminated }) => terminated)) return [];
  const volts = [...voltsAtRest(line)];
  const [tag, min] = volts.reduce((a, b) => (b[1] < a[1] ? b : a));
  if (min >= MIN_LINE_VOLTS) return [];
  return [
    {
      tags: [tag],
      sentence: line.bias
        ? say('fieldbus.rest-v-stand-between', { min, tag, minLineVolts: MIN_LINE_VOLTS })
        : say('fieldbus.nothing-holds-line-rest'),
    },
  ];
}
