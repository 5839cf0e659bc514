import type { Wire } from '../model/index.ts';

/** The wires as they are in the panel: asFound elsewhere, in another colour, or left out where they are missing. */
export function asFoundWires(wires: readonly Wire[]): readonly Wire[] {
  if (!wires.some(({ asFound }) => asFound)) return wires;
  return wires.flatMap((wire) => {
    const { asFound } = wire;
    if (!asFound) return [wire];
    if (asFound.missing) return [];
    return [
      {
        ...wire,
        from: asFound.from ?? wire.from,
        to: asFound.to ?? wire.to,
        colour: asFound.colour ?? wire.colour,
      },
    ];
  });
}
