import type { Supply } from '../model/index.ts';

/** The supplies that feed a branch, the nearest first; none where the line is broken or runs in a ring. */
export function feedersOf(supplies: readonly Supply[], branch: Supply): Supply[] {
  const line: Supply[] = [];
  let now: Supply | undefined = branch;
  while (now?.feed) {
    const { from }: { from: string } = now.feed;
    now = supplies.find(({ id }) => id === from);
    if (!now || now === branch || line.includes(now)) return [];
    line.push(now);
  }
  return line;
}

/** The name of a supply's minus or neutral in the network. */
export const minusOf = ({ id, kind }: Supply): string => `${id}:${kind === 'ac' ? 'N' : '-'}`;

/** The name of a supply's plus or line in the network. */
export const plusOf = ({ id, kind }: Supply): string => `${id}:${kind === 'ac' ? 'L' : '+'}`;
