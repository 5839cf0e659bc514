type Random = () => number;

export const pick = <T>(random: Random, of: readonly T[]): T => of[Math.floor(random() * of.length)] as T;

/** Values that programs trip over, wherever a value stands. */
const ODD: readonly unknown[] = [
  null,
  '',
  ' ',
  '\0',
  'a\0b',
  '\ud800',
  '__proto__',
  'constructor',
  'toString',
  'hasOwnProperty',
  '../../etc/passwd',
  '<script>alert(1)</script>',
  "'; drop table job; --",
  '=1+1',
  'x'.repeat(70),
  'x'.repeat(5000),
  '١٢٣',
  '12,500',
  '−5',
  'NaN',
  'Infinity',
  '1e999',
  -1,
  0,
  0.5,
  65_536,
  1e308,
  Number.MAX_SAFE_INTEGER + 2,
  2 ** 31,
  2 ** 63,
  true,
  false,
  [],
  {},
  [null],
  [[]],
  { id: null },
  { __proto__: null, constructor: 1 },
  Array.from({ length: 300 }, (_, i) => i),
];

/** One of its own each time: what is put in may be changed again. */
const oddOne = (random: Random): unknown => structuredClone(pick(random, ODD));

/** A copy of some JSON with one to three places changed: an odd value, a missing key, a value of another place. */
export function mutated(random: Random, document: unknown): unknown {
  let next: unknown = structuredClone(document);
  const times = 1 + Math.floor(random() * 3);
  for (let i = 0; i < times; i++) next = changedOnce(random, next);
  return next;
}

interface Place {
  readonly holder: Record<string, unknown>;
  readonly key: string;
}

function placesIn(value: unknown, found: Place[] = []): Place[] {
  if (typeof value !== 'object' || value === null) return found;
  for (const key of Object.keys(value)) {
    found.push({ holder: value as Record<string, unknown>, key });
    placesIn((value as Record<string, unknown>)[key], found);
  }
  return found;
}

function changedOnce(random: Random, document: unknown): unknown {
  const places = placesIn(document);
  if (!places.length || random() < 0.02) return oddOne(random);
  const { holder, key } = pick(random, places);
  const way = random();
  if (way < 0.6) holder[key] = oddOne(random);
  else if (way < 0.7) Reflect.deleteProperty(holder, key);
  else if (way < 0.8) holder[pick(random, ['extra', '__proto__x', 'id', 'kind'])] = oddOne(random);
  else if (way < 0.9) {
    const other = pick(random, places);
    holder[key] = structuredClone(other.holder[other.key]);
  } else if (Array.isArray(holder[key])) {
    const rows = holder[key] as unknown[];
    holder[key] = [...rows, ...rows.slice(0, 1 + Math.floor(random() * 3))];
  } else if (typeof holder[key] === 'number')
    holder[key] = (holder[key] as number) * (random() < 0.5 ? -1 : 1e6);
  else holder[key] = String(holder[key]) + pick(random, ['\u0000', 'é', '-', '0', '"']);
  return document;
}

/** A text with some of its signs changed, doubled, cut off or put elsewhere. */
export function mutatedText(random: Random, text: string): string {
  let next = text;
  const times = 1 + Math.floor(random() * 4);
  for (let i = 0; i < times; i++) {
    const at = Math.floor(random() * next.length);
    const length = 1 + Math.floor(random() * 60);
    const way = random();
    if (way < 0.25) next = next.slice(0, at) + next.slice(at + length);
    else if (way < 0.45)
      next = next.slice(0, at) + next.slice(at, at + length).repeat(2) + next.slice(at + length);
    else if (way < 0.6) next = next.slice(0, at) + pick(random, SIGNS) + next.slice(at + 1);
    else if (way < 0.7) next = next.slice(0, at);
    else if (way < 0.85)
      next = next.replace(/\d+/g, (number, offset: number) =>
        Math.abs(offset - at) < 200 && random() < 0.3 ? pick(random, NUMBERS) : number,
      );
    else next = next.replaceAll(wordAt(next, at), pick(random, WORDS));
  }
  return next;
}

const SIGNS = [
  '"',
  '<',
  '>',
  '&',
  '/',
  '{',
  '}',
  '[',
  ']',
  ',',
  '\0',
  '\ud800',
  '\ufeff',
  'é',
  '=',
  "'",
  '\n',
];
const NUMBERS = ['-1', '0', '1e9', '99999999999999999999', '0.5', '255', '65536', '', 'x'];
const WORDS = ['', 'x', '0', '__proto__', 'constructor', 'null', 'true'];

function wordAt(text: string, at: number): string {
  const found = /[A-Za-z]{3,20}/.exec(text.slice(at, at + 80));
  return found?.[0] ?? 'nothing-of-this';
}
