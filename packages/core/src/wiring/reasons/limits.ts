import { formatMilliamps } from '../../units/quantity.ts';
import type { Analysis } from '../analysis.ts';
import { elementId } from '../assemble.ts';
import type { PointState } from '../states.ts';
import { doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/** Elements through which a device's switching side carries its load. */
const CARRYING = ['output', 'complement', 'contact', 'channel1', 'channel2', 'aux'];

/** Whether the device's switching side carries more than it may. */
export function ratedReason({ context, states }: Analysis): Reason[] {
  const { device, type } = context;
  if (type.ratedAmps === undefined) return [];
  const drawn = Math.max(0, ...states.map((state) => carried(state, device.id)));
  return drawn > type.ratedAmps
    ? [
        doubtful(
          'over-current',
          `${device.tag} would carry ${formatMilliamps(drawn)}; it is rated for ${formatMilliamps(type.ratedAmps)}.`,
        ),
      ]
    : [];
}

function carried({ netlist, solution }: PointState, deviceId: string): number {
  const ids = new Set(CARRYING.map((local) => elementId(deviceId, local)));
  return Math.max(
    0,
    ...netlist.elements
      .filter(({ id }) => ids.has(id))
      .map(({ id, kind }) =>
        kind === 'output'
          ? Math.max(Math.abs(solution.amps(`${id}/high`)), Math.abs(solution.amps(`${id}/low`)))
          : Math.abs(solution.amps(id)),
      ),
  );
}
