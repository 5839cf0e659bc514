import type { JobContent, Wire } from '../model/index.ts';

/** The end of a wire that is not on an item; nothing where it does not end there. */
function farEnd({ from, to }: Wire, itemId: string): string | undefined {
  const isOn = (ref: string): boolean => ref.startsWith(`${itemId}:`);
  return isOn(from) ? to : isOn(to) ? from : undefined;
}

/**
 * A device of another kind is landed with the labels that hang on the wires already: a wire that goes where one of the
 * old wires went has its number, and what else is known of that cable.
 */
export function withNumbersOf(before: JobContent, after: JobContent, deviceId: string): JobContent {
  const old = before.wires.filter((wire) => farEnd(wire, deviceId) !== undefined);
  const wires = after.wires.map((wire) => {
    const far = farEnd(wire, deviceId);
    const at = far === undefined ? -1 : old.findIndex((was) => farEnd(was, deviceId) === far);
    const [was] = at < 0 ? [] : old.splice(at, 1);
    if (!was || before.wires.some(({ id }) => id === wire.id && id !== was.id)) return wire;
    const { number, lengthM, mm2, cable, core, ferrule } = was;
    return {
      ...wire,
      number,
      lengthM,
      mm2,
      ...(cable !== undefined && { cable }),
      ...(core !== undefined && { core }),
      ...(ferrule !== undefined && { ferrule }),
    };
  });
  return { ...after, wires: inOrder(wires, before) };
}

/** New wires go on from the highest number that is in use, without the gaps that kept numbers leave. */
function inOrder(wires: readonly Wire[], before: JobContent): Wire[] {
  const known = new Set(before.wires.map(({ number }) => number));
  const fresh = wires.filter(({ number }) => !known.has(number));
  const top = Math.max(
    0,
    ...wires.filter((w) => !fresh.includes(w)).map(({ number }) => Number(number) || 0),
  );
  let next = top;
  return wires.map((wire) => (fresh.includes(wire) ? { ...wire, number: String(++next) } : wire));
}
