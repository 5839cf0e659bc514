import { splitRef } from '../../model/index.ts';
import type { Analysis, SafetyTarget, PointState } from '../../analysis/index.ts';
import { elementId } from '../../network/index.ts';
import type { PointContext } from '../../network/index.ts';
import { safetyTarget } from '../../analysis/index.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/** Why a guard's two channels do not stop what they are to stop, or a fault would not be seen. */
export function guardReasons(analysis: Analysis): Reason[] {
  const { context } = analysis;
  if (context.output.drivenBy !== 'guard') return [];
  const target = safetyTarget(context);
  if (!target) return [bypass(context)];
  const aux = auxReasons(context);
  if (aux.length) return aux;
  const released = (key: string): boolean | undefined =>
    stateOf(analysis, key)?.solution.active(target.released);
  if (released('away'))
    return [
      cannot(
        'safety-channel',
        `The safe side stays released with the guard open: the channels of ${context.device.tag} do not act on ${target.module.tag}.`,
      ),
    ];
  if (!released('present')) return notReleased(analysis, target);
  return [
    ...aloneReasons(context, target, released),
    ...crossReasons(analysis, target),
    ...feedbackReasons(released),
  ];
}

const stateOf = ({ shown, staged }: Analysis, key: string): PointState | undefined =>
  [...shown, ...staged].find(({ situation }) => situation.key === key);

function bypass({ device, ports }: PointContext): Reason {
  const plain = ports.find(({ port }) => port.kind !== 'safety');
  return cannot(
    'safety-bypass',
    plain
      ? `${device.tag} goes only to ${plain.module.tag} ${plain.port.label}, a normal input. That shows its state and protects nobody: its two channels belong on a safety relay or a safe-stop pair.`
      : `The two channels of ${device.tag} lead to no safety relay and no safe-stop pair.`,
  );
}

function notReleased(analysis: Analysis, { module, port, settings }: SafetyTarget): Reason[] {
  const { context, present } = analysis;
  const on = (local: string): boolean => present.solution.active(elementId(module.id, local));
  const has = (local: string): boolean =>
    present.netlist.elements.some(({ id }) => id === elementId(module.id, local));
  if (has('fed') && !on('fed')) return [cannot('no-supply', `${module.tag} has no supply at A1 and A2.`)];
  const dead = port.detectors.findIndex((id) => !on(id));
  if (dead >= 0) {
    const mate = context.scope.mateIds.map((id) => context.index.device(id)!.tag);
    return [
      cannot(
        'safety-channel',
        `Channel ${dead + 1} of ${context.device.tag} does not reach ${module.tag} ${port.label} while the guard is closed${mate.length ? ` (in a chain with ${mate.join(', ')})` : ''}: the safe side stays off.`,
      ),
    ];
  }
  const dark = [1, 2].find((n) => !on(`in${n}`));
  if (settings.selector === 'both' && dark)
    return [
      cannot(
        'safety-channel',
        `The selector of ${module.tag} stands at both inputs, and input ${dark} is not closed. Close what belongs there; which inputs are to be used is for the competent person to say.`,
      ),
    ];
  if (has('feedback') && !on('feedback'))
    return [
      cannot(
        'safety-feedback',
        `The feedback input of ${module.tag} is open, so it cannot start: lead it from plus through the mirror contacts of the contactors, or link it where there are none.`,
      ),
    ];
  return [
    cannot(
      'safety-reset',
      settings.reset === 'automatic'
        ? `${module.tag} does not start although both channels are closed.`
        : `${module.tag} waits for its reset, and no button reaches its reset input RI.`,
    ),
  ];
}

function aloneReasons(
  { device }: PointContext,
  { module }: SafetyTarget,
  released: (key: string) => boolean | undefined,
): Reason[] {
  return [1, 2].flatMap((n) =>
    released(`open${n}`)
      ? [
          cannot(
            'safety-channel',
            `With channel ${n} of ${device.tag} alone open, ${module.tag} stays released: that channel is bridged, joined to the other, or not used.`,
          ),
        ]
      : [],
  );
}

/** A test pulse that does not arrive is one that a joint between the channels, or to plus, would hide. */
function crossReasons(analysis: Analysis, { module, port }: SafetyTarget): Reason[] {
  const unseen = [1, 2].filter((n) => {
    const state = stateOf(analysis, `test${n}`);
    return state?.solution.active(elementId(module.id, port.detectors[n - 1]!));
  });
  if (!unseen.length) return [];
  return [
    doubtful(
      'safety-cross',
      `The test pulse of channel ${unseen.join(' and ')} does not arrive: a joint between the channels, or from one to plus, would not be seen. Feed each channel from its own test output.`,
    ),
  ];
}

function feedbackReasons(released: (key: string) => boolean | undefined): Reason[] {
  return released('welded')
    ? [
        doubtful(
          'safety-feedback',
          'A welded contactor would not be seen: its mirror contact is not in the feedback loop.',
        ),
      ]
    : [];
}

function auxReasons({ device, index, type }: PointContext): Reason[] {
  const aux = type.terminals.filter(({ role }) => role === 'aux' || role === 'auxReturn');
  const onSafe = aux.find(({ name }) =>
    index.across(`${device.id}:${name}`).some((ref) => {
      const module = index.module(splitRef(ref).item);
      return module !== undefined && index.moduleType(module).description.safety;
    }),
  );
  return onSafe
    ? [
        cannot(
          'safety-bypass',
          `The auxiliary contact ${onSafe.name} of ${device.tag} is landed on a safety terminal. It is no safety path: only the two channels are.`,
        ),
      ]
    : [];
}
