import { sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Analysis } from '../../analysis/index.ts';
import { elementId } from '../../network/index.ts';
import { cannot } from './reason.ts';
import type { Reason } from './reason.ts';

/** What a switching amplifier says of its NAMUR sensor (IEC 60947-5-6): no supply, a break, a short. */
export function amplifierReasons({ context, shown }: Analysis): Reason[] {
  if (!context.output.needsAmplifier) return [];
  const amplifier = context.helpers.find((helper) => context.index.deviceType(helper).description.amplifier);
  const says = amplifier && context.index.deviceType(amplifier).description.amplifier;
  if (!amplifier || !says)
    return [cannot('no-supply', say('reason.no-supply', { device: context.device.tag }))];
  const on = (local: string): boolean =>
    shown.some(({ solution }) => solution.active(elementId(amplifier.id, local)));
  const [state] = shown;
  if (!on(says.fed))
    return [
      cannot(
        'no-supply',
        say('reason.no-supply.amplifier', {
          amplifier: amplifier.tag,
          volts: sure(state).solution.volts(`${amplifier.id}:${says.plus}`),
          volts2: sure(state).solution.volts(`${amplifier.id}:${says.minus}`),
          plus: says.plus,
          minus: says.minus,
        }),
      ),
    ];
  if (!on(says.whole))
    return [
      cannot('loop-open', say('reason.loop-open', { amplifier: amplifier.tag, device: context.device.tag })),
    ];
  return on(says.shorted)
    ? [
        cannot(
          'short-circuit',
          say('reason.short-circuit', { amplifier: amplifier.tag, device: context.device.tag }),
        ),
      ]
    : [];
}
