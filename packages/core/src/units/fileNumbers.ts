import { KEPT_STYLE, readStated, writtenIn } from './number.ts';
import type { NumberStyle } from './number.ts';

/** How a file names the style of its numbers, in each of its rows. */
const NAMES: Readonly<Record<NumberStyle, string>> = { point: 'decimal point', comma: 'decimal comma' };

/** What parts the cells of a CSV in a style: a comma cannot where it is in the numbers. */
const DELIMITERS: Readonly<Record<NumberStyle, string>> = { point: ',', comma: ';' };

/** How a file with numbers in a style is written: what it says of itself, its delimiter, and its numbers from kept ones. */
export const fileStyle = (style: NumberStyle = KEPT_STYLE) => ({
  name: NAMES[style],
  delimiter: DELIMITERS[style],
  number: (kept: string): string => writtenIn(kept, style),
});

/**
 * A number's cell of a file as it is kept, by the style that its row states. Where none is stated, or the cell holds
 * more than a number, it is left as it stands, for whoever reads it to ask.
 */
export function keptCell(cell: string, stated: string | undefined): string {
  const style = (Object.keys(NAMES) as NumberStyle[]).find((s) => NAMES[s] === stated?.trim().toLowerCase());
  const value = style && readStated(cell, style);
  return value === undefined ? cell : String(value);
}
