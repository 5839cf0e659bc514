import type { PointContext } from '../../network/index.ts';
import type { Reason } from '../../verdict/index.ts';
import { railWords } from '../../job/index.ts';

/** Two or three words that stand in the drawing where the current's way is stopped. */
export function stopWords(
  { code }: Reason,
  { rail, supply }: Pick<PointContext, 'rail' | 'supply'>,
): string | undefined {
  switch (code) {
    case 'same-pull':
    case 'group-mixed':
      return `both on ${railWords(rail ?? '-', supply.volts)}`;
    case 'common-open':
    case 'back-feed':
      return 'open';
    case 'wrong-sense':
      return 'blocks this way';
    default:
      return undefined;
  }
}
