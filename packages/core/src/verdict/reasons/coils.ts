import { say } from '../../messages/index.ts';
import { resistanceBetween } from '../../circuit/index.ts';
import { elementId } from '../../network/index.ts';
import type { PointContext } from '../../network/index.ts';
import type { Netlist } from '../../circuit/index.ts';
import type { Analysis } from '../../analysis/index.ts';
import { cannot } from './reason.ts';
import type { Reason } from './reason.ts';

/** From so much on nothing but leakage joins two ends of a coil, Ω; below the other, no winding does. */
const OPEN_OHMS = 10_000;
const SHORT_OHMS = 5;

/** A pair of terminals of a unit for a coil sensor, and what stands between them outside the unit, Ω. */
export interface CoilPlace {
  readonly a: string;
  readonly b: string;
  readonly ohms: number;
}

/** The places for coil sensors of an arc unit, as an ohmmeter finds them with the unit's own burden taken off. */
export function coilPlaces({ type, device }: PointContext, netlist: Netlist): CoilPlace[] {
  return (type.description.chain?.coils ?? []).map(({ a, b, inside }) => {
    const outside = netlist.elements.filter(({ id }) => id !== elementId(device.id, inside));
    const ohms = resistanceBetween(
      { ...netlist, elements: outside },
      `${device.id}:${a}`,
      `${device.id}:${b}`,
      'dead',
    );
    return { a, b, ohms };
  });
}

export const isFree = ({ ohms }: CoilPlace): boolean => ohms > OPEN_OHMS;

/** Places of an arc unit without a coil sensor, or with one shorted: the unit does not start, or does not see its phase. */
export function coilReasons({ context, present }: Analysis): Reason[] {
  const places = coilPlaces(context, present.netlist);
  const free = places.filter(isFree);
  const shorted = places.filter(({ ohms }) => ohms < SHORT_OHMS);
  const pairs = (list: readonly CoilPlace[]): string[] => list.map(({ a, b }) => `${a}-${b}`);
  const { tag } = context.device;
  return [
    ...(free.length
      ? [cannot('coil-sensor', say('reason.coil-sensor.free', { device: tag, pairs: pairs(free) }))]
      : []),
    ...(shorted.length
      ? [cannot('coil-sensor', say('reason.coil-sensor.shorted', { device: tag, pairs: pairs(shorted) }))]
      : []),
  ];
}
