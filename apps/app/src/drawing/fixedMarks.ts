import { lastOf, sure } from '@keypost/core/lists';
import type { LoopView } from '@keypost/core/presentation';
import { cutTo, widthOf } from './lettering';
import type { Box, Letters, PlacedCard, PlacedGlyph, PlacedParts, PlacedRail, Spot } from './sheet';

/** Half the width and height of what stands between two terminals, by its kind. */
const BODY: Readonly<Record<PlacedGlyph['glyph']['kind'], readonly [number, number]>> = {
  slot: [22, 11],
  opto: [24, 10],
  resistor: [24, 10],
  coil: [22, 13],
  lamp: [17, 17],
  signal: [12, 12],
  diode: [9, 9],
  state: [10, 10],
  line: [0, 0],
};

/** Half the width and height of a glyph; a bar across it, where no current can pass, rises further. */
export function bodyOf({ glyph }: PlacedGlyph): readonly [number, number] {
  const [half, height] = BODY[glyph.kind];
  return [half, glyph.stopped === undefined ? height : 16];
}

export const around = ({ x, y }: Spot, half: number, height = half): Box => ({
  x: x - half,
  y: y - height,
  width: 2 * half,
  height: 2 * height,
});

/** A ring stands out from its middle by so much. */
const RING = 9.2;

/** Everything that stands where it stands: rings, parts between them, lamps at the heads of plates. */
export function bodies({ terminals, glyphs, plates, gaps }: PlacedParts): Box[] {
  return [
    ...terminals.map((spot) => around(spot, RING)),
    ...glyphs.flatMap((placed) => {
      const [half, height] = bodyOf(placed);
      return half ? [around(placed, half, height)] : [];
    }),
    ...plates.flatMap(headLights),
    ...gaps.map(({ to }) => around(to, 8)),
  ];
}

/** Where the lamp at the head of a plate stands. */
export const lampAt = (card: PlacedCard): Spot => ({ x: card.x + card.width - 22, y: headLine(card) - 5 });

const headLights = (card: PlacedCard): Box[] => (card.plate.led ? [around(lampAt(card), 13)] : []);

/** The line on which the name of a plate stands. */
const headLine = ({ head, y, height }: PlacedCard): number => (head === 'top' ? y + 24 : y + height - 30);

/** From one rail's name to the next on the same side. */
const RAIL_NAMES = 86;

/** Names that always stand in one place: of rails, plates and their lamps. */
export function fixedTexts(
  view: LoopView,
  rails: readonly PlacedRail[],
  { plates, empty }: PlacedParts,
): Letters[] {
  return [
    ...rails.flatMap((rail, i) => railNames(view, rail, rails.slice(0, i))),
    ...plates.flatMap(headTexts),
    ...(empty
      ? [
          {
            key: 'empty',
            x: empty.x + empty.width / 2,
            y: empty.y + empty.height / 2 + 5,
            text: 'no channel yet',
            size: 15,
            face: 'words' as const,
            anchor: 'middle' as const,
            tone: 'soft' as const,
          },
        ]
      : []),
  ];
}

function railNames(view: LoopView, { ref, side }: PlacedRail, earlier: readonly PlacedRail[]): Letters[] {
  const { name, volts } = sure(view.rails.find((row) => row.ref === ref));
  const before = earlier.filter((rail) => rail.side === side).length;
  const x = side === 'left' ? 4 + before * RAIL_NAMES : 362 - before * RAIL_NAMES;
  const anchor = side === 'left' ? ('start' as const) : ('end' as const);
  return [
    { key: `${ref} name`, x, y: 12, text: name, size: 12, face: 'words', anchor, tone: 'soft' },
    { key: `${ref} volts`, x, y: 27, text: volts, size: 14, face: 'monobold', anchor, tone: 'ink' },
  ];
}

const INSET = 13;
/** A name is written as large as it fits whole. */
const TITLES = [17, 15, 13.5];
const [TITLE] = TITLES as [number];

/** Name, kind and lamp of a plate; beside a wire that crosses the middle only one half is theirs. */
function headTexts(card: PlacedCard): Letters[] {
  const { plate, x, width, crossed } = card;
  const { led, figure, title, words } = plate;
  const line = headLine(card);
  const room = crossed ? width / 2 - INSET - 12 : width - 2 * INSET;
  const lampWords = led ? widthOf(led.words, 13, 'words') : 0;
  const beside = Math.min(room, width - INSET - (led ? lampWords + 54 : 6));
  // A name is never cut for the word of a lamp: on a narrow plate that stands below the lamp.
  const below = led !== undefined && widthOf(title, TITLE, 'bold') > beside;
  const first = below ? Math.min(room, width - INSET - 42) : beside;
  const second = below ? Math.min(room, width - 2 * INSET - lampWords - 8) : room;
  const fits = (text: string) => TITLES.find((one) => widthOf(text, one, 'bold') <= first);
  const named = [title, ...(plate.shorter ?? [])].find((text) => fits(text) !== undefined) ?? title;
  const titled = fits(named) ?? lastOf(TITLES);
  const size = figure === undefined ? 13 : 14;
  const face = figure === undefined ? ('words' as const) : ('mono' as const);
  return [
    {
      key: `${plate.id} title`,
      x: x + INSET,
      y: line,
      text: cutTo(named, first, titled, 'bold'),
      size: titled,
      face: 'bold',
      anchor: 'start',
      tone: 'ink',
    },
    {
      key: `${plate.id} words`,
      x: x + INSET,
      y: line + 19,
      text: cutTo(figure ?? words, second, size, face),
      size,
      face,
      anchor: 'start',
      tone: 'soft',
    },
    ...(led
      ? [
          {
            key: `${plate.id} lamp`,
            x: x + width - (below ? INSET : 38),
            y: below ? line + 19 : line,
            text: led.words,
            size: 13,
            face: 'words' as const,
            anchor: 'end' as const,
            tone: led.dead ? ('wait' as const) : ('soft' as const),
          },
        ]
      : []),
  ];
}
