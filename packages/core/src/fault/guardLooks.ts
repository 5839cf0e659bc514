import type { Analysis } from '../analysis/index.ts';
import { hasTerminal, safetyTarget } from '../analysis/index.ts';
import { elementId } from '../network/index.ts';
import type { Look } from './look.ts';
import { netsOf } from './pointFault.ts';

const LEVELS = ['away', 'present'] as const;
/** An LED is seen, two leads are put on, s. */
const SECONDS = { led: 4, acts: 8, volts: 25 } as const;

/**
 * What the evaluation of a guard shows: its LEDs, and volts at each of its inputs. What it asks of its button is there
 * only while that is held down.
 */
export function guardLooks(analysis: Analysis): Look[] {
  const target = safetyTarget(analysis.context);
  if (!target) return [];
  const { module, port } = target;
  const { present } = analysis;
  const { roles, starts, common } = port;
  const volts = (terminal: string | undefined, states: readonly Look['state'][]): Look[] => {
    const [red, black] = [`${module.id}:${terminal ?? ''}`, `${module.id}:${common}`];
    if (terminal === undefined || !hasTerminal(present, red) || !hasTerminal(present, black)) return [];
    return states.map((state) => ({
      id: `volts ${red} ${black} ${state}`,
      kind: 'volts',
      red,
      black,
      state,
      spot: 'panel',
      seconds: SECONDS.volts,
      power: 'on',
    }));
  };
  const parts = new Set(present.netlist.elements.map(({ id }) => id));
  const leds = (analysis.context.index.moduleType(module).indicators ?? []).flatMap(({ id, label }) => {
    const element = elementId(module.id, id);
    return parts.has(element) ? [{ element, label: `${module.tag}, ${label}` }] : [];
  });
  const inStates = (kind: 'lit' | 'acts', found: readonly { element: string; label: string }[]): Look[] =>
    found.flatMap(({ element, label }) =>
      LEVELS.map((state) => ({
        id: `${kind} ${element} ${state}`,
        kind,
        element,
        label,
        state,
        spot: 'panel',
        seconds: SECONDS[kind === 'lit' ? 'led' : 'acts'],
        power: 'on',
      })),
    );
  return [
    ...inStates('lit', leds),
    ...inStates('acts', stoppedElsewhere(analysis, parts)),
    ...[roles.channel1Return, roles.channel2Return, starts?.feedback].flatMap((name) => volts(name, LEVELS)),
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
