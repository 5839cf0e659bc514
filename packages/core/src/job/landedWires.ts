import type { Wire } from '../model/index.ts';

/** The wires as they are in the panel: landed elsewhere, in another colour, or left out where they are missing. */
export function landedWires(wires: readonly Wire[]): readonly Wire[] {
  if (!wires.some(({ landed }) => landed)) return wires;
  return wires.flatMap((wire) => {
    const { landed } = wire;
    if (!landed) return [wire];
    if (landed.missing) return [];
    return [
      {
        ...wire,
        from: landed.from ?? wire.from,
        to: landed.to ?? wire.to,
        colour: landed.colour ?? wire.colour,
      },
    ];
  });
}
