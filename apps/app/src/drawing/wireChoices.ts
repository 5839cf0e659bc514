import { nth } from '@keypost/core/lists';
import { PATH_AMPS } from '@keypost/core/presentation';
import { around } from './fixedMarks';
import { boxOf, widthOf } from './lettering';
import type { ArrowSpot, Box, Choices, Letters, RoutedWire, Spot } from './sheet';

/** A wire's letters and number together, and what they stand on where that is the wire itself. */
export interface WireLabel {
  readonly letters: readonly Letters[];
  readonly ground?: Box;
}

/** Where along a piece of a wire something may stand, the best first. */
const SHARES = [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8, 0.12, 0.88];

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
  return {
    places: pieces.flatMap((piece) =>
      SHARES.flatMap((share) => {
        const at = along(piece, share);
        if (!isUpright(piece)) return label.level(at);
        return [label.on(at), ...[-8, 8, -12, 12].map((off) => label.beside(at, off))];
      }),
    ),
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
  return {
    /** Letters above the wire and number below, closer and, beside an arrowhead, further; else both on one side. */
    level: ({ x, y }: Spot): WireLabel[] =>
      (
        [
          [-9, 18],
          [-16, 25],
          [-20, -9],
          [18, 29],
          [-27, -16],
          [25, 36],
        ] as const
      ).map(([up, down]) => ({
        letters: [
          { ...colours, x, y: y + up, size: 14, anchor: 'middle' },
          { ...numbers, x, y: y + down, size: 12, anchor: 'middle' },
        ],
      })),
    /** Both on the upright wire, on a small ground. */
    on: (at: Spot): WireLabel => {
      const letters = small(at, at.x, 'middle');
      const width = Math.max(22, wide(letters) + 4);
      return { letters, ground: { x: at.x - width / 2, y: at.y - 17, width, height: 34 } };
    },
    beside: (at: Spot, off: number): WireLabel => ({
      letters: small(at, at.x + off, off < 0 ? 'end' : 'start'),
    }),
  };
}

/** Pieces shorter than this bear no arrowhead. */
const LEAST = 26;

/** Where the arrowhead of a wire's current may stand; nowhere where it carries none. */
export function arrowChoices({ wire, points }: RoutedWire): Choices<ArrowSpot> {
  const way = wire.amps > 0 ? points : [...points].reverse();
  const pieces =
    Math.abs(wire.amps) < PATH_AMPS ? [] : piecesOf(way).filter((piece) => length(piece) >= LEAST);
  return {
    places: pieces.flatMap((piece) => {
      const [a, b] = piece;
      const way = { dx: Math.sign(b.x - a.x), dy: Math.sign(b.y - a.y) };
      const margin = 14 / length(piece);
      return SHARES.filter(
        (share) => share >= Math.min(margin, 0.5) && share <= Math.max(1 - margin, 0.5),
      ).map((share) => ({ ...along(piece, share), ...way }));
    }),
    roomOf: ({ x, y, dx, dy }) => [around({ x: x + 2 * dx, y: y + 2 * dy }, dx ? 10 : 12, dx ? 12 : 10)],
  };
}
