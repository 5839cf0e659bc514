import { numbering, PANEL } from '../../job/index.ts';
import type { SingleChange } from '../../job/index.ts';
import type { Device } from '../../model/index.ts';
import type { PointContext } from '../../network/index.ts';

type AddHelper = Extract<SingleChange, { readonly kind: 'addHelper' }>;

/**
 * Makes further parts for a point, each with an id, a tag and wire numbers that nobody has yet.
 * @param letter begins the last part of their tags.
 * @returns takes what a part is, and where each of its terminals goes.
 */
export function newParts(
  { index, point }: PointContext,
  letter: string,
): (part: Pick<Device, 'typeId' | 'settings'>, ends: Readonly<Record<string, string>>) => AddHelper {
  const taken = new Set(index.job.devices.map(({ id }) => id));
  const number = numbering(index.job);
  let n = 0;
  return (part, ends) => {
    do n++;
    while (taken.has(`${point.id}-${letter}${n}`));
    const id = `${point.id}-${letter}${n}`;
    const tag = `${point.tag.slice(0, 20)}-${letter.toUpperCase()}${n}`;
    const wires = Object.entries(ends).map(([terminal, to]) => ({
      id: `${id}-${terminal}`,
      number: number(),
      from: `${id}:${terminal}`,
      to,
      colour: 'BK' as const,
      ...PANEL,
    }));
    return { kind: 'addHelper', pointId: point.id, device: { id, tag, ...part }, wires };
  };
}
