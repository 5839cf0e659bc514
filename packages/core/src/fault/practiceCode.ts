import { nth } from '../lists/index.ts';
import type { FaultSort } from '../model/index.ts';

/** How hard a round is. */
export const LEVELS = ['easy', 'usual', 'hard', 'mean'] as const;
export type Level = (typeof LEVELS)[number];

/** What a round is made from: with the same job it hides the same from everybody. */
export interface RoundKey {
  readonly level: Level;
  /** Which sort of fault; any where nothing is said. */
  readonly sort: FaultSort | undefined;
  /** The number of the point in its job, from 0. */
  readonly point: number;
  readonly seed: number;
}

/** Sorts that can be hidden, in the order of their signs. */
export const HIDDEN_SORTS: readonly FaultSort[] = [
  'wire-open',
  'wire-weak',
  'wires-exchanged',
  'wire-short',
  'supply',
  'output',
  'target',
  'kind',
  'input',
  'led',
  'program',
  'setting',
  'part',
];

/** Digits and letters that are not taken for each other: no I, L, O, U. */
const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/**
 * Signs of the levels, a row for each list of faults from which rounds were made; the last is today's. With another
 * list a code would hide something else: whoever changes what can go wrong with a point, or what of it is hidden, adds a row.
 */
const LETTERS: readonly Readonly<Record<Level, string>>[] = [
  { easy: 'E', usual: 'R', hard: 'H', mean: 'M' },
  { easy: 'F', usual: 'S', hard: 'J', mean: 'N' },
  { easy: 'G', usual: 'T', hard: 'K', mean: 'P' },
];
const TODAY = nth(LETTERS, LETTERS.length - 1);

const levelIn = (letters: Readonly<Record<Level, string>>, sign: string | undefined): Level | undefined =>
  LEVELS.find((level) => letters[level] === sign);

const signs = (value: number, places: number): string =>
  Array.from({ length: places }, (_, i) => SIGNS[Math.floor(value / 32 ** (places - 1 - i)) % 32]).join('');

function numberOf(text: string): number | undefined {
  let value = 0;
  for (const sign of text) {
    const digit = SIGNS.indexOf(sign);
    if (digit < 0) return undefined;
    value = value * 32 + digit;
  }
  return value;
}

/** Greatest seed, and so many points can be told apart. */
export const MAX_SEED = 32 ** 3;
const MAX_POINTS = 32 ** 2;

/** Two signs that depend on all the others and on what the job's points are called. */
function checkOf(body: string, tags: readonly string[]): string {
  let sum = 7;
  for (const sign of `${body}|${tags.join('|')}`) sum = (sum * 131 + sign.charCodeAt(0)) % 1_000_003;
  return signs(sum % 1024, 2);
}

/** The code of a round, in three groups of three. @param tags of the job's points, in order. */
export function codeOfRound({ level, sort, point, seed }: RoundKey, tags: readonly string[]): string {
  const body = `${TODAY[level]}${signs(sort ? HIDDEN_SORTS.indexOf(sort) + 1 : 0, 1)}${signs(point % MAX_POINTS, 2)}${signs(seed % MAX_SEED, 3)}`;
  const all = body + checkOf(body, tags);
  return [all.slice(0, 3), all.slice(3, 6), all.slice(6)].join('-');
}

/**
 * What a code says; nothing where it is none, or of a job with other points. Case, blanks and dashes do not matter.
 * @returns `older` for one of a list of faults that was another.
 */
export function roundOfCode(code: string, tags: readonly string[]): RoundKey | 'older' | undefined {
  const text = code
    .toUpperCase()
    .replace(/[^0-9A-Z]/g, '')
    .replace(/O/g, '0')
    .replace(/[IL]/g, '1');
  const [body, check] = [text.slice(0, 7), text.slice(7)];
  const [kind, point, seed] = [
    numberOf(body.slice(1, 2)),
    numberOf(body.slice(2, 4)),
    numberOf(body.slice(4)),
  ];
  if (text.length !== 9 || kind === undefined || point === undefined || seed === undefined) return undefined;
  if (check !== checkOf(body, tags) || point >= tags.length || kind > HIDDEN_SORTS.length) return undefined;
  const level = levelIn(TODAY, body[0]);
  if (!level) return LETTERS.some((letters) => levelIn(letters, body[0])) ? 'older' : undefined;
  return { level, sort: HIDDEN_SORTS[kind - 1], point, seed };
}
