import { nth } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import { polynomial, slopeOf, whereRising } from './polynomial.ts';
import { refuse } from '../model/index.ts';
import { THERMOCOUPLE_FUNCTIONS } from './thermocoupleFunctions.ts';
import type { ThermocoupleType, Segment } from './thermocoupleFunctions.ts';

function segmentAt(type: ThermocoupleType, t: number): Segment {
  const { segments } = THERMOCOUPLE_FUNCTIONS[type];
  let found = nth(segments, 0);
  for (const segment of segments) if (t >= segment.from) found = segment;
  return found;
}

const bellAt = ({ bell }: Segment, t: number): number =>
  bell ? bell[0] * Math.exp(bell[1] * (t - bell[2]) ** 2) : 0;

const raw = (type: ThermocoupleType, t: number): number => {
  const segment = segmentAt(type, t);
  return polynomial(segment.coefficients, t) + bellAt(segment, t);
};

/** Where a type's reference function begins and ends, °C. */
export const thermocoupleRange = (
  type: ThermocoupleType,
): { min: number; max: number; usableFrom: number } => ({
  min: nth(THERMOCOUPLE_FUNCTIONS[type].segments, 0).from,
  max: THERMOCOUPLE_FUNCTIONS[type].max,
  usableFrom: THERMOCOUPLE_FUNCTIONS[type].usableFrom,
});

/**
 * Voltage of a couple with its cold junction at 0 °C, mV (IEC 60584-1, ITS-90).
 * @throws JobProblem outside the range of the reference function.
 */
export function thermocoupleMillivolts(type: ThermocoupleType, t: number): number {
  const { min, max } = thermocoupleRange(type);
  if (!(t >= min - 1e-9 && t <= max + 1e-9)) refuse(say('scaling.type-defined-c-iec', { type, min, max, t }));
  return raw(type, t);
}

/** mV per K. */
export function seebeck(type: ThermocoupleType, t: number): number {
  const segment = segmentAt(type, t);
  const { bell, coefficients } = segment;
  const more = bell ? bellAt(segment, t) * 2 * bell[1] * (t - bell[2]) : 0;
  return slopeOf(coefficients, t) + more;
}

/** Half of the last digit of the published tables, mV. */
const HALF_DIGIT = 0.0005 + 1e-9;

/**
 * Temperature of a couple whose cold junction is at 0 °C: the reference function turned round by iteration, to
 * better than 1 µK. Type B gives next to nothing up to 50 °C and is turned round from there on.
 * The ends of the published tables, which are rounded to 1 µV, are taken as its own ends.
 * @throws JobProblem for a voltage that the type never gives.
 */
export function thermocoupleTemperature(type: ThermocoupleType, millivolts: number): number {
  const { max, usableFrom } = thermocoupleRange(type);
  const [low, high] = [raw(type, usableFrom), raw(type, max)];
  if (!(millivolts >= low - HALF_DIGIT && millivolts <= high + HALF_DIGIT))
    refuse(say('scaling.type-gives-mv-c', { type, low, high, usableFrom, max, millivolts }));
  const wanted = Math.min(Math.max(millivolts, low), high);
  const start = usableFrom + ((wanted - low) / (high - low)) * (max - usableFrom);
  return whereRising(
    wanted,
    usableFrom,
    max,
    (t) => raw(type, t),
    (t) => seebeck(type, t),
    start,
  );
}

/** What stands at the terminals, mV, with the hot end and the cold junction at these temperatures, °C. */
export const thermocoupleVoltage = (type: ThermocoupleType, hot: number, cold: number): number =>
  thermocoupleMillivolts(type, hot) - thermocoupleMillivolts(type, cold);

/** Temperature of the hot end, °C, from the terminals' mV and the cold junction's temperature. Voltages add, not degrees. */
export const hotEnd = (type: ThermocoupleType, millivolts: number, cold: number): number =>
  thermocoupleTemperature(type, millivolts + thermocoupleMillivolts(type, cold));

/** Tolerance classes: the larger of a fixed part and a share of the temperature, where the class holds, °C. */
interface ThermocoupleTolerance {
  readonly fixed: number;
  readonly share: number;
  /** Types R and S of class 1 count the share from 1100 °C on, on top. */
  readonly above?: number;
  readonly min: number;
  readonly max: number;
}

/** IEC 60584-1:2013, table 12. */
const THERMOCOUPLE_CLASSES: Readonly<
  Record<ThermocoupleType, Partial<Record<1 | 2 | 3, ThermocoupleTolerance>>>
> = {
  T: {
    1: { fixed: 0.5, share: 0.004, min: -40, max: 350 },
    2: { fixed: 1, share: 0.0075, min: -40, max: 350 },
    3: { fixed: 1, share: 0.015, min: -200, max: 40 },
  },
  E: {
    1: { fixed: 1.5, share: 0.004, min: -40, max: 800 },
    2: { fixed: 2.5, share: 0.0075, min: -40, max: 900 },
    3: { fixed: 2.5, share: 0.015, min: -200, max: 40 },
  },
  J: {
    1: { fixed: 1.5, share: 0.004, min: -40, max: 750 },
    2: { fixed: 2.5, share: 0.0075, min: -40, max: 750 },
  },
  K: {
    1: { fixed: 1.5, share: 0.004, min: -40, max: 1000 },
    2: { fixed: 2.5, share: 0.0075, min: -40, max: 1200 },
    3: { fixed: 2.5, share: 0.015, min: -200, max: 40 },
  },
  N: {
    1: { fixed: 1.5, share: 0.004, min: -40, max: 1000 },
    2: { fixed: 2.5, share: 0.0075, min: -40, max: 1200 },
    3: { fixed: 2.5, share: 0.015, min: -200, max: 40 },
  },
  R: {
    1: { fixed: 1, share: 0.003, above: 1100, min: 0, max: 1600 },
    2: { fixed: 1.5, share: 0.0025, min: 0, max: 1600 },
  },
  S: {
    1: { fixed: 1, share: 0.003, above: 1100, min: 0, max: 1600 },
    2: { fixed: 1.5, share: 0.0025, min: 0, max: 1600 },
  },
  B: {
    2: { fixed: 0, share: 0.0025, min: 600, max: 1700 },
    3: { fixed: 4, share: 0.005, min: 600, max: 1700 },
  },
};

/** Tolerance of a type's class at a temperature, K; nothing where the type has no such class. */
export function thermocoupleTolerance(
  type: ThermocoupleType,
  name: 1 | 2 | 3,
  t: number,
): { kelvin: number; holds: boolean } | undefined {
  const row = THERMOCOUPLE_CLASSES[type][name];
  if (!row) return undefined;
  const { fixed, share, above, min, max } = row;
  const kelvin =
    above === undefined ? Math.max(fixed, share * Math.abs(t)) : fixed + share * Math.max(0, t - above);
  return { kelvin, holds: t >= min && t <= max };
}
