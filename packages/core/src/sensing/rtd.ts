import { nth, sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import { polynomial, slopeOf, whereRising } from './polynomial.ts';
import { refuse } from '../model/index.ts';

/** A resistance thermometer: its metal and its resistance at 0 °C. */
export interface ThermometerElement {
  readonly id: string;
  readonly metal: 'Pt' | 'Ni';
  readonly ohms: number;
}

/** Metals by the ratio R(t)/R(0): its polynomial, or two of them, and the temperatures between which it holds, °C. */
interface Metal {
  readonly min: number;
  readonly max: number;
  readonly ratio: readonly number[];
  /** Below 0 °C, where that is another. */
  readonly below?: readonly number[];
  readonly source: string;
}

const [A, B, C] = [3.9083e-3, -5.775e-7, -4.183e-12];

export const METALS: Readonly<Record<ThermometerElement['metal'], Metal>> = {
  Pt: {
    min: -200,
    max: 850,
    ratio: [1, A, B],
    // 1 + A t + B t² + C (t − 100) t³, multiplied out.
    below: [1, A, B, -100 * C, C],
    source: 'IEC 60751:2008',
  },
  Ni: {
    min: -60,
    max: 250,
    ratio: [1, 5.485e-3, 6.65e-6, 0, 2.805e-11, 0, -2.0e-17],
    source: 'DIN 43760:1987',
  },
};

/** Elements that are in use. */
export const ELEMENTS: readonly ThermometerElement[] = [
  ...[100, 200, 500, 1000].map((ohms) => ({ id: `Pt${ohms}`, metal: 'Pt' as const, ohms })),
  ...[100, 200, 500, 1000].map((ohms) => ({ id: `Ni${ohms}`, metal: 'Ni' as const, ohms })),
];

/** An element by its usual name, such as `Pt100`; any resistance from 1 Ω to 100 kΩ. @throws JobProblem */
export function thermometerElement(id: string): ThermometerElement {
  const match = /^(Pt|Ni)\s?(\d+(?:\.\d+)?)$/i.exec(id.trim());
  const ohms = Number(match?.[2]);
  if (!match || !(ohms >= 1 && ohms <= 1e5)) return refuse(say('scaling.element-write-pt-ni', { id }));
  return { id, metal: /^pt$/i.test(sure(match[1])) ? 'Pt' : 'Ni', ohms };
}

const branch = ({ ratio, below }: Metal, t: number): readonly number[] => (t < 0 && below ? below : ratio);

/**
 * Resistance at a temperature, Ω: IEC 60751 (Callendar and Van Dusen) for platinum, DIN 43760 for nickel.
 * @param t °C, from −200 to 850 for platinum and from −60 to 250 for nickel.
 * @throws JobProblem outside that.
 */
export function ohmsOf({ metal, ohms, id }: ThermometerElement, t: number): number {
  const { min, max, source } = METALS[metal];
  if (!(t >= min - 1e-9 && t <= max + 1e-9))
    refuse(say('scaling.defined-c-c-outside', { id, min, max, source, t }));
  return ohms * polynomial(branch(METALS[metal], t), t);
}

/** Half of the last digit of the published tables of 100 Ω, as a ratio. */
const HALF_DIGIT = 0.00005 + 1e-12;

/**
 * Temperature of a resistance, °C: the same functions the other way, to better than 1 µK. Above 0 °C platinum's is
 * a square root; elsewhere Newton's iteration.
 * The ends of the published tables, which are rounded to 0.01 Ω of 100 Ω, are taken as its own ends.
 * @throws JobProblem for a resistance that the element never has.
 */
export function temperatureOf(element: ThermometerElement, ohms: number): number {
  const { metal, id } = element;
  const kind = METALS[metal];
  const asked = ohms / element.ohms;
  const [low, high] = [polynomial(branch(kind, kind.min), kind.min), polynomial(kind.ratio, kind.max)];
  if (!(asked >= low - HALF_DIGIT && asked <= high + HALF_DIGIT))
    refuse(
      say('scaling.c-outside', {
        id,
        low,
        ohms: element.ohms,
        high,
        min: kind.min,
        max: kind.max,
        ohms2: ohms,
      }),
    );
  const ratio = Math.min(Math.max(asked, low), high);
  if (metal === 'Pt' && ratio >= 1) return (-A + Math.sqrt(A * A - 4 * B * (1 - ratio))) / (2 * B);
  const from = branch(kind, ratio < 1 ? -1 : 1);
  const [a, b] = ratio < 1 ? [kind.min, 0] : [0, kind.max];
  const start = (ratio - 1) / nth(from, 1);
  return whereRising(
    ratio,
    a,
    b,
    (t) => polynomial(from, t),
    (t) => slopeOf(from, t),
    start,
  );
}

/** Ω per K at a temperature. */
export const ohmsPerKelvin = ({ metal, ohms }: ThermometerElement, t: number): number =>
  ohms * slopeOf(branch(METALS[metal], t), t);

export type ThermometerClass = 'AA' | 'A' | 'B' | 'C' | 'Ni';

/** Tolerance classes: K at 0 °C, K per K beside it, and the range in which a class holds (wire-wound elements). */
const THERMOMETER_CLASSES: Readonly<
  Record<
    ThermometerClass,
    {
      readonly fixed: number;
      readonly slope: number;
      readonly below?: number;
      readonly min: number;
      readonly max: number;
    }
  >
> = {
  AA: { fixed: 0.1, slope: 0.0017, min: -50, max: 250 },
  A: { fixed: 0.15, slope: 0.002, min: -100, max: 450 },
  B: { fixed: 0.3, slope: 0.005, min: -196, max: 600 },
  C: { fixed: 0.6, slope: 0.01, min: -196, max: 600 },
  Ni: { fixed: 0.4, slope: 0.007, below: 0.028, min: -60, max: 250 },
};

export interface Tolerance {
  /** ± so much, K. */
  readonly kelvin: number;
  /** Whether the class holds at that temperature at all. */
  readonly holds: boolean;
}

/** Tolerance of a class at a temperature, °C: IEC 60751:2008, table 3, and DIN 43760 for nickel. */
export function thermometerTolerance(name: ThermometerClass, t: number): Tolerance {
  const { fixed, slope, below, min, max } = THERMOMETER_CLASSES[name];
  return { kelvin: fixed + (t < 0 ? (below ?? slope) : slope) * Math.abs(t), holds: t >= min && t <= max };
}
