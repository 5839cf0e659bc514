import { lastOf, nth, sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import type { CalibrationOf, Reference } from '../model/index.ts';
import { straight } from '../sensing/index.ts';
import type { Curve } from '../sensing/index.ts';

/** Range at one side of a transmitter: what goes in, or what comes out. */
export interface SideRange {
  readonly low: number;
  readonly high: number;
  readonly unit: string;
}

/** One value to inject, and what must come of it. */
export interface InjectionPoint {
  /** Share of the range, %. */
  readonly share: number;
  readonly inject: number;
  readonly wanted: number;
  readonly min: number;
  readonly max: number;
}

/**
 * The values to inject at shares of the range, and what the transmitter must give.
 * @param curve from the value to what is injected (Ω of a temperature, mV of a couple); straight where it is left out.
 * @param value the range in the value's own unit, for such a curve.
 * @throws JobProblem for a range of zero.
 */
export function injectionPoints(
  injects: SideRange,
  gives: SideRange,
  limitPercent: number,
  shares: readonly number[],
  curved?: { readonly curve: Curve; readonly low: number; readonly high: number },
): InjectionPoint[] {
  const line = straight(0, injects.low, 100, injects.high);
  const out = straight(0, gives.low, 100, gives.high);
  if (injects.low === injects.high || gives.low === gives.high)
    refuse(say('scaling.range-zero-calibrated-two'));
  const allowed = (limitPercent / 100) * Math.abs(gives.high - gives.low);
  return shares.map((share) => {
    const wanted = out.at(share);
    const inject = curved
      ? curved.curve.at(curved.low + (share / 100) * (curved.high - curved.low))
      : line.at(share);
    return { share, inject, wanted, min: wanted - allowed, max: wanted + allowed };
  });
}

/** One reading, judged. */
interface JudgedReading {
  readonly share: number;
  readonly injected: number;
  readonly wanted: number;
  readonly read: number;
  /** In the output's unit, and in % of its span. */
  readonly error: number;
  readonly errorPercent: number;
  readonly pass: boolean;
}

export interface CalibrationOutcome {
  readonly readings: readonly JudgedReading[];
  readonly worstPercent: number;
  /** Largest error that is left when zero and span are moved by the best line, % of span: what no trimming removes. */
  readonly bentPercent: number;
  /** Moves that bring the ends right, in the output's unit; nothing from fewer than two different places. */
  readonly correction?: { readonly zero: number; readonly span: number };
  /** The middle once the ends are right, % of span; nothing where no reading lies in the middle. */
  readonly middlePercent?: number;
  /** How many times better than the limit the reference is, at its worst reading. */
  readonly ratio: number;
  /** Output with the sensor opened, as it should be. */
  readonly burnout?: { readonly pass: boolean; readonly sentence: Message };
  /** Whether every reading is within the limit, whatever the sensor opened does. */
  readonly isWithinLimit: boolean;
  /** Both: within the limit, and the right way when the sensor is opened. */
  readonly pass: boolean;
}

/** Below this ratio a reference is too coarse for the limit (a usual rule is four to one). */
export const MIN_RATIO = 4;

/**
 * Judges the readings of a transmitter. The error counts against the output for what was truly injected.
 * @throws JobProblem for a range of zero or no reading.
 */
export function judgeCalibration(
  {
    injects,
    gives,
    limitPercent,
    reference,
    burnout,
  }: Omit<CalibrationOf<'transmitter'>, 'kind' | 'side' | 'readings' | 'worstPercent' | 'pass'>,
  readings: readonly { readonly share: number; readonly injected: number; readonly read: number }[],
  wantedOf: (injected: number) => number = straight(injects.low, gives.low, injects.high, gives.high).at,
): CalibrationOutcome {
  if (!readings.length) refuse(say('scaling.enter-least-reading'));
  const span = Math.abs(gives.high - gives.low);
  if (!(span > 0)) refuse(say('scaling.range-zero-calibrated-two'));
  const judged = readings.map(({ share, injected, read }): JudgedReading => {
    const wanted = wantedOf(injected);
    const error = read - wanted;
    const errorPercent = (100 * error) / span;
    return {
      share,
      injected,
      wanted,
      read,
      error,
      errorPercent,
      pass: Math.abs(errorPercent) <= limitPercent + 1e-9,
    };
  });
  const line = fitted(judged);
  const bent = line
    ? judged.map(({ wanted, read }) => Math.abs(read - line.at(wanted)))
    : judged.map(() => 0);
  const atZero = line?.at(gives.low);
  const atTop = line?.at(gives.high);
  const middle = judged.find(({ share }) => Math.abs(share - 50) < 1);
  const burnt = burnout && judgeBurnout(burnout, gives);
  const isWithinLimit = judged.every(({ pass }) => pass);
  return {
    readings: judged,
    worstPercent: Math.max(...judged.map(({ errorPercent }) => Math.abs(errorPercent))),
    bentPercent: (100 * Math.max(...bent)) / span,
    ...(line && {
      correction: {
        zero: gives.low - sure(atZero),
        span: gives.high - gives.low - (sure(atTop) - sure(atZero)),
      },
    }),
    ...(line && middle && { middlePercent: (100 * (line.inverse(middle.read) - middle.wanted)) / span }),
    ratio: ratioOf(reference, judged, injects, limitPercent),
    ...(burnt && { burnout: burnt }),
    isWithinLimit,
    pass: isWithinLimit && burnt?.pass !== false,
  };
}

/** The line read over wanted through the readings nearest to the ends, as a screwdriver or a menu moves it. */
function fitted(judged: readonly JudgedReading[]): Curve | undefined {
  const sorted = [...judged].sort((a, b) => a.wanted - b.wanted);
  const [low, high] = [nth(sorted, 0), lastOf(sorted)];
  if (low.wanted === high.wanted || low.read === high.read) return undefined;
  return straight(low.wanted, low.read, high.wanted, high.read);
}

/** Test accuracy ratio: limit over the reference's own uncertainty, both in the unit that is injected. */
function ratioOf(
  { percent, fixed }: Reference,
  readings: readonly { readonly injected: number }[],
  { low, high }: SideRange,
  limitPercent: number,
): number {
  const limit = (limitPercent / 100) * Math.abs(high - low);
  const worst = Math.max(...readings.map(({ injected }) => (percent / 100) * Math.abs(injected) + fixed));
  return worst === 0 ? Infinity : limit / worst;
}

/** Limits of a transmitter's fault signal, mA (NAMUR NE 43). */
const FAULT = { low: 3.6, high: 21 };

function judgeBurnout(
  { wanted, read }: NonNullable<CalibrationOf<'transmitter'>['burnout']>,
  { unit }: SideRange,
): { pass: boolean; sentence: Message } {
  if (unit !== 'mA')
    return {
      pass: true,
      sentence: say('scaling.sensor-opened-standard-says', { read, unit }),
    };
  const goes = read >= FAULT.high ? 'high' : read <= FAULT.low ? 'low' : 'nowhere';
  const pass = goes === wanted;
  const limit =
    wanted === 'low'
      ? say('scaling.ma-less', { low: FAULT.low })
      : say('scaling.ma-more', { high: FAULT.high });
  const words = goes === 'nowhere' ? say('scaling.stays-where-looks-like') : say('scaling.goes', { goes });
  return {
    pass,
    sentence: pass
      ? say('scaling.sensor-opened-wanted-ma', { words, read })
      : say('scaling.sensor-opened-ma-wanted', { words, read, wanted, limit }),
  };
}
