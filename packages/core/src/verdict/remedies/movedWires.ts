import { say } from '../../messages/index.ts';
import { refText } from '../../job/index.ts';
import type { PointContext } from '../../network/index.ts';
import { splitRef } from '../../model/index.ts';
import type { Wire } from '../../model/index.ts';
import { bareTerminals, isAllowed, railsOf } from './missingWires.ts';
import type { Remedy } from './remedy.ts';

/** So many moves are tried: each is solved. */
const MAX_TRIED = 60;

const OTHER_RAIL: Readonly<Record<string, string>> = { '+': '-', '-': '+', L: 'N', N: 'L' };

/**
 * One wire elsewhere: an end that sits on a rail on the other rail of its supply; an end that shares its terminal with
 * another wire, or leads back to its own part, on a rail; any of these on a terminal of the point that nothing is landed
 * on. Whether it holds is left to the solution. A safety function gets no wires by trial.
 */
export function movedWires(context: PointContext): Remedy[] {
  const { index, scope, output } = context;
  if (output.drivenBy === 'guard') return [];
  const rail = (ref: string): string | undefined => {
    const { item, terminal } = splitRef(ref);
    const other = index.supply(item) && OTHER_RAIL[terminal];
    return other && `${item}:${other}`;
  };
  const bare = bareTerminals(context);
  const ends = scope.wires.flatMap((wire) => (['to', 'from'] as const).map((end) => ({ wire, end })));
  const turned = ends.flatMap(({ wire, end }) => {
    const to = rail(wire[end]);
    return to ? [move(context, wire, end, to)] : [];
  });
  const strayed = ends.filter(
    ({ wire, end }) =>
      rail(wire[end]) === undefined &&
      (index.wiresAt(wire[end]).length > 1 || splitRef(wire.from).item === splitRef(wire.to).item),
  );
  const railed = strayed
    .filter(({ wire, end }) => rail(wire[end === 'to' ? 'from' : 'to']) === undefined)
    .flatMap(({ wire, end }) => railsOf(index).map((to) => move(context, wire, end, to)));
  const landed = [...strayed, ...ends.filter(({ wire, end }) => rail(wire[end]) !== undefined)].flatMap(
    ({ wire, end }) => {
      const stays = wire[end === 'to' ? 'from' : 'to'];
      return bare
        .filter((ref) => splitRef(ref).item !== splitRef(stays).item && isAllowed(context, stays, ref))
        .map((ref) => move(context, wire, end, ref));
    },
  );
  return [...turned, ...landed, ...railed].slice(0, MAX_TRIED);
}

const move = ({ index }: PointContext, wire: Wire, end: 'from' | 'to', to: string): Remedy => ({
  sentence: say('remedy.move-end', {
    number: wire.number,
    from: refText(index, wire[end]),
    to: refText(index, to),
  }),
  change: { kind: 'moveWire', wireId: wire.id, [end]: to },
});
