import type { Analysis } from '../../analysis/index.ts';
import { elementId } from '../../network/index.ts';
import { formatVolts } from '../../units/index.ts';
import { cannot } from './reason.ts';
import type { Reason } from './reason.ts';

/** What a switching amplifier says of its NAMUR sensor (IEC 60947-5-6): no supply, a break, a short. */
export function amplifierReasons({ context, shown }: Analysis): Reason[] {
  if (!context.output.needsAmplifier) return [];
  const amplifier = context.helpers.find((helper) => context.index.deviceType(helper).description.amplifier);
  const says = amplifier && context.index.deviceType(amplifier).description.amplifier;
  if (!amplifier || !says)
    return [
      cannot(
        'no-supply',
        `${context.device.tag} has no amplifier: a NAMUR sensor needs 8.2 V through 1 kΩ, not 24 V.`,
      ),
    ];
  const on = (local: string): boolean =>
    shown.some(({ solution }) => solution.active(elementId(amplifier.id, local)));
  const [state] = shown;
  if (!on(says.fed))
    return [
      cannot(
        'no-supply',
        `${amplifier.tag} has no supply: ${formatVolts(state!.solution.volts(`${amplifier.id}:${says.plus}`) - state!.solution.volts(`${amplifier.id}:${says.minus}`))} from ${says.plus} to ${says.minus}.`,
      ),
    ];
  if (!on(says.whole))
    return [
      cannot(
        'loop-open',
        `${amplifier.tag} reports a break: no current flows through ${context.device.tag}. Its loop is open, or its two wires are exchanged.`,
      ),
    ];
  return on(says.shorted)
    ? [
        cannot(
          'short-circuit',
          `${amplifier.tag} reports a short: the two wires of ${context.device.tag} touch.`,
        ),
      ]
    : [];
}
