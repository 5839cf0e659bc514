import type { Analysis } from '../analysis/index.ts';
import { hasTerminal } from '../analysis/index.ts';
import { elementId } from '../network/index.ts';
import { evaluationOf } from './evaluation.ts';
import type { Look } from './look.ts';
import { elementLooks, STATES, voltsLook } from './madeLooks.ts';
import { netsOf } from './pointFault.ts';

/**
 * What the evaluation of a guard shows: its LEDs, and volts at each of its inputs. What it asks of its button is there
 * only while that is held down.
 */
export function guardLooks(analysis: Analysis): Look[] {
  const target = evaluationOf(analysis.context);
  if (!target) return [];
  const { module, port } = target;
  const { present } = analysis;
  const { roles, starts, common } = port;
  const volts = (terminal: string | undefined, states: readonly Look['state'][]): Look[] => {
    const [red, black] = [`${module.id}:${terminal ?? ''}`, `${module.id}:${common}`];
    if (terminal === undefined || !hasTerminal(present, red) || !hasTerminal(present, black)) return [];
    return states.map((state) => voltsLook(red, black, 'panel', state));
  };
  const parts = new Set(present.netlist.elements.map(({ id }) => id));
  const leds = (analysis.context.index.moduleType(module).indicators ?? []).flatMap(({ id, label }) => {
    const element = elementId(module.id, id);
    return parts.has(element) ? [{ element, label: `${module.tag}, ${label}` }] : [];
  });
  return [
    ...leds.flatMap(({ element, label }) => elementLooks('lit', element, label, 'panel')),
    ...stoppedElsewhere(analysis, parts).flatMap(({ element, label }) =>
      elementLooks('acts', element, label, 'panel'),
    ),
    ...[roles.channel1Return, roles.channel2Return, starts?.feedback].flatMap((name) => volts(name, STATES)),
    ...(netsOf(analysis).pressed ? volts(starts?.reset, ['pressed', 'present']) : []),
  ];
}

/** What a guard stops together with others, and another point has as its further parts. */
function stoppedElsewhere({ context }: Analysis, parts: ReadonlySet<string>) {
  const { index, scope, helpers } = context;
  const own = new Set(helpers.map(({ id }) => id));
  return [...scope.deviceIds].flatMap((id) => {
    const device = own.has(id) ? undefined : index.device(id);
    const moves = device && index.deviceType(device).description.moves;
    const element = moves === undefined ? '' : elementId(id, moves);
    return device && parts.has(element) ? [{ element, label: device.tag }] : [];
  });
}
