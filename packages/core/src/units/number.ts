const NUMBER = /^[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?$/i;

/** A comma before exactly three digits, which half the world reads as a thousand. */
const THOUSAND = /^[+-]?[1-9]\d{0,2},\d{3}$/;

/** As it is typed, with one kind of minus and no spaces around it. */
const bare = (text: string): string => text.trim().replace('−', '-');

/** Both readings of a number whose comma may part thousands: `12,500` is 12.5 or 12500; nothing where there is one. */
export function readingsOf(text: string): readonly [small: string, large: string] | undefined {
  const trimmed = bare(text);
  if (!THOUSAND.test(trimmed)) return undefined;
  return [String(Number(trimmed.replace(',', '.'))), trimmed.replace(',', '')];
}

/**
 * Reads a number without a unit as it is typed: point or comma, either minus, spaces around it.
 * @returns NaN where there is none, one too large to be kept, or one that can be read in two ways.
 */
export function readNumber(text: string): number {
  const trimmed = bare(text);
  if (!NUMBER.test(trimmed) || THOUSAND.test(trimmed)) return Number.NaN;
  const value = Number(trimmed.replace(',', '.'));
  return Number.isFinite(value) ? value : Number.NaN;
}
