import { say } from '../../messages/index.ts';
import { settingsOf } from '../../catalog/index.ts';
import type { Analysis, PointState } from '../../analysis/index.ts';
import { elementId } from '../../network/index.ts';
import { cannot } from './reason.ts';
import type { Reason } from './reason.ts';

/** Outputs of modules that would carry more than they may. */
export function outputReasons({ context, shown }: Analysis): Reason[] {
  return context.ports.flatMap(({ port, module }) => {
    if (port.kind !== 'output' || port.drives === 'analog') return [];
    const asked = Math.max(
      0,
      ...shown.map((state) => askedOf(state, elementId(module.id, port.name), port.drives)),
    );
    return asked > port.ratedAmps
      ? [
          cannot(
            'output-overload',
            say('reason.output-overload', {
              module: module.tag,
              portLabel: port.label,
              asked,
              ratedAmps: port.ratedAmps,
            }),
          ),
        ]
      : [];
  });
}

/** What the load asks of an output: what flows, or what would if the output's own limit did not hold it back. */
function askedOf({ solution, netlist }: PointState, id: string, drives: string): number {
  const element = netlist.elements.find((e) => e.id === id);
  if (!element) return 0;
  if (drives === 'contact') {
    const contact = netlist.elements.find((e) => e.id === id && e.kind === 'switch') ?? element;
    return contact.kind === 'switch' ? Math.abs(solution.amps(contact.id)) : 0;
  }
  return Math.abs(solution.amps(`${id}/${drives}`));
}

/** Resistors among the helpers that would have to turn more into heat than they may. */
export function resistorReasons({ context, states }: Analysis): Reason[] {
  return context.helpers.flatMap((device) => {
    const type = context.index.deviceType(device);
    if (!type.resistor) return [];
    const { ohms, watts } = type.resistor(settingsOf(type, device.settings));
    const power = Math.max(
      ...states.map(({ solution }) => {
        const amps = solution.amps(elementId(device.id, 'resistor'));
        return amps * amps * ohms;
      }),
    );
    return power > watts
      ? [cannot('resistor-power', say('reason.resistor-power', { device: device.tag, power, watts }))]
      : [];
  });
}
