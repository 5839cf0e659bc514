import { sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import { unlessRefused } from '../model/index.ts';
import type { Bands, Display, RawFormat } from '../model/index.ts';
import { bandOf } from './bands.ts';
import type { BandName } from './bands.ts';
import type { Curve } from '../sensing/index.ts';
import type { LoopCurve } from './loopCurve.ts';
import { countsOf, valueOfCounts } from './rawFormats.ts';
import type { ConverterRange } from './rawFormats.ts';

/** The links of a chain in order: from what there is to what somebody reads. */
export const LINKS = ['value', 'signal', 'input', 'counts', 'engineering', 'display'] as const;
export type LinkKey = (typeof LINKS)[number];

export interface SensorPart {
  readonly label: Text;
  readonly unit: string;
  readonly low: number;
  readonly high: number;
  /** Value to signal, at its wires. */
  readonly curve: Curve;
  readonly signal: { readonly unit: string; readonly low: number; readonly high: number };
  /** Where the signal stops, in its unit: a transmitter goes no further. */
  readonly stops?: { readonly low: number; readonly high: number };
  /** Below this value it gives what it gives for zero. */
  readonly cutBelow?: number;
}

/** A chain from the value to the display, ready to be gone along both ways. */
export interface SignalChain {
  readonly sensor: SensorPart;
  readonly loop: LoopCurve;
  readonly input: { readonly label: string; readonly unit: string; readonly isData?: boolean };
  readonly converter: {
    readonly format: RawFormat;
    readonly range: ConverterRange;
    /** What the input makes of what it sees before it counts: a temperature, or nothing else. */
    readonly curve: Curve;
    readonly unit: string;
  };
  readonly controller: {
    readonly label: string;
    readonly unit: string;
    readonly low: number;
    readonly high: number;
    /** What the converter measures to the value in the program. */
    readonly curve: Curve;
    /** Whether what it makes of a measured value is a guess, since its table does not reach so far. */
    readonly guesses?: (measured: number) => boolean;
  };
  readonly display: Display;
  readonly bands: Bands;
}

/** One link at one moment. */
interface ChainRow {
  readonly key: LinkKey;
  readonly value: number;
  /** Where it stops, or what holds it: said beside it wherever it is shown. */
  readonly note?: Message;
  /** What the signal is; anything but `range` marks this and all that follow. */
  readonly band?: BandName;
}

export interface ChainState {
  readonly rows: Readonly<Record<LinkKey, ChainRow>>;
  readonly band: BandName;
}

/** Below so much a screen shows zero. */
export const cutoffOf = ({ cutoffPercent, low, high }: Display): number =>
  (cutoffPercent / 100) * Math.max(Math.abs(low), Math.abs(high));

/** What a screen shows of the controller's value. */
export function shownOn(
  { display, controller }: Pick<SignalChain, 'display' | 'controller'>,
  value: number,
): {
  readonly value: number;
  readonly cut: boolean;
} {
  const { low, high, decimals } = display;
  const share = (value - controller.low) / (controller.high - controller.low);
  const exact = low + share * (high - low);
  if (Math.abs(exact) < cutoffOf(display)) return { value: 0, cut: exact !== 0 };
  const scale = 10 ** decimals;
  return { value: Math.round(exact * scale) / scale, cut: false };
}

/** Half of the last place of a display, in the controller's unit. */
export function displayHalf({ display, controller }: Pick<SignalChain, 'display' | 'controller'>): number {
  const perShown = (controller.high - controller.low) / (display.high - display.low);
  return Math.abs(0.5 * 10 ** -display.decimals * perShown);
}

/** The controller's value for what a screen shows. */
export const ofDisplay = (
  { display, controller }: Pick<SignalChain, 'display' | 'controller'>,
  shown: number,
): number =>
  controller.low +
  ((shown - display.low) / (display.high - display.low)) * (controller.high - controller.low);

function sensed({ sensor }: SignalChain, value: number): { signal: number; note?: Message } {
  const { cutBelow, stops } = sensor;
  const cut = cutBelow !== undefined && Math.abs(value) < cutBelow;
  const signal = sensor.curve.at(cut ? 0 : value);
  if (cut && value !== 0) return { signal, note: say('scaling.held-zero-sensor-own') };
  if (stops && signal < stops.low) return { signal: stops.low, note: say('scaling.sensor-goes-lower') };
  if (stops && signal > stops.high) return { signal: stops.high, note: say('scaling.sensor-goes-higher') };
  return { signal };
}

/** Counts of what an input sees. */
export const countedOf = ({ converter }: Pick<SignalChain, 'converter'>, input: number) =>
  countsOf(converter.format, converter.range, converter.curve.at(input));

/** The value that the program makes of some counts. */
export const engineeringOf = (
  { converter, controller }: Pick<SignalChain, 'converter' | 'controller'>,
  counts: number,
) => controller.curve.at(valueOfCounts(converter.format, converter.range, counts));

/** What an input sees for some counts. */
const inputOf = ({ converter }: SignalChain, counts: number): number =>
  converter.curve.inverse(valueOfCounts(converter.format, converter.range, counts));

const countsFor = ({ converter, controller }: SignalChain, engineering: number): number =>
  countsOf(converter.format, converter.range, controller.curve.inverse(engineering)).counts;

/**
 * By how much an input that was told back from counts or from a screen may lie beside the one that it was: half a last
 * place of the screen, and one count.
 */
function slackOf(
  chain: SignalChain,
  { counts, display, engineering }: Partial<Record<LinkKey, number>>,
): number {
  if (counts === undefined) return 0;
  const half = display === undefined ? 0 : displayHalf(chain);
  const inputAt = (value: number): number => inputOf(chain, countsFor(chain, value));
  const ofScreen =
    engineering === undefined || half === 0
      ? 0
      : (unlessRefused(() => Math.abs(inputAt(engineering + half) - inputAt(engineering - half))) ?? 0) / 2;
  const ofCount = unlessRefused(() => Math.abs(inputOf(chain, counts + 1) - inputOf(chain, counts))) ?? 0;
  return ofScreen + ofCount;
}

/**
 * Moves one link to a value; those before it are what must be there for it, those after it what follows.
 * @throws JobProblem where the link can never have that value.
 */
export function moveChain(chain: SignalChain, key: LinkKey, value: number): ChainState {
  const at = LINKS.indexOf(key);
  const back: Partial<Record<LinkKey, number>> = { [key]: value };
  if (at >= 5) back.engineering = ofDisplay(chain, value);
  if (at >= 4) back.counts = countsFor(chain, sure(back.engineering));
  if (at >= 3) back.input = inputOf(chain, sure(back.counts));
  if (at >= 2) back.signal = chain.loop.inverse(sure(back.input), slackOf(chain, back));
  if (at >= 1) back.value = chain.sensor.curve.inverse(sure(back.signal));
  return forwards(chain, back);
}

function guessText({ converter, controller }: SignalChain, counts: number): Message | undefined {
  const measured = valueOfCounts(converter.format, converter.range, counts);
  return controller.guesses?.(measured) ? say('scaling.beyond-ends-table-guess') : undefined;
}

/** Fills in what follows from what is given; what is given stands. */
function forwards(chain: SignalChain, given: Partial<Record<LinkKey, number>>): ChainState {
  const value = sure(given.value);
  const first = given.signal === undefined ? sensed(chain, value) : { signal: given.signal };
  const input = given.input ?? chain.loop.at(first.signal).nom;
  const counted = given.counts === undefined ? countedOf(chain, input) : { counts: given.counts };
  const engineering = given.engineering ?? engineeringOf(chain, counted.counts);
  const shown =
    given.display === undefined ? shownOn(chain, engineering) : { value: given.display, cut: false };
  const band = bandOf(chain.bands, input);
  const stopped = 'stopped' in counted && counted.stopped;
  return {
    band,
    rows: {
      value: { key: 'value', value },
      signal: { key: 'signal', value: first.signal, note: 'note' in first ? first.note : undefined },
      input: { key: 'input', value: input, band },
      counts: {
        key: 'counts',
        value: counted.counts,
        band,
        note: stopped ? say('scaling.converter-stops', { stopped }) : undefined,
      },
      engineering: { key: 'engineering', value: engineering, band, note: guessText(chain, counted.counts) },
      display: {
        key: 'display',
        value: shown.value,
        band,
        note: shown.cut
          ? say('scaling.cut-off-holds-screen', {
              cutoffPercent: chain.display.cutoffPercent,
              cutoffOf: cutoffOf(chain.display),
              unit: chain.display.unit,
            })
          : undefined,
      },
    },
  };
}
