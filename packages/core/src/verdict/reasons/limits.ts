import { say } from '../../messages/index.ts';
import type { Analysis, PointState } from '../../analysis/index.ts';
import { elementId } from '../../network/index.ts';
import { doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/** Whether an output of the device carries more than it may; each is held against its own rating. */
export function ratedReason({ context, states }: Analysis): Reason[] {
  const { device, index, point, type } = context;
  return index.ownOutputs(point).flatMap((output) => {
    const { ratedAmps } = output;
    if (ratedAmps === undefined) return [];
    const drawn = Math.max(0, ...states.map((state) => carried(state, device.id, output.carries)));
    if (drawn <= ratedAmps) return [];
    const which = type.outputs.length > 1 ? `${device.tag} ${output.terminals.join(', ')}` : device.tag;
    return [doubtful('over-current', say('reason.over-current', { which, drawn, ratedAmps }))];
  });
}

/** Whether a contact's own current keeps it clean, and the volts that stand across it when it is open. */
export function wettingReason({ context, states }: Analysis): Reason[] {
  const { device, output } = context;
  const { wetting, element } = output;
  if (!wetting || element === undefined) return [];
  const id = elementId(device.id, element);
  const closed = states.filter(({ solution }) => solution.closed(id));
  if (!closed.length) return [];
  const amps = Math.max(...closed.map(({ solution }) => Math.abs(solution.amps(id))));
  return amps > 1e-5 && amps < wetting.amps
    ? [
        doubtful(
          'contact-wetting',
          say('reason.contact-wetting.device', {
            device: device.tag,
            amps,
            amps2: wetting.amps,
            volts: wetting.volts,
          }),
        ),
      ]
    : [];
}

function carried({ netlist, solution }: PointState, deviceId: string, elements: readonly string[]): number {
  const ids = new Set(elements.map((local) => elementId(deviceId, local)));
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
