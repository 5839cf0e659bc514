import { nth, sure } from '@keypost/core/lists';
import type { Placed, Box, PlacedWire, Spot } from './sheet';

type Label = PlacedWire['label'];

/** Pieces shorter than this carry no label, upright and level. */
const SHORT = { upright: 44, level: 30 } as const;
/** Where along a piece a label may stand, the best first. */
const SHARES = [0.5, 0.38, 0.62, 0.26, 0.74, 0.16, 0.84];

/** The room that a label takes: on a ground of its own, beside an upright wire, or above and below a level one. */
export function labelBoxes({ x, y, anchor, stacked }: Label): Box[] {
  if (!stacked)
    return [
      { x: x - 13, y: y - 22, width: 26, height: 16 },
      { x: x - 13, y: y + 7, width: 26, height: 15 },
    ];
  return anchor === 'middle'
    ? [{ x: x - 11, y: y - 17, width: 22, height: 34 }]
    : [{ x: x - 28, y: y - 17, width: 28, height: 36 }];
}

/** How much two boxes cover each other. */
export function overlap(a: Box, b: Box): number {
  const across = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
  const down = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
  return across > 0 && down > 0 ? across * down : 0;
}

/**
 * Moves the labels of wires along them so that none stands on another, on a terminal or on the values at the signal;
 * where there is no free place, the one that covers least. Wires with the fewest places choose first.
 */
export function placeLabels(wires: readonly PlacedWire[], placed: Placed): PlacedWire[] {
  const { values, sheet } = placed;
  const obstacles: Box[] = [
    ...sheet.terminals.map(({ x, y }) => ({ x: x - 10, y: y - 10, width: 20, height: 20 })),
    { x: values.x - 4, y: values.y - 34, width: 112, height: 68 },
  ];
  const options = wires.map((wire) => ({ wire, places: placesOf(wire) }));
  const chosen = new Map<PlacedWire, Label>();
  const taken: Box[] = [];
  for (const { wire, places } of [...options].sort((a, b) => a.places.length - b.places.length)) {
    let best = wire.label;
    let min = Infinity;
    for (const place of places) {
      const boxes = labelBoxes(place);
      const cost =
        3 * covered(boxes, taken) + covered(boxes, obstacles) + 0.2 * covered(boxes, linesOf(wires, wire));
      if (cost < min) [best, min] = [place, cost];
      if (cost === 0) break;
    }
    chosen.set(wire, best);
    taken.push(...labelBoxes(best));
  }
  return wires.map((wire) => ({ ...wire, label: sure(chosen.get(wire)) }));
}

const covered = (boxes: readonly Box[], others: readonly Box[]): number =>
  boxes.reduce((sum, box) => sum + others.reduce((part, other) => part + overlap(box, other), 0), 0);

/** The lines of all other wires, as wide as they are drawn. */
const linesOf = (wires: readonly PlacedWire[], own: PlacedWire): Box[] =>
  wires.flatMap((wire) =>
    wire === own
      ? []
      : wire.points.slice(1).map((b, i) => {
          const a = nth(wire.points, i);
          return {
            x: Math.min(a.x, b.x) - 4,
            y: Math.min(a.y, b.y) - 4,
            width: Math.abs(a.x - b.x) + 8,
            height: Math.abs(a.y - b.y) + 8,
          };
        }),
  );

/** Where the label of a wire may stand: where it stands now, then along its pieces, the longest first. */
function placesOf({ points, label }: PlacedWire): Label[] {
  if (label.anchor === 'end') return [0, -18, 18, -30, 30].map((off) => ({ ...label, y: label.y + off }));
  const pieces = points
    .slice(1)
    .map((b, i): [Spot, Spot] => [nth(points, i), b])
    .filter(([a, b]) => length(a, b) >= (a.x === b.x ? SHORT.upright : SHORT.level))
    .sort(([a, b], [c, d]) => Number(d.x === c.x) - Number(b.x === a.x) || length(c, d) - length(a, b));
  return [
    label,
    ...pieces.flatMap(([a, b]) =>
      SHARES.map((share): Label => {
        const upright = a.x === b.x;
        const margin = (upright ? 20 : 14) / length(a, b);
        const at = Math.min(1 - margin, Math.max(margin, share));
        return {
          x: a.x + (b.x - a.x) * at,
          y: a.y + (b.y - a.y) * at,
          anchor: 'middle',
          stacked: upright,
        };
      }),
    ),
  ];
}

const length = (a: Spot, b: Spot): number => Math.abs(a.x - b.x) + Math.abs(a.y - b.y);
