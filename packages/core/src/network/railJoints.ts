import { oncePer, pathsTo } from '../lists/index.ts';
import { feedersOf, minusOf, otherEnd, plusOf } from '../job/index.ts';
import type { JobIndex } from '../job/index.ts';
import { splitRef } from '../model/index.ts';
import type { Supply, Wire } from '../model/index.ts';
import type { PointContext } from './context.ts';
import { wireOhms } from './copper.ts';

/**
 * Two poles that nothing but wires joins. `short`: a current flows that nothing limits but what feeds it; `bypass`: a
 * branch and what feeds it, past its fuse or breaker; `parallel`: two supplies of the same kind.
 */
export interface RailJoint {
  readonly kind: 'short' | 'bypass' | 'parallel';
  /** The supply whose plus or line is joined, and what it is joined with. */
  readonly supply: Supply;
  readonly other: Supply;
  readonly from: string;
  readonly to: string;
  readonly wires: readonly Wire[];
  /** What a short lets flow at most, A. */
  readonly amps: number;
}

/** What joins rails in a panel as its wires are; a point's own network ends at them. */
export const railJoints: (index: JobIndex) => readonly RailJoint[] = oncePer(findJoints);

function findJoints(index: JobIndex): RailJoint[] {
  const { supplies } = index.job;
  const poles = new Map(
    supplies.flatMap((supply) =>
      [plusOf(supply), minusOf(supply), `${supply.id}:PE`].map((ref) => [ref, supply] as const),
    ),
  );
  const hot = new Set(supplies.map(plusOf));
  return supplies.flatMap((supply) =>
    [...overWires(index, plusOf(supply), poles)].flatMap(([to, wires]): RailJoint[] => {
      const other = poles.get(to);
      const from = plusOf(supply);
      // Two lines that meet are told once.
      if (!other || (hot.has(to) && to < from)) return [];
      return [
        {
          kind: kindOf(supplies, supply, other, hot.has(to)),
          supply,
          other,
          from,
          to,
          wires,
          amps: ampsOf(supply, wires),
        },
      ];
    }),
  );
}

function kindOf(
  supplies: readonly Supply[],
  supply: Supply,
  other: Supply,
  isHot: boolean,
): RailJoint['kind'] {
  if (!isHot || supply.kind !== other.kind || supply.volts !== other.volts) return 'short';
  const related = [...feedersOf(supplies, supply), ...feedersOf(supplies, other)].map(({ id }) => id);
  return related.includes(supply.id) || related.includes(other.id) ? 'bypass' : 'parallel';
}

/** A direct-current supply gives what it is limited to; the mains what its own resistance and the wires let through. */
function ampsOf({ kind, volts, internalOhms, limitAmps }: Supply, wires: readonly Wire[]): number {
  const ohms = wires.reduce((sum, wire) => sum + wireOhms(wire).nom, internalOhms);
  return kind === 'dc' ? Math.min(limitAmps, volts / ohms) : volts / ohms;
}

/** The other poles that are reached over wires alone, each with the wires on the way. */
const overWires = (
  index: JobIndex,
  start: string,
  poles: ReadonlyMap<string, Supply>,
): ReadonlyMap<string, readonly Wire[]> =>
  pathsTo(
    start,
    (ref) => index.wiresAt(ref).map((wire) => [otherEnd(wire, ref), wire]),
    (ref) => ref !== start && poles.has(ref),
  );

/** The shorts of the panel on the supplies that a point hangs on. */
export function shortsOf({ index, scope }: PointContext): RailJoint[] {
  const own = new Set(scope.wires.flatMap(({ from, to }) => [splitRef(from).item, splitRef(to).item]));
  return railJoints(index).filter(
    ({ kind, supply, other }) => kind === 'short' && (own.has(supply.id) || own.has(other.id)),
  );
}
