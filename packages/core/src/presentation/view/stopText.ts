import { say } from '../../messages/index.ts';
import type { Text } from '../../messages/index.ts';
import type { PointContext } from '../../network/index.ts';
import type { Reason } from '../../verdict/index.ts';
import { railText } from '../../job/index.ts';

/** Two or three words that stand in the drawing where the current's way is stopped. */
export function stopText(
  { code }: Reason,
  { rail, supply }: Pick<PointContext, 'rail' | 'supply'>,
): Text | undefined {
  switch (code) {
    case 'same-pull':
    case 'group-mixed':
      return say('drawing.both-on', { rail: railText(rail ?? '-', supply.volts) });
    case 'common-open':
    case 'back-feed':
      return 'open';
    case 'wrong-sense':
      return say('drawing.blocks-way');
    default:
      return undefined;
  }
}
