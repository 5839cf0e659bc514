import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { FaultSort } from '../model/index.ts';

/** What mends it, and what stands before that is done: nothing where nobody comes near anything that can hurt. */
export interface Mending {
  readonly how: Message;
  readonly caution: Message | undefined;
}

const dead = (how: Message): Mending => ({ how, caution: say('fault.mend-dead') });
const moves = (how: Message): Mending => ({ how, caution: say('fault.mend-moves') });

const MENDING: Readonly<Record<FaultSort, () => Mending>> = {
  'wire-open': () => dead(say('fault.mend-wire-open')),
  'wire-weak': () => dead(say('fault.mend-wire-weak')),
  'wires-exchanged': () => dead(say('fault.mend-wires-exchanged')),
  'wire-short': () => dead(say('fault.mend-wire-short')),
  supply: () => dead(say('fault.mend-supply')),
  output: () => dead(say('fault.mend-output')),
  part: () => dead(say('fault.mend-part')),
  input: () => dead(say('fault.mend-input')),
  kind: () => dead(say('fault.mend-kind')),
  target: () => moves(say('fault.mend-target')),
  setting: () => moves(say('fault.mend-setting')),
  program: () => moves(say('fault.mend-program')),
  led: () => ({ how: say('fault.mend-led'), caution: undefined }),
  other: () => dead(say('fault.mend-other')),
};

/** What mends a fault, by its sort. */
export const mendingOf = (sort: FaultSort): Mending => MENDING[sort]();
