import { own, sure } from '../lists/index.ts';
import { bareNumber, KEPT_STYLE, NUMBER_PATTERN, readingsOf, valueOf } from './number.ts';
import type { NumberStyle } from './number.ts';

/** How a unit becomes the first of its dimension: times a factor, then plus an offset where its zero lies elsewhere. */
type UnitStep = number | readonly [factor: number, offset: number];

const FOOT = 0.3048;
const GALLON = 231 * 0.0254 ** 3;
/** m/s²; conventional columns of water and mercury weigh with it (ISO 80000-4, NIST SP 811, appendix B). */
const STANDARD_GRAVITY = 9.80665;
const POUND_FORCE = 0.45359237 * STANDARD_GRAVITY;
const PSI = POUND_FORCE / 0.0254 ** 2 / 1e5;

/**
 * Units by dimension, each with its factor to the first, in which the core computes. The inch, pound, US gallon and
 * standard acceleration are exact by definition (ISO 80000, NIST SP 811, appendix B).
 */
export const UNITS = {
  volts: { V: 1, mV: 1e-3, kV: 1e3 },
  amps: { A: 1, mA: 1e-3, µA: 1e-6, uA: 1e-6 },
  ohms: { Ω: 1, ohm: 1, mΩ: 1e-3, mohm: 1e-3, kΩ: 1e3, kohm: 1e3, MΩ: 1e6, Mohm: 1e6 },
  metres: { m: 1, mm: 1e-3, cm: 1e-2, km: 1e3, in: 0.0254, ft: FOOT },
  squareMillimetres: { 'mm²': 1, mm2: 1 },
  percent: { '%': 1 },
  seconds: { s: 1, ms: 1e-3, µs: 1e-6, min: 60, h: 3600 },
  hertz: { Hz: 1, kHz: 1e3 },
  rotation: { '1/min': 1, rpm: 1 },
  baud: { baud: 1 },
  flow: {
    'm³/h': 1,
    'm3/h': 1,
    'l/h': 1e-3,
    'l/min': 0.06,
    'l/s': 3.6,
    'm³/min': 60,
    'gal/min': GALLON * 60,
    gpm: GALLON * 60,
    cfm: FOOT ** 3 * 60,
    'ft³/min': FOOT ** 3 * 60,
  },
  speed: { 'm/s': 1, 'cm/s': 0.01, 'ft/s': FOOT },
  volume: { l: 1, ml: 1e-3, 'm³': 1000, m3: 1000, gal: GALLON * 1000 },
  pressure: {
    bar: 1,
    mbar: 1e-3,
    Pa: 1e-5,
    kPa: 0.01,
    MPa: 10,
    psi: PSI,
    atm: 1.01325,
    'kg/cm²': STANDARD_GRAVITY / 10,
    'kg/cm2': STANDARD_GRAVITY / 10,
    'mm H2O': STANDARD_GRAVITY * 1e-5,
    'in H2O': STANDARD_GRAVITY * 25.4e-5,
    'in Hg': 13.5951 * STANDARD_GRAVITY * 25.4e-5,
  },
  force: { N: 1, kN: 1e3, kgf: STANDARD_GRAVITY, lbf: POUND_FORCE, klbf: POUND_FORCE * 1e3 },
  temperature: { '°C': 1, C: 1, K: [1, -273.15], '°F': [5 / 9, -160 / 9], F: [5 / 9, -160 / 9] },
  density: { 'kg/m³': 1, 'kg/m3': 1, 'g/cm³': 1000, 'kg/l': 1000, 'lb/ft³': 0.45359237 / FOOT ** 3 },
  mass: { kg: 1, g: 1e-3, t: 1000, lb: 0.45359237 },
  concentration: { 'mg/l': 1, 'µg/l': 1e-3, 'g/l': 1000 },
} as const satisfies Record<string, Record<string, UnitStep>>;

export type Dimension = keyof typeof UNITS;

