import type { RawFormat } from '../model/index.ts';

const share = (
  id: string,
  name: string,
  low: number,
  high: number,
  rest: Partial<RawFormat> = {},
): RawFormat => ({
  id,
  name,
  kind: 'share',
  low,
  high,
  min: low,
  max: high,
  step: 1,
  bothSides: false,
  ...rest,
});

const bits = (n: number): RawFormat => share(`b${n}`, `${n} bit, 0 to ${2 ** n - 1}`, 0, 2 ** n - 1);

const perUnit = (id: string, name: string, counts: number, min: number, max: number): RawFormat => ({
  id,
  name,
  kind: 'unit',
  low: 0,
  high: counts,
  min,
  max,
  step: 1,
  bothSides: false,
});

/** How converters write what they measure: as data, so that another one is a line. */
export const RAW_FORMATS: readonly RawFormat[] = [
  share('27648', '0 to 27648, over-range to 32511', 0, 27648, { min: -4864, max: 32511 }),
  share('pm27648', '−27648 to 27648, over-range to ±32511', -27648, 27648, {
    min: -32511,
    max: 32511,
    bothSides: true,
  }),
  share('32767', '0 to 32767', 0, 32767),
  share('pm32767', '−32767 to 32767', -32767, 32767, { bothSides: true }),
  share('65535', '0 to 65535', 0, 65535),
  share('4000', '0 to 4000, over-range to 4095', 0, 4000, { max: 4095 }),
  ...[10, 12, 14, 16, 18, 20, 22, 24].map(bits),
  share('12left', '12 bit, left in 16: 0 to 32752 by 8', 0, 32752, { step: 8 }),
  perUnit('micro', 'µA or mV: 1000 for each mA or V', 1000, 0, 25000),
  perUnit('tenth', 'tenths of a unit, such as 0.1 °C', 10, -32768, 32767),
  perUnit('hundredth', 'hundredths of a unit, such as 0.01 °C', 100, -32768, 32767),
  share('pct10', 'per cent of a drive: 0 to 1000', 0, 1000, { min: -1100, max: 1100 }),
  share('pct100', 'per cent of a drive: 0 to 10000', 0, 10000, { min: -20000, max: 20000 }),
  share('pct4000h', 'per cent of a drive: 16384 is 100 %', 0, 16384, { min: -32768, max: 32767 }),
];

export const findRawFormat = (id: string | undefined): RawFormat | undefined =>
  RAW_FORMATS.find((format) => format.id === id);

/** The range that a format's counts stand for, in the unit that the converter measures. */
export interface ConverterRange {
  readonly low: number;
  readonly high: number;
  /** `removed`: the counts at the bottom stand for `low`. `included`: they stand for no signal at all. */
  readonly zero: 'removed' | 'included';
}

/** Value at a format's bottom counts and the value that one count stands for. */
function lineOf(
  format: RawFormat,
  { low, high, zero }: ConverterRange,
): { bottom: number; perCount: number } {
  if (format.kind === 'unit') return { bottom: 0, perCount: 1 / format.high };
  const bottom = format.bothSides ? -high : zero === 'included' ? 0 : low;
  return { bottom, perCount: (high - bottom) / (format.high - format.low) };
}

export interface Counts {
  readonly counts: number;
  /** The converter stops there: what it should have written lies beyond. */
  readonly stopped?: 'min' | 'max';
}

/** Counts for a value as they would be without steps and ends. */
export function exactCounts(format: RawFormat, range: ConverterRange, value: number): number {
  const { bottom, perCount } = lineOf(format, range);
  return (format.kind === 'unit' ? 0 : format.low) + (value - bottom) / perCount;
}

/** Counts for a value, rounded to the nearest that the converter uses, and stopped at its ends. */
export function countsOf(format: RawFormat, range: ConverterRange, value: number): Counts {
  const exact = exactCounts(format, range, value);
  // Adding 0 turns a negative zero into a plain one.
  const counts = Math.round(exact / format.step) * format.step + 0;
  if (!(counts >= format.min)) return { counts: format.min, stopped: 'min' };
  return counts > format.max ? { counts: format.max, stopped: 'max' } : { counts };
}

/** The value in the middle of what a number of counts stands for. */
export function valueOfCounts(format: RawFormat, range: ConverterRange, counts: number): number {
  const { bottom, perCount } = lineOf(format, range);
  return bottom + (counts - (format.kind === 'unit' ? 0 : format.low)) * perCount;
}

/** From one value of the converter to the next, in its unit. */
export const resolutionOf = (format: RawFormat, range: ConverterRange): number =>
  Math.abs(lineOf(format, range).perCount) * format.step;

/** Bits that a format's counts need in the controller, and whether they need a sign. */
export function widthOf({ min, max }: RawFormat): { bits: 16 | 32; signed: boolean } {
  const signed = min < 0;
  return { bits: signed ? (min >= -32768 && max <= 32767 ? 16 : 32) : max <= 65535 ? 16 : 32, signed };
}
