import type { DeviceType } from './deviceType.ts';
import { SENSES } from './description/senses.ts';
import type { ModuleType } from './moduleType.ts';
import { SIGNALS } from './signals.ts';

/** What somebody sees of a part that lies in the hand, in the words that stand on it; by kind of sight. */
export interface Seen {
  /** How many leads or terminals it has. */
  readonly wires: readonly string[];
  /** Colours of its leads, as their letters. */
  readonly colours: readonly string[];
  readonly connector: readonly string[];
  /** Letters and signs on its label. */
  readonly printed: readonly string[];
  readonly senses: readonly string[];
}

/** Most leads that are counted one by one. */
const MANY = 8;

const countOf = (terminals: number): string => (terminals < MANY ? String(terminals) : `${MANY} or more`);

const PRINTED_KIND: Readonly<Record<string, readonly string[]>> = {
  pnp: ['PNP'],
  npn: ['NPN'],
  pushpull: ['push-pull'],
  contact: ['contact'],
  twowire: [],
  none: [],
};
const PRINTED_LANDING: Readonly<Record<string, readonly string[]>> = {
  resistance: ['Ω'],
  ratio: ['Ω'],
  thermocouple: ['mV'],
  pulses: ['pulses'],
  'io-link': ['IO-Link'],
  serial: ['RS-485'],
  ethernet: ['Ethernet'],
};

/** What is seen of a device. */
export function seenOf({ description, outputs, terminals, coil, load }: DeviceType): Seen {
  const pins = terminals.some(({ pin }) => pin !== undefined);
  const coloured = terminals.flatMap(({ colour, pin }) => (colour && pin !== undefined ? [colour] : []));
  const current = load?.current ?? coil?.kind ?? (description.mains ? 'ac' : undefined);
  const printed = outputs.flatMap((output) => [
    ...output.kinds.flatMap((kind) => PRINTED_KIND[kind] ?? []),
    ...(output.logics.includes('no') ? ['NO'] : []),
    ...(output.logics.includes('nc') ? ['NC'] : []),
    ...(output.logics.includes('light') ? ['light-on', 'dark-on'] : []),
    ...(output.signal ? [SIGNALS[output.signal].unit] : []),
    ...(PRINTED_LANDING[output.landsOn] ?? []),
  ]);
  return {
    wires: [countOf(terminals.length)],
    colours: distinct(coloured),
    connector: [
      ...(pins ? ['M12 or cable'] : []),
      ...(terminals.some(({ role }) => role === 'socket') ? ['network socket'] : []),
      ...(pins || terminals.every(({ role }) => role === 'socket') ? [] : ['terminals']),
    ],
    printed: distinct([...printed, ...(current === 'ac' || current === 'any' ? ['a.c. ~'] : [])]),
    senses: (description.senses ?? []).map((sense) => SENSES[sense]),
  };
}

/** What is seen of a module: how many channels, and what stands beside them. */
export function seenOfModule({
  description,
}: ModuleType): Pick<Seen, 'printed'> & { channels: readonly string[] } {
  const printed = description.ports.flatMap((port): readonly string[] => {
    switch (port.kind) {
      case 'digital':
        return port.sense === 'both' ? ['sink', 'source'] : [port.sense];
      case 'analog':
        return { signal: ['mA', 'V'], resistance: ['Ω'], thermocouple: ['mV'], ratio: ['Ω'] }[port.measures];
      case 'output':
        return port.drives === 'contact'
          ? ['relay contact']
          : port.drives === 'analog'
            ? ['mA', 'V']
            : ['output'];
      case 'io-link':
        return ['IO-Link'];
      case 'serial':
        return ['RS-485'];
      case 'ethernet':
        return ['Ethernet'];
      case 'safety':
        return ['safety'];
    }
  });
  return { channels: [String(description.ports.length)], printed: distinct(printed) };
}

const distinct = (words: readonly string[]): string[] => [...new Set(words)];