/** Why a number was not read: a code of the messages with its parameters. */
interface Unread {
  readonly code: `quantity.${string}`;
  readonly values: Readonly<Record<string, string | readonly string[]>>;
}

export type Parsed =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly problem: Unread };

const PATTERN = new RegExp(
  String.raw`^\s*(?:(\d+)\s+)?([+-]?(?:${NUMBER_PATTERN}))(?:\s*/\s*(\d+))?\s*([^\d\s].*?)?\s*$`,
  'i',
);

const unread = (code: Unread['code'], values: Unread['values']): Unread => ({ code, values });

const FRACTIONS: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
};

/** The same as it is typed on any keyboard: one minus, one micro, fractions in digits, inches by their letters. */
const plainSpelling = (text: string): string =>
  bareNumber(text)
    .replace('μ', 'µ')
    .replace(/\s*([½¼¾⅛⅜])/, (_, sign: string) => ` ${FRACTIONS[sign] ?? sign}`)
    .replace(/\s*(?:"|″|'')\s*$/, ' in')
    // Turns a minute begin like a fraction.
    .replace(/\s1\/min\s*$/i, ' rpm')
    .trim();

/** No temperature is lower, °C. */
const ABSOLUTE_ZERO = -273.15;

/** Whether a value in a unit can be at all: no temperature is below absolute zero. Units of other kinds are let be. */
export const canBe = (value: number, unit: string): boolean =>
  (dimensionOf(unit) === 'temperature' ? (convert(value, unit, '°C') ?? 0) : 0) >= ABSOLUTE_ZERO - 1e-9;

/**
 * Reads a number as a technician types it: `24.1`, `24,1 V`, `6.6 mA`, `3/4 in`, `1 1/2 in`.
 * @param defaultUnit what a bare number counts in.
 * @param style how the job writes numbers.
 * @returns the value in the dimension's first unit, or a sentence that says what is wrong and what is allowed.
 */
export function parseQuantity(
  text: string,
  dimension: Dimension,
  defaultUnit: string,
  style: NumberStyle = KEPT_STYLE,
): Parsed {
  const read = readQuantity(text, dimension, defaultUnit, style);
  return read.ok ? { ok: true, value: read.value } : read;
}

/**
 * The question that a number with two readings puts; nothing where it has one.
 * @param told as it is repeated in the question.
 */
export function inDoubt(
  text: string,
  style: NumberStyle = KEPT_STYLE,
  told = text,
): (Unread & { code: 'quantity.thousands' }) | undefined {
  const readings = readingsOf(text, style);
  if (!readings) return undefined;
  const [small, large] = readings;
  return { code: 'quantity.thousands', values: { text: told.trim(), small, large } };
}

type Read =
  | { readonly ok: true; readonly value: number; readonly number: number; readonly step: UnitStep }
  | Extract<Parsed, { readonly ok: false }>;

/** The same with the number as it was typed, and how its unit becomes the first. */
function readQuantity(text: string, dimension: Dimension, defaultUnit: string, style: NumberStyle): Read {
  const units: Readonly<Record<string, UnitStep>> = UNITS[dimension];
  if (text.trim() === '') return { ok: false, problem: unread('quantity.missing', { unit: defaultUnit }) };
  const match = PATTERN.exec(plainSpelling(text));
  if (!match)
    return { ok: false, problem: unread('quantity.no-number', { text: text.trim(), unit: defaultUnit }) };
  const [, whole, digits, divisor, unitText] = match;
  if (whole !== undefined && divisor === undefined)
    return { ok: false, problem: unread('quantity.two-numbers', { text: text.trim() }) };
  if (divisor !== undefined && Number(divisor) === 0)
    return { ok: false, problem: unread('quantity.divided-by-zero', {}) };
  const doubt = inDoubt(sure(digits), style, text);
  if (doubt) return { ok: false, problem: doubt };
  const unit = unitText ?? defaultUnit;
  const step = own(units, unit) ?? units[Object.keys(units).find((known) => isSpelt(known, unit)) ?? ''];
  if (step === undefined)
    return { ok: false, problem: unread('quantity.unit', { unit, units: Object.keys(units) }) };
  const fraction = valueOf(sure(digits)) / (divisor === undefined ? 1 : Number(divisor));
  const number = Number(whole ?? 0) + fraction;
  const value = toFirst(number, step);
  if (!Number.isFinite(value))
    return { ok: false, problem: unread('quantity.too-large', { text: text.trim() }) };
  if (dimension === 'temperature' && value < ABSOLUTE_ZERO - 1e-9)
    return { ok: false, problem: unread('quantity.below-absolute-zero', { text: text.trim() }) };
  return { ok: true, value, number, step };
}

/** Whether a unit is another one in small or capital letters; milli and mega are told apart by theirs alone. */
const isSpelt = (known: string, unit: string): boolean =>
  known.toLowerCase() === unit.toLowerCase() && (!/^m/i.test(known) || known.charAt(0) === unit.charAt(0));

const toFirst = (value: number, step: UnitStep): number =>
  typeof step === 'number' ? value * step : value * step[0] + step[1];

const fromFirst = (value: number, step: UnitStep): number =>
  typeof step === 'number' ? value / step : (value - step[1]) / step[0];

const stepOf = (dimension: Dimension, unit: string): UnitStep | undefined =>
  own<UnitStep>(UNITS[dimension], unit);

/** The dimension that a unit belongs to, if it is known here. */
export const dimensionOf = (unit: string): Dimension | undefined =>
  (Object.keys(UNITS) as Dimension[]).find((dimension) => stepOf(dimension, unit) !== undefined);

/** A value in another unit of its dimension; nothing where the two do not belong together. */
export function convert(value: number, from: string, to: string): number | undefined {
  if (from === to) return value;
  const dimension = dimensionOf(from);
  const [a, b] = dimension ? [stepOf(dimension, from), stepOf(dimension, to)] : [];
  return a === undefined || b === undefined ? undefined : fromFirst(toFirst(value, a), b);
}

/** A number as typed, bare or with a unit that belongs to this one, in this one; NaN where it is none. */
export function numberIn(text: string, unit: string, style: NumberStyle = KEPT_STYLE): number {
  const read = parseIn(text, unit, style);
  return read.ok ? read.value : NaN;
}

/** Whether two units are one in another spelling: `gpm` and `gal/min`, `m3/h` and `m³/h`. */
export function isSameUnit(a: string, b: string): boolean {
  const [zero, one] = [convert(0, a, b), convert(1, a, b)];
  return zero !== undefined && one !== undefined && Math.abs(zero) < 1e-9 && Math.abs(one - 1) < 1e-9;
}

/**
 * Reads a number as typed in any unit of a unit's dimension, and gives it in that unit: `3 in` for mm is 76.2.
 * A unit that is not known here takes bare numbers only.
 * @param style how the job writes numbers, which tells what needs to be asked.
 */
export function parseIn(text: string, unit: string, style: NumberStyle = KEPT_STYLE): Parsed {
  const dimension = dimensionOf(unit);
  if (dimension) {
    const read = readQuantity(text, dimension, unit, style);
    const step = sure(stepOf(dimension, unit));
    if (!read.ok) return read;
    // What is typed in the unit itself stays as it is, to the last digit.
    return { ok: true, value: read.step === step ? read.number : fromFirst(read.value, step) };
  }
  const bare = unit && text.trim().endsWith(unit) ? text.trim().slice(0, -unit.length) : text;
  const read = parseQuantity(bare, 'percent', '%', style);
  // What is wrong with the number itself is told as that; units of per cent belong to no bare number.
  if (read.ok || !['quantity.unit', 'quantity.no-number', 'quantity.missing'].includes(read.problem.code))
    return read;
  return {
    ok: false,
    problem:
      bare.trim() === ''
        ? unread('quantity.missing', { unit })
        : unread('quantity.no-number', { text: text.trim(), unit }),
  };
}

/** A number as one writes it into a menu: at most so many significant digits, no zeros at the end. */
export const plain = (value: number, digits = 6): string => String(Number(value.toPrecision(digits)));

/** The same as it is shown to people: with a true minus sign, which is read back too. */
export const written = (value: number, digits = 6): string => plain(value, digits).replace(/^-/, '−');

/** Between a number and its unit, so that they never part at a line's end. */
const JOINED = '\u00a0';

/** Volts with the digits that a meter at the panel gives: `24.1 V`, `0.12 V`. */
export function formatVolts(volts: number): string {
  return `${fixed(volts, 1)}${JOINED}V`;
}

/** Below this a meter shows millivolts; below the other, nothing but noise. */
const FINE_VOLTS = 0.1;
const NOISE_VOLTS = 2e-6;

const isFine = (volts: number): boolean => Math.abs(volts) < FINE_VOLTS && Math.abs(volts) >= NOISE_VOLTS;
const milli = (volts: number): string => fixed(volts * 1000, Math.abs(volts) < 0.01 ? 2 : 1);

/** Volts as a meter that chooses its range shows them: `24.1 V`, `23.5 mV`, `4.28 mV`. */
export const formatFineVolts = (volts: number): string =>
  isFine(volts) ? `${milli(volts)}${JOINED}mV` : formatVolts(volts);

/** A band of volts as such a meter shows it: `4.21 to 4.35 mV`. */
export function formatFineBand(min: number, max: number): string {
  if (Math.max(Math.abs(min), Math.abs(max)) >= FINE_VOLTS || !(isFine(min) || isFine(max)))
    return formatVoltBand(min, max);
  const [low, high] = [milli(min), milli(max)];
  return low === high ? `${low}${JOINED}mV` : `${low} to ${high}${JOINED}mV`;
}

/** Milliamperes from amperes: `6.6 mA`, below 0.1 mA with two digits. */
export function formatMilliamps(amps: number): string {
  const milli = amps * 1000;
  return `${fixed(milli, Math.abs(milli) < 0.1 && Math.abs(milli) >= 0.005 ? 2 : 1)}${JOINED}mA`;
}

/** A band of volts: `0.3 to 2.0 V`. */
export function formatVoltBand(min: number, max: number): string {
  const [low, high] = [fixed(min, 1), fixed(max, 1)];
  return low === high ? `${low}${JOINED}V` : `${low} to ${high}${JOINED}V`;
}

/** Digits after the point that tell a thousandth of a span apart, at most four. */
export const digitsForSpan = (span: number): number =>
  span === 0 ? 0 : Math.min(4, Math.max(0, Math.ceil(-Math.log10(Math.abs(span) / 1000))));

/** Fixed digits without a negative zero; a true minus sign before negative values. */
export function fixed(value: number, digits: number): string {
  const text = value.toFixed(digits);
  if (Number(text) === 0) return text.replace('-', '');
  return text.replace('-', '−');
}

/** `250 Ω`, `4.7 kΩ`. */
export function formatOhms(ohms: number): string {
  if (ohms < 1000) return `${Number(ohms.toPrecision(3))}\u00a0Ω`;
  if (ohms < 1e6) return `${Number((ohms / 1000).toPrecision(3))}\u00a0kΩ`;
  return `${Number((ohms / 1e6).toPrecision(3))}\u00a0MΩ`;
}

/** The words with a small first letter, unless they begin with an abbreviation. */
export const lowerFirst = (words: string): string =>
  /^[A-Z][a-z]/.test(words) ? words.charAt(0).toLowerCase() + words.slice(1) : words;

/** A number with its unit, as many digits as make sense. */
export const withUnit = (value: number, unit: string, digits = 5): string =>
  `${written(value, digits)}${unit ? `${JOINED}${unit}` : ''}`;
