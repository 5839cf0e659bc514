import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import type { Fingerprint } from '../model/index.ts';
import { aboutPoint, elementId } from '../network/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { safetyTarget, SAFETY_NOTE } from '../analysis/index.ts';
import type { LandStep } from './landStep.ts';

const MOVES = say('step.what-safe-contacts-release');
const BRIDGE = say('step.never-bridge-safety-device');

/** The proof of a guard's wiring and function, step by step, as its states were solved. */
export function guardSteps(analysis: Analysis): LandStep[] {
  const { context, present: running } = analysis;
  const { index, device, helpers, output } = context;
  const target = safetyTarget(context);
  const relay = target?.module.tag ?? say('step.safety-relay');
  const { present, away } = output.words;
  const has = (local: string): boolean =>
    running.netlist.elements.some(({ id }) => id === elementId(target?.module.id ?? '', local));
  const contactor = helpers.find((helper) => index.deviceType(helper).description.welds);
  const about = (): Fingerprint => aboutPoint(context);
  const again = isReleased(analysis, 'again');
  const steps: Omit<LandStep, 'about'>[] = [
    ...(has('fed')
      ? [{ key: 'safe-supply', title: say('step.power-up-supply-lamp', { relay }), detail: SAFETY_NOTE }]
      : []),
    {
      key: 'safe-closed',
      title: say('step.both-channels-show-closed', { present, relay }),
      detail: say('step.both-show-open', { away }),
      ...(!has('fed') && { caution: SAFETY_NOTE }),
    },
    resetStep(analysis, relay, present),
    {
      key: 'safe-open',
      title: again
        ? say('step.safe-side-drops-out-returns', { away, present })
        : say('step.safe-side-drops-out', { away }),
      ...(again && { caution: MOVES }),
    },
    ...channelSteps(device.tag, relay),
    ...(contactor && has('feedback')
      ? [
          {
            key: 'safe-feedback',
            title: say('step.open-feedback-wire-does', { relay }),
            detail: say('step.mirror-contact-stands', { contactor: contactor.tag }),
          },
        ]
      : []),
    ...(target?.settings.selector
      ? [
          {
            key: 'safe-selector',
            title: say('step.write-down-selector-position', {
              selector: selectorText(target.settings.selector),
            }),
          },
        ]
      : []),
    { key: 'safe-time', title: say('step.measure-how-long-outputs') },
  ];
  return steps.map((step) => ({ ...step, about }));
}

/** Each channel alone, and both joined: what a single fault would do. */
const channelSteps = (tag: string, relay: Text): Omit<LandStep, 'about'>[] => [
  {
    key: 'safe-one',
    title: say('step.open-channel-1-alone', { device: tag, relay }),
    caution: BRIDGE,
  },
  {
    key: 'safe-two',
    title: say('step.open-channel-2-alone', { device: tag, relay }),
    caution: BRIDGE,
  },
  {
    key: 'safe-cross',
    title: say('step.join-two-channels-terminals', { relay }),
    caution: say('step.joint-for-the-test'),
  },
];

/** Whether the safe side is released in a state, as it was solved. */
function isReleased({ context, shown, staged }: Analysis, key: string): boolean {
  const target = safetyTarget(context);
  const state = [...shown, ...staged].find(({ situation }) => situation.key === key);
  return target !== undefined && (state?.solution.active(target.released) ?? false);
}

/** How the safe side comes on: by itself, on the press of a button, or when that is let go of. */
function resetStep(analysis: Analysis, relay: Text, present: string): Omit<LandStep, 'about'> {
  const key = 'safe-reset';
  if (isReleased(analysis, 'closed'))
    return {
      key,
      title: say('step.releases-itself', { present, relay }),
      caution: say('step.where-person-stand-behind', { moves: MOVES }),
    };
  return isReleased(analysis, 'pressed')
    ? { key, title: say('step.reset-on-press', { relay }), caution: MOVES }
    : { key, title: say('step.press-let-go-reset', { relay }), caution: MOVES };
}

const selectorText = (value: string): Text =>
  value === '1' ? 'input 1 only' : value === 'either' ? say('step.either-input') : say('step.both-inputs');
