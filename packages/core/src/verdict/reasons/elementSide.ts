import { say } from '../../messages/index.ts';
import type { Analysis } from '../../analysis/index.ts';
import { elementId } from '../../network/index.ts';
import { cannot } from './reason.ts';
import type { Reason } from './reason.ts';

/** From so much on a transmitter is at its signal for a fault, A. */
const LEAST_AMPS = 0.001;

/** A transmitter that does not see its element whole: it gives the signal that it is set to for that, whatever is measured. */
export function elementSideReasons({ context, present }: Analysis): Reason[] {
  const { type, device } = context;
  const side = type.description.elementSide;
  if (!side) return [];
  const amps = present.solution.amps(elementId(device.id, 'alarm'));
  if (amps < LEAST_AMPS) return [];
  const terminals = Object.values(side.roles).filter((name): name is string => name !== undefined);
  return [cannot('element-open', say('reason.element-open', { device: device.tag, terminals, amps }))];
}
