import Papa from 'papaparse';
import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';

/** A list has at most so many lines and characters; more is none of ours. */
const MAX_ROWS = 50_000;
const MAX_CHARACTERS = 10_000_000;

/**
 * What a spreadsheet would take for a formula and compute: an apostrophe is put before it. A sign alone, and a number
 * with one, mean the same to it as to everybody: terminals + and − stay as they are printed.
 */
export const FORMULA = /^(?:[=@\t\r]|[+-](?![\d.,\s]*$))/;

/** A cell without the apostrophe that keeps a spreadsheet from computing it. */
export const plainCell = (cell: string): string =>
  cell.startsWith("'") && /^[=+\-@\t\r]/.test(cell.slice(1)) ? cell.slice(1) : cell;

/**
 * Reads a CSV (RFC 4180) with a row of column names first.
 * @throws JobProblem for one that is longer than any list of ours.
 */
export function readCsv(
  text: string,
  options: Omit<Papa.ParseConfig<Record<string, string>>, 'header' | 'preview' | 'worker' | 'download'> = {},
): { readonly rows: Record<string, string>[]; readonly columns: readonly string[] } {
  if (text.length > MAX_CHARACTERS) refuse(say('planning.list-too-long', { rows: MAX_ROWS }));
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    ...options,
    header: true,
    preview: MAX_ROWS + 1,
  });
  if (data.length > MAX_ROWS) refuse(say('planning.list-too-long', { rows: MAX_ROWS }));
  return { rows: data, columns: meta.fields ?? [] };
}
