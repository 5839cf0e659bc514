import { say } from '../../messages/index.ts';
import type { PointContext } from '../../network/index.ts';
import { ownWires, planDifferences } from '../../job/index.ts';
import type { Remedy } from './remedy.ts';

/** Wires of the point that are not as planned, put back where they belong: each alone, then all. */
export function asPlanned(context: PointContext): Remedy[] {
  const differences = planDifferences(context.index, ownWires(context.index, context.point));
  const single = differences.map(({ wire, remedy: back }) => ({
    sentence: back,
    change: { kind: 'landWire', wireId: wire.id, asFound: null } as const,
  }));
  if (single.length < 2) return single;
  return [
    ...single,
    {
      sentence: say('remedy.land-as-planned', { single: single.length, point: context.point.tag }),
      change: { kind: 'batch', changes: single.map(({ change }) => change) },
    },
  ];
}
