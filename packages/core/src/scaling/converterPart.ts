import { sure } from '../lists/index.ts';
import { SIGNALS } from '../catalog/index.ts';
import { elementOf } from '../network/index.ts';
import type { AnalogPort, SignalKind } from '../catalog/index.ts';
import type { Range, RawFormat, Scaling } from '../model/index.ts';
import { convert } from '../units/index.ts';
import type { Analysis } from '../analysis/index.ts';
import type { OwnPort } from '../network/index.ts';
import type { SignalChain } from './chain.ts';
import {
  COLD_JUNCTION,
  METALS,
  ohmsOf,
  straight,
  temperatureOf,
  then,
  thermocoupleMillivolts,
  thermocoupleRange,
  thermocoupleTemperature,
  thermometerElement,
} from '../sensing/index.ts';
import type { Curve, ThermocoupleType } from '../sensing/index.ts';
import { findRawFormat } from './rawFormats.ts';
import type { ConverterRange } from './rawFormats.ts';
import type { EffectiveRange } from './effective.ts';

interface Ends {
  readonly low: number;
  readonly high: number;
}

const port = (own: OwnPort): AnalogPort => own.port as AnalogPort;

/** Unit in which an analog input measures. */
export const unitOf = (own: OwnPort): string => {
  const { measures, rangeKey } = port(own);
  if (measures === 'resistance') return 'Ω';
  return measures === 'thermocouple' ? 'mV' : SIGNALS[own.settings[sure(rangeKey)] as SignalKind].unit;
};

/** The converter's part of a chain. */
export interface Converted {
  readonly converter: SignalChain['converter'];
  /** What the input sees at both ends of its range. */
  readonly input: Ends;
  /** Beyond what its element can have, something is wrong with the wire. */
  readonly faults?: Ends;
}

/** A curve that runs out at the ends of what it is defined for, so that a converter stops there. */
const within = (low: number, high: number, { at, inverse: back }: Curve): Curve => ({
  at: (x) => (x < low ? -Infinity : x > high ? Infinity : at(x)),
  inverse: back,
});

function rtdInput(name: string): { curve: Curve; min: number; max: number } {
  const rtd = thermometerElement(name);
  const { min, max } = METALS[rtd.metal];
  const back = (t: number): number => ohmsOf(rtd, t);
  return {
    min,
    max,
    curve: within(back(min), back(max), { at: (ohms) => temperatureOf(rtd, ohms), inverse: back }),
  };
}

function thermocoupleInput(letter: ThermocoupleType): { curve: Curve; min: number; max: number } {
  const cold = thermocoupleMillivolts(letter, COLD_JUNCTION);
  const back = (t: number): number => thermocoupleMillivolts(letter, t) - cold;
  const { usableFrom, max } = thermocoupleRange(letter);
  const at = (mV: number): number => thermocoupleTemperature(letter, mV + cold);
  return { min: usableFrom, max, curve: within(back(usableFrom), back(max), { at, inverse: back }) };
}

/** What an input makes of what it sees: a signal by its range parameter, a temperature by its element. */
export function converted(
  analysis: Analysis,
  own: OwnPort,
  scaling: Scaling,
  range: Range,
  channel: EffectiveRange | undefined,
): Converted {
  const { output } = analysis.context;
  const { zero, formatId, own: ownFormat } = scaling.converter;
  const chosen = ownFormat ?? findRawFormat(formatId);
  const element = elementOf(analysis.context);
  const measures = port(own).measures;
  const temperature = (curve: Curve, input: Ends, faults: Ends): Converted => ({
    converter: {
      format: chosen ?? sure(findRawFormat('tenth')),
      range: { low: channel?.low ?? range.low, high: channel?.high ?? range.high, zero },
      curve: then(curve, {
        at: (t) => convert(t, '°C', range.unit) ?? t,
        inverse: (t) => convert(t, range.unit, '°C') ?? t,
      }),
      unit: range.unit,
    },
    input,
    faults,
  });
  const inCelsius = (t: number): number => convert(t, range.unit, '°C') ?? t;
  if (measures === 'resistance' && element?.kind === 'rtd') {
    const { curve, min, max } = rtdInput(element.name ?? 'Pt100');
    const input = {
      low: curve.inverse(Math.max(min, inCelsius(range.low))),
      high: curve.inverse(Math.min(max, inCelsius(range.high))),
    };
    return temperature(curve, input, { low: curve.inverse(min), high: curve.inverse(max) });
  }
  if (measures === 'thermocouple' && output.thermocouple) {
    const { curve, min, max } = thermocoupleInput(output.thermocouple.letter);
    const input = { low: curve.inverse(inCelsius(range.low)), high: curve.inverse(inCelsius(range.high)) };
    return temperature(curve, input, { low: curve.inverse(min), high: curve.inverse(max) });
  }
  const isSender = measures === 'resistance';
  const ends: Ends = isSender
    ? { low: element?.lowOhms ?? 0, high: element?.highOhms ?? 1000 }
    : SIGNALS[own.settings[sure(port(own).rangeKey)] as SignalKind];
  const limits: ConverterRange = { low: ends.low, high: ends.high, zero };
  const format: RawFormat = chosen ?? sure(findRawFormat(ends.low < 0 ? 'pm27648' : '27648'));
  return {
    converter: { format, range: limits, curve: straight(0, 0, 1, 1), unit: unitOf(own) },
    input: { low: ends.low, high: ends.high },
    // A sender that is open or shorted lies well beyond its ends.
    ...(isSender && { faults: { low: ends.low / 2, high: ends.high * 1.1 } }),
  };
}
