import { aboutPoint } from '../network/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { safetyTarget, SAFETY_NOTE } from '../analysis/index.ts';
import type { LandStep } from './landStep.ts';

const MOVES = 'What the safe contacts release can move. Keep everybody out of the guarded space.';
const BRIDGE =
  'Never bridge a safety device to test; open its channel at a terminal, with a second person at the stop.';

/** The proof of a guard's wiring and function, step by step. */
export function guardSteps({ context }: Analysis): LandStep[] {
  const { index, device, helpers, output } = context;
  const target = safetyTarget(context);
  const relay = target?.module.tag ?? 'the safety relay';
  const { present, away } = output.words;
  const reset = target?.settings.reset ?? 'none';
  const selector = target?.settings.selector;
  const contactor = helpers.find((helper) => index.deviceType(helper).description.welds);
  const about = aboutPoint(context);
  const steps: Omit<LandStep, 'about'>[] = [
    { key: 'safe-supply', title: `Power up: the supply lamp of ${relay} lights`, detail: SAFETY_NOTE },
    {
      key: 'safe-closed',
      title: `${present}: both channels of ${relay} show closed`,
      detail: `${away}: both show open.`,
    },
    resetStep(relay, present, reset),
    {
      key: 'safe-open',
      title: `${away}: the safe side drops out at once, and stays out when the guard closes again`,
    },
    {
      key: 'safe-one',
      title: `Open channel 1 of ${device.tag} alone: ${relay} drops out`,
      caution: BRIDGE,
    },
    {
      key: 'safe-two',
      title: `Open channel 2 of ${device.tag} alone: ${relay} drops out`,
      caution: BRIDGE,
    },
    {
      key: 'safe-cross',
      title: `Join the two channels at the terminals for a moment: ${relay} drops out or does not start`,
      caution: BRIDGE,
    },
    ...(contactor
      ? [
          {
            key: 'safe-feedback',
            title: `Open the feedback wire: ${relay} does not start again`,
            detail: `The mirror contact of ${contactor.tag} stands in it.`,
          },
        ]
      : []),
    ...(selector
      ? [{ key: 'safe-selector', title: `Write down the selector’s position: ${selectorWords(selector)}` }]
      : []),
    { key: 'safe-time', title: 'Measure how long the outputs take to drop out, against the stated time' },
  ];
  return steps.map((step) => ({ ...step, about }));
}

function resetStep(relay: string, present: string, reset: string): Omit<LandStep, 'about'> {
  const key = 'safe-reset';
  if (reset === 'automatic')
    return {
      key,
      title: `${present}: ${relay} releases by itself`,
      caution: `${MOVES} Where a person can stand behind the guard, reset must be manual and monitored.`,
    };
  const how = reset === 'monitored' ? ' on letting go, not on pressing' : '';
  return { key, title: `Press and let go of reset: ${relay} releases${how}`, caution: MOVES };
}

const selectorWords = (value: string): string =>
  value === '1' ? 'input 1 only' : value === 'either' ? 'either input' : 'both inputs';
