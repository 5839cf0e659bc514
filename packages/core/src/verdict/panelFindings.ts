import type { JobIndex } from '../job/index.ts';
import { refText } from '../job/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { railJoints } from '../network/index.ts';
import type { RailJoint } from '../network/index.ts';

/** Something that is wrong with the panel as a whole, whatever its points do. */
interface PanelFinding {
  readonly weight: 'cannot' | 'doubtful';
  readonly sentence: Message;
}

/** What joins rails of a panel that must not meet: shorts first. */
export function panelFindings(index: JobIndex): PanelFinding[] {
  const found = railJoints(index).map((joint) => ({
    weight: joint.kind === 'short' ? ('cannot' as const) : ('doubtful' as const),
    sentence: jointText(index, joint),
  }));
  return found.sort((a, b) => Number(b.weight === 'cannot') - Number(a.weight === 'cannot'));
}

/** A joint of two rails in words, with its wires and what it lets happen. */
export function jointText(
  index: JobIndex,
  { kind, supply, other, from, to, wires, amps }: RailJoint,
): Message {
  const numbers = wires.map(({ number }) => number);
  const ends = { from: refText(index, from), to: refText(index, to), numbers };
  if (kind === 'bypass')
    return say('reason.rails.bypass', { ...ends, branch: supply.feed ? supply.tag : other.tag });
  if (kind === 'parallel') return say('reason.rails.parallel', ends);
  return say(supply.kind === 'ac' ? 'reason.rails.mains-short' : 'reason.rails.short', { ...ends, amps });
}
