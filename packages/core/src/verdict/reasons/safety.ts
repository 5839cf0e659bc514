import { nth, sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { splitRef } from '../../model/index.ts';
import type { Analysis, SafetyTarget, PointState } from '../../analysis/index.ts';
import { elementId } from '../../network/index.ts';
import type { PointContext } from '../../network/index.ts';
import { safetyTarget } from '../../analysis/index.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';
import { fedReasons, liveReasons, pastReasons } from './stops.ts';

/** Why a guard's two channels do not stop what they are to stop, or a fault would not be seen. */
export function guardReasons(analysis: Analysis): Reason[] {
  const { context } = analysis;
  if (context.output.drivenBy !== 'guard') return [];
  const target = safetyTarget(context);
  if (!target) return [bypass(context)];
  const aux = auxReasons(context);
  if (aux.length) return aux;
  const past = pastReasons(analysis);
  if (past.length) return past;
  const unselected = selectorReason(context, target);
  if (unselected) return [unselected];
  const released = (key: string): boolean | undefined =>
    stateOf(analysis, key)?.solution.active(target.released);
  if (released('away'))
    return [
      cannot(
        'safety-channel',
        say('reason.safety-channel', { device: context.device.tag, module: target.module.tag }),
      ),
    ];
  if (!released('present')) return notReleased(analysis, target);
  const alone = aloneReasons(context, target, released);
  return [
    ...(alone.length ? alone : liveReasons(analysis)),
    ...crossReasons(analysis, target),
    ...feedbackReasons(analysis, target),
    ...fedReasons(analysis),
  ];
}

const stateOf = ({ shown, staged }: Analysis, key: string): PointState | undefined =>
  [...shown, ...staged].find(({ situation }) => situation.key === key);

function bypass({ device, ports }: PointContext): Reason {
  const plain = ports.find(({ port }) => port.kind !== 'safety');
  return cannot(
    'safety-bypass',
    plain
      ? say('reason.safety-bypass.plain-input', {
          device: device.tag,
          module: plain.module.tag,
          portLabel: plain.port.label,
        })
      : say('reason.safety-bypass.nowhere', { device: device.tag }),
  );
}

function notReleased(analysis: Analysis, { module, port, settings }: SafetyTarget): Reason[] {
  const { context, present } = analysis;
  const on = (local: string): boolean => present.solution.active(elementId(module.id, local));
  const has = (local: string): boolean =>
    present.netlist.elements.some(({ id }) => id === elementId(module.id, local));
  if (has('fed') && !on('fed'))
    return [cannot('no-supply', say('reason.no-supply.safety-relay', { module: module.tag }))];
  const dead = port.detectors.findIndex((id) => !on(id));
  if (dead >= 0) {
    const mate = context.scope.mateIds.map((id) => sure(context.index.device(id)).tag);
    return [
      cannot(
        'safety-channel',
        say('reason.safety-channel.not-reaching', {
          dead,
          device: context.device.tag,
          module: module.tag,
          portLabel: port.label,
          mate,
        }),
      ),
    ];
  }
  const dark = [1, 2].find((n) => !on(`in${n}`));
  if (settings.selector === 'both' && dark)
    return [cannot('safety-channel', say('reason.safety-channel.selector', { module: module.tag, dark }))];
  if (has('feedback') && !on('feedback'))
    return [cannot('safety-feedback', say('reason.safety-feedback', { module: module.tag }))];
  return [
    cannot(
      'safety-reset',
      on('reset')
        ? say('reason.safety-reset.held', { module: module.tag })
        : settings.reset === 'automatic'
          ? say('reason.safety-reset.not-starting', { module: module.tag })
          : say('reason.safety-reset.no-button', { module: module.tag }),
    ),
  ];
}

/** A guard on the second input while the relay counts the first only. */
function selectorReason(
  { device }: PointContext,
  { module, port, settings }: SafetyTarget,
): Reason | undefined {
  if (settings.selector !== '1' || port.channel === 0) return undefined;
  return cannot(
    'safety-channel',
    say('reason.safety-channel.not-selected', {
      device: device.tag,
      module: module.tag,
      portLabel: port.label,
    }),
  );
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
            say('reason.safety-channel.alone', { n, device: device.tag, module: module.tag }),
          ),
        ]
      : [],
  );
}

/** A test pulse that does not arrive is one that a joint between the channels, or to plus, would hide. */
function crossReasons(analysis: Analysis, { module, port }: SafetyTarget): Reason[] {
  const unseen = [1, 2].filter((n) => {
    const state = stateOf(analysis, `test${n}`);
    return state?.solution.active(elementId(module.id, nth(port.detectors, n - 1)));
  });
  if (!unseen.length) return [];
  return [doubtful('safety-cross', say('reason.safety-cross', { unseen }))];
}

/** Contactors that can weld without the safety function refusing to start again. */
function feedbackReasons({ context, staged }: Analysis, { released }: SafetyTarget): Reason[] {
  const welding = [...context.scope.deviceIds].flatMap((id) => {
    const device = context.index.device(id);
    return device && context.index.deviceType(device).description.welds !== undefined ? [device.tag] : [];
  });
  const welded = staged.filter(({ situation }) => /^welded\d+$/.test(situation.key));
  const unseen = welding.filter((_, i) => welded[i]?.solution.active(released));
  return unseen.length ? [doubtful('safety-feedback', say('reason.safety-feedback.unseen', { unseen }))] : [];
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
    ? [cannot('safety-bypass', say('reason.safety-bypass', { onSafeName: onSafe.name, device: device.tag }))]
    : [];
}
