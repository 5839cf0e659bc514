import { formatMilliamps } from '../../units/index.ts';
import type { Analysis, PointState } from '../../analysis/index.ts';
import { elementId } from '../../network/index.ts';
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

/** Whether a contact's own current keeps it clean, and the volts that stand across it when it is open. */
export function wettingReason({ context, states }: Analysis): Reason[] {
  const { device, type } = context;
  const id = elementId(device.id, 'contact');
  const closed = states.filter(({ solution }) => solution.closed(id));
  if (!type.wetting || !closed.length) return [];
  const amps = Math.max(...closed.map(({ solution }) => Math.abs(solution.amps(id))));
  return amps > 1e-5 && amps < type.wetting.amps
    ? [
        doubtful(
          'contact-wetting',
          `The contact of ${device.tag} carries only ${formatMilliamps(amps)}; it stays clean from ${formatMilliamps(type.wetting.amps)} at ${type.wetting.volts} V on.`,
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
