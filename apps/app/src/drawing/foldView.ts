import { PATH_AMPS } from '@keypost/core/presentation';
import type { LoopView, ViewCard } from '@keypost/core/presentation';

/** A loop of more plates than this is long. */
const LONG = 5;

/** Whether current takes its way through a plate, inside of it or over a wire that ends there. */
function carries(plate: ViewCard, { wires }: LoopView): boolean {
  const refs = new Set(plate.rows.flatMap(({ a, b, middle }) => [a, b, middle].flatMap((t) => t?.ref ?? [])));
  return (
    plate.rows.some((row) =>
      [row.glyph, row.second].some((glyph) => Math.abs(glyph?.amps ?? 0) >= PATH_AMPS),
    ) || wires.some(({ from, to, amps }) => Math.abs(amps) >= PATH_AMPS && (refs.has(from) || refs.has(to)))
  );
}

/** The plates of a long loop that can be folded: all that carry nothing now, but for the device itself. */
export const foldable = (view: LoopView): string[] =>
  view.plates.length > LONG
    ? view.plates.slice(1).flatMap((plate) => (plate.rows.length && !carries(plate, view) ? plate.id : []))
    : [];

/** The same loop with some plates drawn as their names alone. */
export function folded(view: LoopView, ids: readonly string[]): LoopView {
  if (!ids.length) return view;
  return {
    ...view,
    plates: view.plates.map((plate) => (ids.includes(plate.id) ? { ...plate, rows: [] } : plate)),
  };
}
