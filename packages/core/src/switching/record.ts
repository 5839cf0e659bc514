import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import type { Signal } from './signal.ts';

/** A record has at most so many lines. */
const MAX_LINES = 20_000;

/**
 * Reads a record of a value: one line a reading, its moment in s and the value, between them a semicolon, a tab, a comma
 * or blanks. A head is passed over.
 * @throws JobProblem for a line that is none, a time that goes back, or fewer than two readings.
 */
export function readRecord(text: string): Signal {
  const lines = text.split(/\r?\n/).map((line) => line.trim());
  const filled = lines.flatMap((line, i) => (line ? [{ line, n: i + 1 }] : []));
  if (filled.length > MAX_LINES) refuse(say('switching.record-too-long', { lines: MAX_LINES }));
  const rows = filled.flatMap(({ line, n }, i) => {
    const [at = NaN, value = NaN] = cellsOf(line).map(numberOf);
    if (Number.isFinite(at) && Number.isFinite(value)) return [{ at, value, n }];
    if (i === 0) return [];
    return refuse(say('switching.record-line', { n }));
  });
  if (rows.length < 2) refuse(say('switching.two-readings'));
  const back = rows.find(({ at }, i) => i > 0 && at < (rows[i - 1]?.at ?? 0));
  if (back) refuse(say('switching.record-goes-back', { n: back.n }));
  const from = rows[0]?.at ?? 0;
  return { at: rows.map(({ at }) => at - from), values: rows.map(({ value }) => value) };
}

/** A number with a point or, where a comma does not part cells, with a comma; NaN for anything else. */
const numberOf = (cell: string): number =>
  cell === '' ? NaN : Number(cell.replace(/^([-+]?\d+),(\d+)$/, '$1.$2'));

/** The cells of a line: a comma parts them only where nothing else does. */
function cellsOf(line: string): string[] {
  const by = /[;\t]/.test(line) ? /[;\t]/ : /\s/.test(line) ? /\s+/ : /,/;
  return line.split(by).map((cell) => cell.trim().replace(/,$/, ''));
}
