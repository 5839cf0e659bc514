import { canonical, oncePer } from '../lists/index.ts';
import { settingsOf } from '../catalog/index.ts';
import { asItStands, ownFunction } from '../job/index.ts';
import type { JobIndex } from '../job/index.ts';
import { splitRef } from '../model/index.ts';
import type { Fingerprint, Wire } from '../model/index.ts';
import type { PointContext } from './context.ts';

/** A short hash of anything that can be written as JSON; alike for the same content, whatever the order of its keys. */
function hashOf(value: unknown): string {
  const text = canonical(value);
  let [a, b] = [0xdeadbeef, 0x41c6ce57];
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    a = Math.imul(a ^ code, 2654435761);
    b = Math.imul(b ^ code, 1597334677);
  }
  a = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
  b = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909);
  return (4294967296 * (2097151 & b) + (a >>> 0)).toString(36);
}

/** Wires as they are planned: from where to where, and under which number. */
export const aboutWires = (wires: readonly Wire[]): Fingerprint =>
  Object.fromEntries(wires.map(({ id, number, from, to }) => [`wire:${id}`, hashOf({ number, from, to })]));

/** What a device or module is: its kind, its outputs, and the figures of its own datasheet. */
export function aboutKind(index: JobIndex, itemId: string): Fingerprint {
  const device = index.device(itemId);
  const module = index.module(itemId);
  const row = device ?? module;
  if (!row) return {};
  const otherwise = device ? asItStands(index, device).otherwise : [];
  const found = otherwise.map(({ parameter, found }) => [parameter.key, found]);
  return {
    [`kind:${itemId}`]: hashOf({
      typeId: row.typeId,
      outputs: device?.outputs,
      found: found.length ? found : undefined,
    }),
    ...(row.figures && {
      [`figures:${itemId}`]: hashOf(
        Object.entries(row.figures).map(([path, { min, nominal, max, unit }]) => [
          path,
          min,
          nominal,
          max,
          unit,
        ]),
      ),
    }),
  };
}

/** How a part's switches and settings stand. @param counts which of them count; all where nothing is said. */
export function aboutSettings(
  index: JobIndex,
  itemId: string,
  counts: (key: string) => boolean = () => true,
): Fingerprint {
  const device = index.device(itemId);
  const module = index.module(itemId);
  const type = device ? index.deviceType(device) : module && index.moduleType(module);
  if (!type?.settings?.length) return {};
  const all = settingsOf(type, (device ?? module)?.settings);
  // What a terminal is called changes no work.
  const naming = new Set(type.settings.filter(({ names }) => names !== undefined).map(({ key }) => key));
  const own = Object.entries(all).filter(([key]) => counts(key) && !naming.has(key));
  return own.length ? { [`settings:${itemId}`]: hashOf(Object.fromEntries(own)) } : {};
}

/** Settings of a module that concern some of its ports, by the names before their points. */
export const ofPorts =
  (names: ReadonlySet<string>) =>
  (key: string): boolean =>
    !key.includes('.') || names.has(key.slice(0, key.indexOf('.')));

/**
 * Everything on which a point's behaviour rests: its wires as they are in the panel, its parts and the modules that it
 * stands on with their settings and figures, the supplies that feed it, and how the program takes it.
 */
export const aboutPoint = oncePer(({ index, point, device, ports, scope }: PointContext): Fingerprint => {
  const own = point.range && ownFunction(index, device, point.range);
  const { low, high } = point.range ?? {};
  const chosenData = point.scaling?.data;
  const differs = own && (own.root || own.low !== low || own.high !== high);
  const names = new Set(ports.map(({ port }) => port.name));
  const supplies = new Set(
    scope.wires.flatMap(({ from, to }) => [from, to]).map((ref) => splitRef(ref).item),
  );
  return {
    ...mended(index, [
      point.id,
      ...scope.wires.map(({ id }) => id),
      ...scope.deviceIds,
      ...scope.parts.keys(),
      ...supplies,
    ]),
    [`point:${point.id}`]: hashOf({
      outputId: point.outputId,
      bit: point.bit,
      range: point.range,
      stops: point.stops,
      program: point.program,
      own: differs ? own : undefined,
      switching: point.switching,
      // Of a value that arrives as data: which it is and what it means.
      data: chosenData && Object.keys(chosenData).length ? chosenData : undefined,
    }),
    ...Object.assign(
      {},
      ...scope.wires.map(({ id, from, to, lengthM, mm2 }) => ({
        [`wire:${id}`]: hashOf({ from, to, lengthM, mm2 }),
      })),
      ...[...scope.deviceIds].flatMap((id) => [aboutKind(index, id), aboutSettings(index, id)]),
      ...[...scope.parts.keys()].flatMap((id) => [
        aboutKind(index, id),
        aboutSettings(index, id, ofPorts(names)),
      ]),
    ),
    ...Object.fromEntries(
      index.job.supplies
        .filter(({ id }) => supplies.has(id))
        .map(({ id, tag: _, ...row }) => [`supply:${id}`, hashOf(row)]),
    ),
  };
});

/** What of these was mended, and when. */
const mended = (index: JobIndex, ids: readonly string[]): Fingerprint =>
  Object.fromEntries(
    ids.flatMap((id) => {
      const times = index.mendsOf(id);
      return times.length ? [[`mended:${id}`, hashOf(times)]] : [];
    }),
  );

/** The parts of a fingerprint that stand otherwise now, or are there no more; what has come since counts too. */
export function changedParts(before: Fingerprint, now: Fingerprint): string[] {
  const keys = new Set([...Object.keys(before), ...Object.keys(now)]);
  return [...keys].filter((key) => before[key] !== now[key]);
}

/** Anything else that something was about, under a name of its own. */
export const aboutValue = (name: string, value: unknown): Fingerprint => ({ [name]: hashOf(value) });
