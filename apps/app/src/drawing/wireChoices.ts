import { nth } from '@keypost/core/lists';
import { PATH_AMPS } from '@keypost/core/presentation';
import { around } from './fixedMarks';
import { boxOf, widthOf } from './lettering';
import { listed } from './sheet';
import type { ArrowSpot, Box, Choices, Letters, RoutedWire, Spot } from './sheet';

/** A wire's letters and number together, and what they stand on where that is the wire itself. */
export interface WireLabel {
  readonly letters: readonly Letters[];
  readonly ground?: Box;
}

/** Where along a piece of a wire something may stand, the best first. */
const SHARES = [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8, 0.12, 0.88];

/** Of a level piece: letters above it and number below, closer and, beside an arrowhead, further; else both on one side. */
const LEVELS = [
  [-9, 18],
  [-16, 25],
  [-20, -9],
  [18, 29],
  [-27, -16],
  [25, 36],
] as const;
/** Of an upright piece: both on it, on a small ground, or so far beside it. */
const BESIDE = ['on', -8, 8, -12, 12] as const;
type Way = (typeof LEVELS | typeof BESIDE)[number];

type Piece = readonly [Spot, Spot];

const length = ([a, b]: Piece): number => Math.abs(a.x - b.x) + Math.abs(a.y - b.y);
const isUpright = ([a, b]: Piece): boolean => a.x === b.x;
const along = ([a, b]: Piece, share: number): Spot => ({
  x: a.x + (b.x - a.x) * share,
  y: a.y + (b.y - a.y) * share,
});

/** The straight pieces of a way, the longest first. */
const piecesOf = (points: readonly Spot[]): Piece[] =>
  points
    .slice(1)
    .map((b, i): Piece => [nth(points, i), b])
    .sort((a, b) => length(b) - length(a));

/** Where the letters and number of a wire may stand: above and below a level piece, on or beside an upright one. */
export function labelChoices({ wire, points }: RoutedWire): Choices<WireLabel> {
  const pieces = piecesOf(points);
  const label = labelOf(wire);
  const spots = pieces.flatMap((piece) => {
    const ways = isUpright(piece) ? BESIDE : LEVELS;
    return SHARES.flatMap((share) => ways.map((way) => ({ piece, share, way })));
  });
  return {
    count: spots.length,
    placeAt: (i) => {
      const spot = spots[i];
      return spot && label(along(spot.piece, spot.share), spot.way);
    },
    roomOf: ({ letters, ground }) => (ground ? [ground] : letters.map(boxOf)),
  };
}

function labelOf({ id, colour, number }: RoutedWire['wire']) {
  const colours = { key: `${id} colour`, text: colour, face: 'bold', tone: 'ink' } as const;
  const numbers = { key: `${id} number`, text: number, face: 'mono', tone: 'soft' } as const;
  const wide = (letters: readonly Letters[]): number =>
    Math.max(...letters.map(({ text, size, face }) => widthOf(text, size, face)));
  const small = (at: Spot, x: number, anchor: Letters['anchor']): Letters[] => [
    { ...colours, x, y: at.y - 3, size: 12, anchor },
    { ...numbers, x, y: at.y + 11, size: 11, anchor },
  ];
  return (at: Spot, way: Way): WireLabel => {
    if (way === 'on') {
      const letters = small(at, at.x, 'middle');
      const width = Math.max(22, wide(letters) + 4);
      return { letters, ground: { x: at.x - width / 2, y: at.y - 17, width, height: 34 } };
    }
    if (typeof way === 'number') return { letters: small(at, at.x + way, way < 0 ? 'end' : 'start') };
    const [up, down] = way;
    return {
      letters: [
        { ...colours, x: at.x, y: at.y + up, size: 14, anchor: 'middle' },
        { ...numbers, x: at.x, y: at.y + down, size: 12, anchor: 'middle' },
      ],
    };
  };
}

/** Pieces shorter than this bear no arrowhead. */
const LEAST = 26;

/** Where the arrowhead of a wire's current may stand; nowhere where it carries none. */
export function arrowChoices({ wire, points }: RoutedWire): Choices<ArrowSpot> {
  const way = wire.amps > 0 ? points : [...points].reverse();
  const pieces =
    Math.abs(wire.amps) < PATH_AMPS ? [] : piecesOf(way).filter((piece) => length(piece) >= LEAST);
  const places = pieces.flatMap((piece) => {
    const [a, b] = piece;
    const way = { dx: Math.sign(b.x - a.x), dy: Math.sign(b.y - a.y) };
    const margin = 14 / length(piece);
    return SHARES.filter((share) => share >= Math.min(margin, 0.5) && share <= Math.max(1 - margin, 0.5)).map(
      (share) => ({ ...along(piece, share), ...way }),
    );
  });
  return listed(places, ({ x, y, dx, dy }) => [
    around({ x: x + 2 * dx, y: y + 2 * dy }, dx ? 10 : 12, dx ? 12 : 10),
  ]);
}
