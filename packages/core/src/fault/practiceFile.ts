import Papa from 'papaparse';
import { FORMULA } from '../planning/index.ts';
import type { Level } from './practiceCode.ts';

/** How a round went. */
export interface RoundResult {
  readonly code: string;
  readonly level: Level;
  readonly by: string;
  readonly tag: string;
  /** Which sort of fault it was; of two the first. */
  readonly sort: string;
  readonly found: boolean;
  /** Why it ended early; nothing where it was answered. */
  readonly over: string;
  readonly looks: number;
  readonly seconds: number;
  /** When it was answered, ISO 8601. */
  readonly at: string;
}

/** Rounds as CSV (RFC 4180), a line each; nothing in it is taken for a formula. */
export const writeRounds = (rows: readonly RoundResult[]): string =>
  `${Papa.unparse(
    {
      fields: ['round', 'level', 'by', 'point', 'fault', 'found', 'looks', 'seconds', 'ended', 'at'],
      data: rows.map(({ code, level, by, tag, sort, found, looks, seconds, over, at }) => [
        code,
        level,
        by,
        tag,
        sort,
        found ? 'yes' : 'no',
        looks,
        Math.round(seconds),
        over,
        at,
      ]),
    },
    { escapeFormulae: FORMULA },
  )}\r\n`;

/** How often each sort was hidden and found, by the sort. */
export function progressBySort(rows: readonly RoundResult[]): { sort: string; found: number; of: number }[] {
  const sorts = new Map<string, { sort: string; found: number; of: number }>();
  for (const { sort, found } of rows) {
    const own = sorts.get(sort) ?? { sort, found: 0, of: 0 };
    sorts.set(sort, { sort, found: own.found + (found ? 1 : 0), of: own.of + 1 });
  }
  return [...sorts.values()].sort((a, b) => a.found / a.of - b.found / b.of);
}
