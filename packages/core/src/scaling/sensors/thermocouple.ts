import { say } from '../../messages/index.ts';
import { polynomial, slopeOf, whereRising } from './polynomial.ts';
import { refuse } from '../../model/index.ts';
import { COUPLE_FUNCTIONS } from './thermocoupleFunctions.ts';
import type { CoupleType, Segment } from './thermocoupleFunctions.ts';

function segmentAt(type: CoupleType, t: number): Segment {
  const { segments } = COUPLE_FUNCTIONS[type];
  let found = segments[0]!;
  for (const segment of segments) if (t >= segment.from) found = segment;
  return found;
}

const bellAt = ({ bell }: Segment, t: number): number =>
  bell ? bell[0] * Math.exp(bell[1] * (t - bell[2]) ** 2) : 0;

const raw = (type: CoupleType, t: number): number => {
  const segment = segmentAt(type, t);
  return polynomial(segment.coefficients, t) + bellAt(segment, t);
};

/** Where a type's reference function begins and ends, °C. */
export const coupleRange = (type: CoupleType): { least: number; most: number; usableFrom: number } => ({
  least: COUPLE_FUNCTIONS[type].segments[0]!.from,
  most: COUPLE_FUNCTIONS[type].most,
  usableFrom: COUPLE_FUNCTIONS[type].usableFrom,
});

/**
 * Voltage of a couple with its cold junction at 0 °C, mV (IEC 60584-1, ITS-90).
 * @throws JobProblem outside the range of the reference function.
 */
export function coupleMillivolts(type: CoupleType, t: number): number {
  const { least, most } = coupleRange(type);
  if (!(t >= least - 1e-9 && t <= most + 1e-9))
    refuse(say('scaling.type-defined-c-iec', { type, least, most, t }));
  return raw(type, t);
}

/** mV per K. */
export function seebeck(type: CoupleType, t: number): number {
  const segment = segmentAt(type, t);
  const { bell, coefficients } = segment;
  const more = bell ? bellAt(segment, t) * 2 * bell[1] * (t - bell[2]) : 0;
  return slopeOf(coefficients, t) + more;
}

/**
 * Temperature of a couple whose cold junction is at 0 °C: the reference function turned round by iteration, to
 * better than 1 µK. Type B gives next to nothing up to 50 °C and is turned round from there on.
 * @throws JobProblem for a voltage that the type never gives.
 */
export function coupleTemperature(type: CoupleType, millivolts: number): number {
  const { most, usableFrom } = coupleRange(type);
  const [low, high] = [raw(type, usableFrom), raw(type, most)];
  if (!(millivolts >= low - 1e-9 && millivolts <= high + 1e-9))
    refuse(say('scaling.type-gives-mv-c', { type, low, high, usableFrom, most, millivolts }));
  const start = usableFrom + ((millivolts - low) / (high - low)) * (most - usableFrom);
  return whereRising(
    millivolts,
    usableFrom,
    most,
    (t) => raw(type, t),
    (t) => seebeck(type, t),
    start,
  );
}

/** What stands at the terminals, mV, with the hot end and the cold junction at these temperatures, °C. */
export const couplesVoltage = (type: CoupleType, hot: number, cold: number): number =>
  coupleMillivolts(type, hot) - coupleMillivolts(type, cold);

/** Temperature of the hot end, °C, from the terminals' mV and the cold junction's temperature. Voltages add, not degrees. */
export const hotEnd = (type: CoupleType, millivolts: number, cold: number): number =>
  coupleTemperature(type, millivolts + coupleMillivolts(type, cold));

/** Tolerance classes: the larger of a fixed part and a share of the temperature, where the class holds, °C. */
interface CoupleTolerance {
  readonly fixed: number;
  readonly share: number;
  /** Types R and S of class 1 count the share from 1100 °C on, on top. */
  readonly above?: number;
  readonly least: number;
  readonly most: number;
}

/** IEC 60584-1:2013, table 12. */
const COUPLE_CLASSES: Readonly<Record<CoupleType, Partial<Record<1 | 2 | 3, CoupleTolerance>>>> = {
  T: {
    1: { fixed: 0.5, share: 0.004, least: -40, most: 350 },
    2: { fixed: 1, share: 0.0075, least: -40, most: 350 },
    3: { fixed: 1, share: 0.015, least: -200, most: 40 },
  },
  E: {
    1: { fixed: 1.5, share: 0.004, least: -40, most: 800 },
    2: { fixed: 2.5, share: 0.0075, least: -40, most: 900 },
    3: { fixed: 2.5, share: 0.015, least: -200, most: 40 },
  },
  J: {
    1: { fixed: 1.5, share: 0.004, least: -40, most: 750 },
    2: { fixed: 2.5, share: 0.0075, least: -40, most: 750 },
  },
  K: {
    1: { fixed: 1.5, share: 0.004, least: -40, most: 1000 },
    2: { fixed: 2.5, share: 0.0075, least: -40, most: 1200 },
    3: { fixed: 2.5, share: 0.015, least: -200, most: 40 },
  },
  N: {
    1: { fixed: 1.5, share: 0.004, least: -40, most: 1000 },
    2: { fixed: 2.5, share: 0.0075, least: -40, most: 1200 },
    3: { fixed: 2.5, share: 0.015, least: -200, most: 40 },
  },
  R: {
    1: { fixed: 1, share: 0.003, above: 1100, least: 0, most: 1600 },
    2: { fixed: 1.5, share: 0.0025, least: 0, most: 1600 },
  },
  S: {
    1: { fixed: 1, share: 0.003, above: 1100, least: 0, most: 1600 },
    2: { fixed: 1.5, share: 0.0025, least: 0, most: 1600 },
  },
  B: {
    2: { fixed: 0, share: 0.0025, least: 600, most: 1700 },
    3: { fixed: 4, share: 0.005, least: 600, most: 1700 },
  },
};

/** Tolerance of a type's class at a temperature, K; nothing where the type has no such class. */
export function coupleTolerance(
  type: CoupleType,
  name: 1 | 2 | 3,
  t: number,
): { kelvin: number; holds: boolean } | undefined {
  const row = COUPLE_CLASSES[type][name];
  if (!row) return undefined;
  const { fixed, share, above, least, most } = row;
  const kelvin =
    above === undefined ? Math.max(fixed, share * Math.abs(t)) : fixed + share * Math.max(0, t - above);
  return { kelvin, holds: t >= least && t <= most };
}
