import { parametersOf } from '../job/index.ts';
import { COLLECTION_NAMES, splitRef } from '../model/index.ts';
import type { JobContent, Point, Wire } from '../model/index.ts';
import { isShared, namedIn } from './sections.ts';

/**
 * A section in which names say nothing: the ids, tags and names of its rows, and where its modules begin in the image,
 * are replaced by stand-ins, in the order of what they replace. Sections that differ in nothing else are the same
 * circuit with the same settings, and become the same.
 */
export interface Nameless {
  readonly section: JobContent;
  /** What stands for the id of a row. */
  readonly standIn: (id: string) => string;
  /** What was worked out of the nameless section, as plain data, with the names of the one that it was made of. */
  readonly withNames: <T>(value: T) => T;
}

/** Stand-ins for ids and for words are signs of the private use area of ISO/IEC 10646: nobody types them. */
const IDS = { from: 0xe000, to: 0xebff };
const WORDS = { from: 0xec00, to: 0xf8ff };
/** Stand-ins for first bytes are beyond any image, so far apart that the bytes of one module do not reach the next. */
const BYTES = 1_000_000;
/** A sign, or the byte of an address (`addressOf`) that is beyond any image. */
const STANDS_IN = /[\ue000-\uf8ff]|(?<=%[IQ][XWD])\d{7,}/g;
const HOLDS = new RegExp(STANDS_IN.source);

/** A part that is added to a point is named after its tag, cut at this length: a longer tag is kept, and tells sections apart. */
const LONGEST = 20;

const natural = new Intl.Collator('en', { numeric: true });

/** Whether a text holds what stands for a name here: then nothing in it can be told from a stand-in. */
export const holdsStandIns = (text: string): boolean => HOLDS.test(text);

/**
 * @returns nothing where a name says something after all: where other rows name these, where the name of one stands
 * anywhere else, or where a part is to be told its own tag.
 */
export function nameless(section: JobContent): Nameless | undefined {
  const { modules, devices, points, wires } = section;
  const parts = [...modules, ...devices];
  const titles = [...parts, ...points].map(({ tag }) => tag);
  titles.push(...points.flatMap(({ name, area = '' }) => [name, area]));
  titles.push(...wires.map(({ cable = '' }) => cable));
  const numbers = wires.map(({ number }) => number);
  const ids = standIns([...parts, ...points, ...wires].map(({ id }) => id).sort(), IDS);
  const cut = new Set(points.flatMap(({ tag }) => (tag.length > LONGEST ? [tag] : [])));
  const said = new Set([...titles, ...numbers].filter((word) => word !== '' && !cut.has(word)));
  const words = standIns([...said].sort(natural.compare), WORDS);
  if (!ids || !words) return undefined;
  const bytes = [...new Set(modules.map(({ firstByte }) => firstByte))].sort((a, b) => a - b);
  const made = { ...section, ...rowsWith(section, ids, words, bytes) };
  const known = new Set([...ids.keys(), ...titles.filter((title) => words.has(title))]);
  const own = COLLECTION_NAMES.filter((name) => !isShared(name)).map((name) => made[name]);
  if (namedIn(own, known).length) return undefined;
  if (parts.some(({ id }) => parametersOf(section, id).some(({ from }) => from === 'tag'))) return undefined;
  const names = new Map([...ids, ...words].map(([name, sign]) => [sign, name]));
  const byteOf = (stand: number): number => (bytes[Math.floor(stand / BYTES) - 1] ?? 0) + (stand % BYTES);
  const back = (text: string): string =>
    HOLDS.test(text)
      ? text.replace(STANDS_IN, (found) => names.get(found) ?? String(byteOf(Number(found))))
      : text;
  return {
    section: made,
    standIn: (id) => ids.get(id) ?? id,
    withNames: <T>(value: T) => mapped(value, back) as T,
  };
}

/** A sign for each name, in the order of the names; nothing where there are not enough. */
function standIns(
  sorted: readonly string[],
  { from, to }: { readonly from: number; readonly to: number },
): ReadonlyMap<string, string> | undefined {
  const found = new Map<string, string>();
  for (const name of sorted) if (!found.has(name)) found.set(name, String.fromCharCode(from + found.size));
  return from + found.size - 1 <= to ? found : undefined;
}

type Names = ReadonlyMap<string, string>;
type Rows = Pick<JobContent, 'modules' | 'devices' | 'points' | 'wires'>;

function rowsWith(
  { modules, devices, points, wires }: Rows,
  ids: Names,
  words: Names,
  bytes: readonly number[],
): Rows {
  const id = (name: string): string => ids.get(name) ?? name;
  const word = (name: string): string => words.get(name) ?? name;
  const label = (row: { readonly id: string; readonly tag: string }) => ({
    id: id(row.id),
    tag: word(row.tag),
  });
  return {
    modules: modules.map((row) => ({
      ...row,
      ...label(row),
      firstByte: BYTES * (bytes.indexOf(row.firstByte) + 1),
    })),
    devices: devices.map((row) => ({ ...row, ...label(row) })),
    points: points.map((row) => ({ ...row, ...label(row), ...pointWith(row, id, word) })),
    wires: wires.map((row) => ({ ...row, ...wireWith(row, id, word) })),
  };
}

type Change = (name: string) => string;

const pointWith = (
  { name, area, deviceId, helperIds, stops, program }: Point,
  id: Change,
  word: Change,
): Partial<Point> => ({
  name: word(name),
  deviceId: id(deviceId),
  ...(area !== undefined && { area: word(area) }),
  ...(helperIds && { helperIds: helperIds.map(id) }),
  ...(stops && { stops: stops.map(id) }),
  ...(program && {
    program: {
      ...program,
      of: program.of.map((input) => ({ ...input, pointId: id(input.pointId) })),
      ...(program.until !== undefined && { until: id(program.until) }),
    },
  }),
});

function wireWith(row: Wire, id: Change, word: Change): Partial<Wire> {
  const { number, cable, asFound } = row;
  const ref = (end: string): string => {
    const { item, terminal } = splitRef(end);
    return `${id(item)}:${terminal}`;
  };
  return {
    id: id(row.id),
    number: word(number),
    from: ref(row.from),
    to: ref(row.to),
    ...(cable !== undefined && { cable: word(cable) }),
    ...(asFound && {
      asFound: {
        ...asFound,
        ...(asFound.from !== undefined && { from: ref(asFound.from) }),
        ...(asFound.to !== undefined && { to: ref(asFound.to) }),
      },
    }),
  };
}

/** A value with each text in it as `change` makes it, also those by which its parts are named; itself where none changes. */
function mapped(value: unknown, change: Change): unknown {
  if (typeof value === 'string') return change(value);
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) {
    const made = value.map((part) => mapped(part, change));
    return made.some((part, i) => part !== value[i]) ? made : value;
  }
  const parts = Object.entries(value);
  const made = parts.map(([key, part]) => [change(key), mapped(part, change)] as const);
  const isSame = made.every(([key, part], i) => key === parts[i]?.[0] && part === parts[i][1]);
  return isSame ? value : Object.fromEntries(made);
}
