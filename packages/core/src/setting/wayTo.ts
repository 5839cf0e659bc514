import type { MappedValue, SerialPlan, Device, Module } from '../model/index.ts';
import type { JobIndex } from '../job/index.ts';
import { networkPlaceOf, serialPlaceOf } from './derive/bus.ts';

/** How a part of a job is reached: a master itself, a device on a port of one, a unit on a line or network. */
export type Way =
  | { readonly kind: 'master'; readonly module: Module; readonly link: string }
  | {
      readonly kind: 'port';
      readonly device: Device;
      readonly master: Module;
      readonly link: string;
      readonly port: number;
    }
  | {
      readonly kind: 'unit';
      /** Tag of the line, or of the unit in its network. */
      readonly tag: string;
      readonly on: 'line' | 'network';
      readonly link: string;
      readonly framing: SerialPlan['framing'];
      readonly unit: number;
      readonly map: readonly MappedValue[];
    };

/** The way to a part, read off its wire and the plans; nothing where none leads to it. */
export function wayTo(index: JobIndex, itemId: string): Way | undefined {
  const module = index.module(itemId);
  if (module) return module.link ? { kind: 'master', module, link: module.link } : undefined;
  const device = index.device(itemId);
  const place = device && index.placeOfDevice(device);
  const master = place && index.module(place.moduleId);
  if (device && place && master?.link)
    return { kind: 'port', device, master, link: master.link, port: place.channel + 1 };
  const { plan, unit } = serialPlaceOf(index.job, itemId) ?? {};
  if (plan?.link && unit?.unit !== undefined)
    return {
      kind: 'unit',
      tag: plan.tag,
      on: 'line',
      link: plan.link,
      framing: plan.framing,
      unit: unit.unit,
      map: unit.map,
    };
  const member = networkPlaceOf(index.job, itemId)?.member;
  if (!member?.link) return undefined;
  const { tag, link, map } = member;
  return { kind: 'unit', tag, on: 'network', link, framing: 'tcp', unit: member.unit ?? 1, map };
}
