/** Units by dimension, each with its factor to the first, which is the SI unit that the core computes in. */
export const UNITS = {
  volts: { V: 1, mV: 1e-3, kV: 1e3 },
  amps: { A: 1, mA: 1e-3, µA: 1e-6, uA: 1e-6 },
  ohms: { Ω: 1, ohm: 1, kΩ: 1e3, kohm: 1e3, MΩ: 1e6, Mohm: 1e6 },
  metres: { m: 1, mm: 1e-3, cm: 1e-2, km: 1e3, in: 0.0254, ft: 0.3048 },
  squareMillimetres: { 'mm²': 1, mm2: 1 },
  percent: { '%': 1 },
} as const;

export type Dimension = keyof typeof UNITS;

export type Parsed =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly problem: string };

const NUMBER = String.raw`[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?`;
const PATTERN = new RegExp(
  String.raw`^\s*(?:(\d+)\s+)?(${NUMBER})(?:\s*/\s*(\d+))?\s*([^\d\s].*?)?\s*$`,
  'i',
);

/**
 * Reads a number as a technician types it: `24.1`, `24,1 V`, `6.6 mA`, `3/4 in`, `1 1/2 in`.
 * @param defaultUnit what a bare number counts in.
 * @returns the value in the dimension's first unit, or a sentence that says what is wrong and what is allowed.
 */
export function parseQuantity(text: string, dimension: Dimension, defaultUnit: string): Parsed {
  const units: Readonly<Record<string, number>> = UNITS[dimension];
  if (text.trim() === '') return { ok: false, problem: `Enter a number in ${defaultUnit}.` };
  const match = PATTERN.exec(text.replace('−', '-').replace('μ', 'µ'));
  if (!match)
    return { ok: false, problem: `“${text.trim()}” is not a number. Enter one such as 24.1 ${defaultUnit}.` };
  const [, whole, digits, divisor, unitText] = match;
  if (whole !== undefined && divisor === undefined)
    return { ok: false, problem: `“${text.trim()}” holds two numbers. Enter one, with point or comma.` };
  if (divisor !== undefined && Number(divisor) === 0)
    return { ok: false, problem: 'A fraction cannot divide by 0.' };
  const unit = unitText ?? defaultUnit;
  const factor =
    units[unit] ?? units[Object.keys(units).find((u) => u.toLowerCase() === unit.toLowerCase()) ?? ''];
  if (factor === undefined)
    return { ok: false, problem: `“${unit}” does not fit here. Use ${Object.keys(units).join(', ')}.` };
  const number = Number(digits!.replace(',', '.')) / (divisor === undefined ? 1 : Number(divisor));
  const value = (Number(whole ?? 0) + number) * factor;
  if (!Number.isFinite(value)) return { ok: false, problem: `“${text.trim()}” is too large.` };
  return { ok: true, value };
}

/** Between a number and its unit, so that they never part at a line's end. */
const JOINED = '\u00a0';

/** Volts with the digits that a meter at the panel gives: `24.1 V`, `0.12 V`. */
export function formatVolts(volts: number): string {
  return `${fixed(volts, 1)}${JOINED}V`;
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

/** Fixed digits without a negative zero; a true minus sign before negative values. */
export function fixed(value: number, digits: number): string {
  const text = value.toFixed(digits);
  if (Number(text) === 0) return text.replace('-', '');
  return text.replace('-', '−');
}
