import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import type { Bands } from '../model/index.ts';

/** What a signal is by its size. */
export type BandName = 'lowFault' | 'under' | 'range' | 'over' | 'highFault';

/** Units of signals that a broken wire drives up, and a short down. */
const TURNED = new Set(['Ω', 'mV']);

/** Whether a fault at that end of the signal means a short, rather than a break. */
export const isShort = (name: BandName, unit: string): boolean => (name === 'lowFault') === TURNED.has(unit);

/** What arrives at an input: a signal in its unit, or numbers that mean it. */
export interface Arriving {
  readonly unit: string;
  readonly isData?: boolean;
}

/** What a band is called; what a fault is hangs on the signal's unit. What arrives as data has no wire that breaks. */
export function bandText(name: BandName, { unit, isData }: Arriving): Message {
  switch (name) {
    case 'under':
      return say('scaling.under-range');
    case 'over':
      return say('scaling.over-range');
    case 'range':
      return say('scaling.in-range');
    default:
      if (isData) return say('scaling.no-value');
      // Neither a break nor a short gives pulses; more of them than the top has are disturbance.
      if (unit === 'Hz') return say('scaling.too-many');
      return isShort(name, unit) ? say('scaling.short') : say('scaling.wire-break');
  }
}

const MILLIAMPS: Bands = {
  lowFault: 3.6,
  underAt: 3.8,
  overAt: 20.5,
  highFault: 21,
  delay: 2,
  reaction: 'hold',
};

/** Sets of limits for 4 to 20 mA that are in use. */
export const BAND_SETS: readonly { readonly id: string; readonly name: Text; readonly bands: Bands }[] = [
  { id: 'ne43', name: say('scaling.namur-ne-43-3'), bands: MILLIAMPS },
  {
    id: 'wide',
    name: 'wide: 2, 3.6, 21, 23 mA',
    bands: { ...MILLIAMPS, lowFault: 2, underAt: 3.6, overAt: 21, highFault: 23 },
  },
  {
    id: 'tight',
    name: 'tight: 3.8, 4, 20, 20.2 mA',
    bands: { ...MILLIAMPS, lowFault: 3.8, underAt: 4, overAt: 20, highFault: 20.2, delay: 10 },
  },
];

/**
 * Limits that suit a range where nobody chose any: those of NAMUR NE 43 for 4 to 20 mA; for others the range with
 * 2.5 % on both sides, and faults as much again beyond.
 * @param faults where a fault begins, of elements whose own function says how far they reach.
 */
export function usualBands(
  low: number,
  high: number,
  unit: string,
  faults?: { readonly low: number; readonly high: number },
): Bands {
  if (unit === 'mA' && low === 4 && high === 20) return MILLIAMPS;
  const margin = 0.025 * (high - low);
  // Without a live zero a broken wire is no other number than zero.
  const live = low > 0;
  return {
    ...MILLIAMPS,
    lowFault: faults?.low ?? low - 2 * margin - (live ? 0 : margin),
    underAt: low - margin,
    overAt: high + margin,
    highFault: faults?.high ?? high + 2 * margin,
  };
}

/** A signal at a limit to within this share of the span counts as being there: a loop gives no exact numbers. */
const AT_THE_LIMIT = 1e-4;

/** What a signal is, without regard to how long it lasts. */
export function bandOf({ lowFault, underAt, overAt, highFault }: Bands, signal: number): BandName {
  const near = AT_THE_LIMIT * (overAt - underAt);
  if (signal <= lowFault + near) return 'lowFault';
  if (signal < underAt - near) return 'under';
  if (signal >= highFault - near) return 'highFault';
  return signal > overAt + near ? 'over' : 'range';
}

/**
 * Limits that lie within the range that they are to watch, each in a sentence: a healthy signal at that end would be
 * told as broken, shorted or out of range.
 */
export function swallowedEnds(
  bands: Bands,
  range: { readonly low: number; readonly high: number },
  arriving: Arriving,
): Message[] {
  const near = AT_THE_LIMIT * (range.high - range.low);
  const end = (which: 'low' | 'high', name: BandName, limit: number): Message =>
    say('scaling.end-swallowed', {
      end: range[which],
      unit: arriving.unit,
      limit,
      band: bandText(name, arriving),
    });
  const low: Message[] =
    bands.lowFault >= range.low - near
      ? [end('low', 'lowFault', bands.lowFault)]
      : bands.underAt > range.low + near
        ? [end('low', 'under', bands.underAt)]
        : [];
  const high: Message[] =
    bands.highFault <= range.high + near
      ? [end('high', 'highFault', bands.highFault)]
      : bands.overAt < range.high - near
        ? [end('high', 'over', bands.overAt)]
        : [];
  return [...low, ...high];
}

/** A signal over time: what the controller makes of it once delays are over. */
export interface BandState {
  readonly band: BandName;
  /** Value that goes on into the program; nothing where it is marked bad. */
  readonly value: number | undefined;
}

/**
 * Follows a row of samples: a signal counts as broken or shorted once that has lasted for the delay; until then the
 * last good value is held. Afterwards it is held on, replaced, or marked bad, as chosen. It is good again at once.
 * @param samples times in s, rising, with the signal and the value that was made of it.
 */
export function followBands(
  bands: Bands,
  samples: readonly { readonly at: number; readonly signal: number; readonly value: number }[],
): BandState[] {
  let good: number | undefined;
  let badSince: number | undefined;
  return samples.map(({ at, signal, value }) => {
    const band = bandOf(bands, signal);
    if (band !== 'lowFault' && band !== 'highFault') {
      badSince = undefined;
      good = value;
      return { band, value };
    }
    badSince ??= at;
    if (at - badSince < bands.delay || bands.reaction === 'hold') return { band, value: good };
    return { band, value: bands.reaction === 'substitute' ? bands.substitute : undefined };
  });
}

/** What the controller does with a signal that lasts in a band, in words. */
export function reactionText({ delay, reaction, substitute }: Bands): Message {
  const after = say('scaling.after-s', { delay });
  if (reaction === 'hold') return say('scaling.last-good-value-held', { after });
  return reaction === 'substitute'
    ? say('scaling.put-place', { after, substitute })
    : say('scaling.marked-bad', { after });
}
