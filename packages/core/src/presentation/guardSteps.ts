import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import { aboutPoint } from '../network/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { safetyTarget, SAFETY_NOTE } from '../analysis/index.ts';
import type { LandStep } from './landStep.ts';

const MOVES = say('step.what-safe-contacts-release');
const BRIDGE = say('step.never-bridge-safety-device');

/** The proof of a guard's wiring and function, step by step. */
export function guardSteps({ context }: Analysis): LandStep[] {
  const { index, device, helpers, output } = context;
  const target = safetyTarget(context);
  const relay = target?.module.tag ?? say('step.safety-relay');
  const { present, away } = output.words;
  const reset = target?.settings.reset ?? 'none';
  const selector = target?.settings.selector;
  const contactor = helpers.find((helper) => index.deviceType(helper).description.welds);
  const about = aboutPoint(context);
  const steps: Omit<LandStep, 'about'>[] = [
    { key: 'safe-supply', title: say('step.power-up-supply-lamp', { relay }), detail: SAFETY_NOTE },
    {
      key: 'safe-closed',
      title: say('step.both-channels-show-closed', { present, relay }),
      detail: say('step.both-show-open', { away }),
    },
    resetStep(relay, present, reset),
    {
      key: 'safe-open',
      title: say('step.safe-side-drops-out', { away }),
    },
    {
      key: 'safe-one',
      title: say('step.open-channel-1-alone', { device: device.tag, relay }),
      caution: BRIDGE,
    },
    {
      key: 'safe-two',
      title: say('step.open-channel-2-alone', { device: device.tag, relay }),
      caution: BRIDGE,
    },
    {
      key: 'safe-cross',
      title: say('step.join-two-channels-terminals', { relay }),
      caution: BRIDGE,
    },
    ...(contactor
      ? [
          {
            key: 'safe-feedback',
            title: say('step.open-feedback-wire-does', { relay }),
            detail: say('step.mirror-contact-stands', { contactor: contactor.tag }),
          },
        ]
      : []),
    ...(selector
      ? [
          {
            key: 'safe-selector',
            title: say('step.write-down-selector-position', { selector: selectorText(selector) }),
          },
        ]
      : []),
    { key: 'safe-time', title: say('step.measure-how-long-outputs') },
  ];
  return steps.map((step) => ({ ...step, about }));
}

function resetStep(relay: Text, present: string, reset: string): Omit<LandStep, 'about'> {
  const key = 'safe-reset';
  if (reset === 'automatic')
    return {
      key,
      title: say('step.releases-itself', { present, relay }),
      caution: say('step.where-person-stand-behind', { moves: MOVES }),
    };
  const how = reset === 'monitored' ? say('step.letting-go-pressing') : '';
  return { key, title: say('step.press-let-go-reset', { relay, how }), caution: MOVES };
}

const selectorText = (value: string): Text =>
  value === '1' ? 'input 1 only' : value === 'either' ? say('step.either-input') : say('step.both-inputs');
