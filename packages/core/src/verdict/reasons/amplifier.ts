import { deviceType } from '../../catalog/index.ts';
import type { Analysis } from '../../analysis/index.ts';
import { elementId } from '../../network/index.ts';
import { formatVolts } from '../../units/index.ts';
import { cannot } from './reason.ts';
import type { Reason } from './reason.ts';

/** What a switching amplifier says of its NAMUR sensor (IEC 60947-5-6): no supply, a break, a short. */
export function amplifierReasons({ context, shown }: Analysis): Reason[] {
  if (context.type.family !== 'namur') return [];
  const amplifier = context.helpers.find(
    ({ typeId }) => deviceType(typeId).principle === 'switching amplifier',
  );
  if (!amplifier)
    return [
      cannot(
        'no-supply',
        `${context.device.tag} has no amplifier: a NAMUR sensor needs 8.2 V through 1 kΩ, not 24 V.`,
      ),
    ];
  const on = (local: string): boolean =>
    shown.some(({ solution }) => solution.active(elementId(amplifier.id, local)));
  const [state] = shown;
  if (!on('fed'))
    return [
      cannot(
        'no-supply',
        `${amplifier.tag} has no supply: ${formatVolts(state!.solution.volts(`${amplifier.id}:A1`) - state!.solution.volts(`${amplifier.id}:A2`))} from A1 to A2.`,
      ),
    ];
  if (!on('some'))
    return [
      cannot(
        'loop-open',
        `${amplifier.tag} reports a break: no current flows through ${context.device.tag}. Its loop is open, or its two wires are exchanged.`,
      ),
    ];
  return on('shorted')
    ? [
        cannot(
          'short-circuit',
          `${amplifier.tag} reports a short: the two wires of ${context.device.tag} touch.`,
        ),
      ]
    : [];
}
