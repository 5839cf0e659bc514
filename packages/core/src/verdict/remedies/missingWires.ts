import { supplyTerminals } from '../../catalog/index.ts';
import { say } from '../../messages/index.ts';
import { splitRef } from '../../model/index.ts';
import type { Rail } from '../../job/index.ts';
import {
  moduleSupplyWires,
  numbering,
  PANEL,
  proposeWires,
  railColour,
  refText,
  wireId,
} from '../../job/index.ts';
import type { PointContext } from '../../network/index.ts';
import type { Remedy } from './remedy.ts';

/** So many wires are tried: each is solved, and a large relay has many free contacts. */
const MAX_TRIED = 30;

/**
 * One wire more: the device's own leads and the supply of its module where they belong, then every free terminal of
 * the point's parts and ports to another free one, or to a rail. Whether it holds is left to the solution, like that
 * of any other way. A safety function gets no wires by trial: only leads where they belong.
 */
export function missingWires(context: PointContext): Remedy[] {
  const tried = new Map<string, Remedy>();
  const isSafety = context.output.drivenBy === 'guard';
  for (const [from, to] of [...proposedEnds(context), ...(isSafety ? [] : freeEnds(context))]) {
    const key = [from, to].sort().join(' ');
    if (tried.size >= MAX_TRIED) break;
    if (!tried.has(key) && isAllowed(context, from, to)) tried.set(key, wireBetween(context, from, to));
  }
  return [...tried.values()];
}

/** Whether a wire may be proposed at all, whatever the solution says of it: no lead goes past a barrier. */
export function isAllowed({ index, device, helpers }: PointContext, from: string, to: string): boolean {
  const items = [splitRef(from).item, splitRef(to).item];
  const barriers = helpers.filter((helper) => {
    const { inline, cautions } = index.deviceType(helper).description;
    return inline && cautions?.isolate !== undefined;
  });
  return !barriers.length || !items.includes(device.id) || barriers.some(({ id }) => items.includes(id));
}

type Ends = readonly [from: string, to: string];

/** Wires that would be proposed with the point or its modules, and are not there. */
function proposedEnds({ index, point, place, ports }: PointContext): Ends[] {
  const { job } = index;
  const wires = [
    ...(place ? proposeWires(job, point, place) : []),
    ...ports.flatMap(({ module }) => moduleSupplyWires(job, module)),
  ];
  return wires.filter(({ from }) => index.wiresAt(from).length === 0).map(({ from, to }) => [from, to]);
}

/** Terminals of the point's parts, and of its modules those by which its own ports are wired or supplied. */
function terminalsAbout({ index, device, helpers, ports }: PointContext) {
  const ofParts = [device, ...helpers].map((part) =>
    index.deviceType(part).terminals.map(({ name }) => `${part.id}:${name}`),
  );
  const ofModules = [...new Set(ports.map(({ module }) => module))].map((module) =>
    index.types.module(module).terminals.map(({ name }) => `${module.id}:${name}`),
  );
  const own = new Set(ports.flatMap(({ module, port }) => ownTerminals(module.id, port)));
  const isFree = (ref: string): boolean => index.wiresAt(ref).length === 0 && !index.railAt(ref);
  const items = [...ofParts, ...ofModules];
  const free = items.map((refs) => refs.filter(isFree));
  // Of a module only what belongs to the point's own ports, or supplies it.
  const wanted = free.map((refs, i) =>
    i < ofParts.length ? refs : refs.filter((ref) => own.has(ref) || /:(L\+|M)$/.test(ref)),
  );
  return {
    items,
    own,
    isFree,
    parts: wanted.slice(0, ofParts.length),
    modules: wanted.slice(ofParts.length),
  };
}

/** All rails of a job, as terminals of its supplies: the earth is none. */
export const railsOf = ({ job }: PointContext['index']): string[] =>
  job.supplies.flatMap((supply) =>
    supplyTerminals(supply).flatMap((name) => (name === 'PE' ? [] : [`${supply.id}:${name}`])),
  );

/** Those of them that nothing is landed on. */
export function bareTerminals(context: PointContext): string[] {
  const { parts, modules } = terminalsAbout(context);
  return [...modules, ...parts].flat();
}

function freeEnds(context: PointContext): Ends[] {
  const { index } = context;
  const { items, own, isFree, parts, modules } = terminalsAbout(context);
  const wanted = [...parts, ...modules];
  const rails = railsOf(index);
  const toRail = (from: string): Ends[] => rails.map((to): Ends => [from, to]);
  const pairs = wanted.flatMap((refs, i) =>
    refs.flatMap((from) => wanted.slice(i + 1).flatMap((others) => others.map((to): Ends => [from, to]))),
  );
  const taken = items.flat().filter((ref) => !isFree(ref) && own.has(ref));
  const toTaken = wanted.flat().flatMap((from) => taken.map((to): Ends => [from, to]));
  return [
    ...modules.flat().flatMap(toRail),
    ...pairs.slice(0, MAX_TRIED / 2),
    ...parts.flat().flatMap(toRail),
    ...toTaken,
  ].filter(([from, to]) => splitRef(from).item !== splitRef(to).item);
}

/** Terminals that a port of a module is wired by. */
function ownTerminals(moduleId: string, port: PointContext['ports'][number]['port']): string[] {
  const names = Object.values(port.roles).filter((name): name is string => name !== undefined);
  const common = 'common' in port && typeof port.common === 'string' ? [port.common] : [];
  return [...new Set([...names, ...common])].map((name) => `${moduleId}:${name}`);
}

function wireBetween({ index }: PointContext, from: string, to: string): Remedy {
  const { job } = index;
  const { item, terminal } = splitRef(from);
  const device = index.device(item);
  const own = device && index.deviceType(device).terminals.find(({ name }) => name === terminal)?.colour;
  // A lead is as long as the others of its device.
  const beside = device && index.job.wires.find((wire) => wire.from.startsWith(`${item}:`));
  const rail = index.supply(splitRef(to).item) ? (splitRef(to).terminal as Rail) : undefined;
  return {
    sentence: say('remedy.add-wire', { from: refText(index, from), to: refText(index, to) }),
    change: {
      kind: 'addWire',
      wire: {
        id: `${wireId(item, terminal)}-w`,
        number: numbering(job)(),
        from,
        to,
        colour: own ?? (rail ? railColour(job, rail) : 'BK'),
        ...PANEL,
        ...(beside && { lengthM: beside.lengthM, mm2: beside.mm2 }),
      },
    },
  };
}
