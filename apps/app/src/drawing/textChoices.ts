import { textOf } from '@keypost/core/messages';
import { boxOf } from './lettering';
import { bodyOf } from './fixedMarks';
import { listed } from './sheet';
import type { Anchor, Choices, Letters, PlacedGlyph, PlacedTerminal, Shows } from './sheet';

/** A word and where it may stand, the best place first. */
function wordChoices(
  word: Omit<Letters, 'x' | 'y' | 'anchor'>,
  places: readonly (readonly [x: number, y: number, anchor: Anchor])[],
): Choices<Letters> {
  return listed(
    places.map(([x, y, anchor]) => ({ ...word, x, y, anchor })),
    (place) => [boxOf(place)],
  );
}

/** Leads of a sensor are named by the colours of their wires already. */
const COLOURED = /^(E-)?(BN|BU|BK|WH)$/;

/** What stands at a terminal: its name, with the number that is printed on it, or its volts. */
function terminalText({ name, printed, volts }: PlacedTerminal['terminal'], shows: Shows): string {
  if (shows === 'volts') return volts;
  if (COLOURED.test(name)) return '';
  return printed ? `${name}\u00a0(${printed})` : name;
}

/** Where the word at a terminal may stand. */
export function nameChoices({ terminal, at, x, y }: PlacedTerminal, shows: Shows): Choices<Letters>[] {
  const text = terminalText(terminal, shows);
  if (!text) return [];
  const word = { key: terminal.ref, text, size: 12, face: 'mono', tone: 'soft' } as const;
  if (at === 'above' || at === 'below') {
    // Inside of its plate, at either side of the wire that comes through its edge; else outside.
    const inside = at === 'above' ? [y + 17, y + 27] : [y - 9, y - 18];
    const outside = at === 'above' ? [y - 9, y - 18] : [y + 17, y + 27];
    return [
      wordChoices(
        word,
        [...inside, ...outside].flatMap((line) => [
          [x + 13, line, 'start'],
          [x - 13, line, 'end'],
        ]),
      ),
    ];
  }
  const [near, anchor] = at === 'left' ? ([x + 13, 'start'] as const) : ([x - 13, 'end'] as const);
  const away = at === 'left' ? 12 : -12;
  return [
    wordChoices(word, [
      [near, y - 8, anchor],
      [near, y + 16, anchor],
      [near - away / 2, y - 13, anchor],
      [near - away / 2, y + 21, anchor],
      [near + away, y - 8, anchor],
      [near + away, y + 16, anchor],
      [near - away / 2, y - 20, anchor],
      [near - away / 2, y + 28, anchor],
      [near - 2 * away, y - 12, anchor === 'start' ? 'end' : 'start'],
      [near - 2 * away, y + 21, anchor === 'start' ? 'end' : 'start'],
    ]),
  ];
}

/** Where the words of what stands between two terminals may stand. */
export function captionChoices(placed: PlacedGlyph, i: number): Choices<Letters>[] {
  const { glyph, x, y, upright } = placed;
  const { kind, stopped } = glyph;
  const text = stopped === undefined ? captionOf(glyph) : textOf(stopped);
  if (!text) return [];
  const word = {
    key: `caption ${i}`,
    text,
    size: 12,
    face: stopped !== undefined ? 'bold' : FIGURES.has(kind) ? 'mono' : 'words',
    tone: stopped === undefined ? 'soft' : 'fail',
  } as const;
  const [half, height] = bodyOf(placed);
  const beside = [
    [x + half + 7, y + 4, 'start'],
    [x - half - 7, y + 4, 'end'],
    [x + half + 7, y - 9, 'start'],
    [x + half + 7, y + 17, 'start'],
  ] as const;
  const above = [x, y - height - 5, 'middle'] as const;
  const below = [x, y + height + 13, 'middle'] as const;
  return [
    wordChoices(
      word,
      upright
        ? [...beside, above, below]
        : [above, below, [x, y - height - 12, 'middle'], [x, y + height + 20, 'middle'], ...beside],
    ),
  ];
}

/** Kinds whose words are figures. */
const FIGURES: ReadonlySet<PlacedGlyph['glyph']['kind']> = new Set(['opto', 'resistor', 'coil', 'signal']);

function captionOf({ kind, text = '', on }: PlacedGlyph['glyph']): string {
  if (kind === 'state') return `${text} ${on ? 'on' : 'off'}`.trim();
  return kind === 'lamp' || kind === 'diode' ? '' : text;
}
