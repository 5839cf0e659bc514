const NUMBER = /^[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?$/i;

/**
 * Reads a number without a unit as it is typed: point or comma, either minus, spaces around it.
 * @returns NaN where there is none, or one too large to be kept.
 */
export function readNumber(text: string): number {
  const trimmed = text.trim().replace('−', '-');
  const value = NUMBER.test(trimmed) ? Number(trimmed.replace(',', '.')) : Number.NaN;
  return Number.isFinite(value) ? value : Number.NaN;
}
