import { channelsOf, deviceType, groupOfChannel, moduleTerminals, moduleType } from '../catalog/index.ts';
import type { JobContent, OutputKind, Wire } from '../model/job.ts';
import { splitRef } from '../model/job.ts';
import { statusIn } from './analysis.ts';
import { applyChange } from './changes.ts';
import type { Change } from './changeSchema.ts';
import { JobIndex, otherEnd } from './jobIndex.ts';
import { contactRail } from './propose.ts';
import { commonWords, OUTPUT_WORDS } from './sentences.ts';
import type { PointContext } from './states.ts';
import { supplyNodes } from './states.ts';

/** One way to make a point work: what to do, in a sentence, and the change that does it. */
export interface WayOut {
  readonly sentence: string;
  readonly change: Change;
}

const NOBODY = { by: 'Key Post', at: '2000-01-01T00:00:00.000Z' };
const MOST_WAYS = 4;

/**
 * Proposes changes and keeps those that hold when they are solved: the point then works, and no neighbour that
 * worked before stops.
 */
export function findWaysOut(context: PointContext): WayOut[] {
  const candidates = [
    ...landWires(context),
    ...turnSupply(context),
    ...turnCommon(context),
    ...moveContact(context),
    ...moveChannel(context),
    ...otherSensor(context),
  ];
  const found: WayOut[] = [];
  for (const way of candidates) {
    if (found.length >= MOST_WAYS) break;
    if (holds(context, way)) found.push(way);
  }
  return found;
}

function holds({ index, point, device }: PointContext, { change }: WayOut): boolean {
  const modules = new Set(
    [...modulesOf(change), index.placeOf(device)?.moduleId].filter((id) => id !== undefined),
  );
  const before = excerpt(index, device.id, modules);
  let after: JobContent;
  try {
    after = applyChange(before, change, NOBODY);
  } catch {
    return false;
  }
  if (statusIn(after, point.id) !== 'works') return false;
  return neighbours(new JobIndex(after), change)
    .flatMap((id) => index.pointFor(id)?.id ?? [])
    .every((id) => id === point.id || statusIn(before, id) !== 'works' || statusIn(after, id) === 'works');
}

function singles(change: Change): Change[] {
  return change.kind === 'several' ? change.changes.map((part) => part as Change) : [change];
}

function modulesOf(change: Change): string[] {
  return singles(change).flatMap((part) =>
    part.kind === 'setCommon'
      ? [part.moduleId]
      : part.kind === 'assign' && part.place
        ? [part.place.moduleId]
        : [],
  );
}

/** The part of a job that a change of a few modules can act on, so that trying it does not depend on the job's size. */
function excerpt(index: JobIndex, deviceId: string, moduleIds: ReadonlySet<string>): JobContent {
  const { job } = index;
  const ids = new Set([deviceId]);
  for (const moduleId of moduleIds)
    for (const channel of channelsOf(moduleType(index.module(moduleId)!.typeId)))
      for (const ref of index.across(`${moduleId}:I${channel}`))
        if (index.device(splitRef(ref).item)) ids.add(splitRef(ref).item);
  return {
    ...job,
    modules: [...moduleIds].map((id) => index.module(id)!),
    devices: [...ids].map((id) => index.device(id)!),
    points: [...ids].flatMap((id) => index.pointFor(id) ?? []),
    wires: wiresOf(index, ids, moduleIds),
    stamps: [],
    results: [],
  };
}

function wiresOf(index: JobIndex, deviceIds: ReadonlySet<string>, moduleIds: ReadonlySet<string>): Wire[] {
  const refs = [
    ...[...deviceIds].flatMap((id) =>
      deviceType(index.device(id)!.typeId).terminals.map(({ name }) => `${id}:${name}`),
    ),
    ...[...moduleIds].flatMap((id) =>
      moduleTerminals(moduleType(index.module(id)!.typeId)).map((name) => `${id}:${name}`),
    ),
  ];
  const known = new Set(refs);
  const wires = new Map<string, Wire>();
  for (const ref of refs)
    for (const wire of index.wiresAt(ref)) {
      const far = otherEnd(wire, ref);
      if (known.has(far) || /:[+-]$/.test(far)) wires.set(wire.id, wire);
    }
  return [...wires.values()];
}

/** Devices on which a change acts besides its own: those of a common that it turns, or of one that is loose after it. */
function neighbours(after: JobIndex, change: Change): string[] {
  return singles(change).flatMap((part) => {
    if (part.kind === 'setCommon') {
      const type = moduleType(after.module(part.moduleId)!.typeId);
      const [first] = type.groups.find(({ common }) => common === part.common)!.channels;
      const place = { moduleId: part.moduleId, channel: first! };
      return [after.deviceAt(place), ...after.mates(place)].flatMap((device) => device?.id ?? []);
    }
    if (
      part.kind !== 'assign' ||
      !part.place ||
      after.railOf(part.place.moduleId, after.commonOf(part.place))
    )
      return [];
    return after.mates(part.place).map(({ id }) => id);
  });
}

function landWires({ index, device, supply }: PointContext): WayOut[] {
  const nodes = supplyNodes(device);
  if (!nodes) return [];
  const missing = (
    [
      ['+', nodes.plus],
      ['-', nodes.minus],
    ] as const
  ).filter(([, ref]) => !index.railAt(ref));
  if (!missing.length) return [];
  const place = index.placeOf(device);
  const names = missing.map(
    ([rail, ref]) =>
      `${splitRef(ref).terminal} on ${rail === '+' ? `+${Math.round(supply.volts)} V` : '0 V'}`,
  );
  return place
    ? [
        {
          sentence: `Land ${names.join(' and ')}`,
          change: { kind: 'assign', pointId: index.pointFor(device.id)!.id, place },
        },
      ]
    : [];
}

function turnSupply({ index, device }: PointContext): WayOut[] {
  const nodes = supplyNodes(device);
  const place = index.placeOf(device);
  if (!nodes || !place || index.railAt(nodes.plus)?.rail !== '-' || index.railAt(nodes.minus)?.rail !== '+')
    return [];
  return [
    {
      sentence: 'Exchange the two supply wires: BN on plus, BU on 0 V',
      change: { kind: 'assign', pointId: index.pointFor(device.id)!.id, place },
    },
  ];
}

function turnCommon(context: PointContext): WayOut[] {
  const { place, common, rail, supply } = context;
  if (!place || !common) return [];
  const rails = rail ? ([rail === '+' ? '-' : '+'] as const) : (['-', '+'] as const);
  return rails.map((to) => ({
    sentence: `Put ${commonWords(context).toLowerCase()} of ${context.module!.tag} on ${to === '+' ? `+${Math.round(supply.volts)} V` : '0 V'}`,
    change: { kind: 'setCommon', moduleId: place.moduleId, common, rail: to },
  }));
}

function moveContact({ index, device, place, supply }: PointContext): WayOut[] {
  if (device.output !== 'contact' || !place) return [];
  const wire = index.wiresAt(`${device.id}:1`)[0];
  const rail = contactRail(index.job, place);
  if (!wire) return [];
  const end = wire.from === `${device.id}:1` ? 'to' : 'from';
  return [
    {
      sentence: `Move wire ${wire.number} of the contact to ${rail === '+' ? `+${Math.round(supply.volts)} V` : '0 V'}`,
      change: { kind: 'moveWire', wireId: wire.id, [end]: `${supply.id}:${rail}` },
    },
  ];
}

/** A free channel in another group, its common taken as it is or, where it is on no rail, put on one. */
function moveChannel(context: PointContext): WayOut[] {
  const { index, point, place, supply } = context;
  const ways: { way: WayOut; rank: number }[] = [];
  for (const module of index.job.modules) {
    const type = moduleType(module.typeId);
    for (const group of type.groups) {
      if (place?.moduleId === module.id && group.channels.includes(place.channel)) continue;
      const free = group.channels.find((channel) => !index.deviceAt({ moduleId: module.id, channel }));
      if (free === undefined) continue;
      const move: Change = {
        kind: 'assign',
        pointId: point.id,
        place: { moduleId: module.id, channel: free },
      };
      const where = `Move ${point.tag} to ${module.tag} channel ${free}`;
      const rail = index.railOf(module.id, group.common);
      const sits = `common ${group.common.slice(3)}`;
      if (rail) {
        const words = rail.rail === '+' ? `+${Math.round(supply.volts)} V` : '0 V';
        ways.push({ rank: 0, way: { sentence: `${where}, where ${sits} sits on ${words}`, change: move } });
        continue;
      }
      for (const to of ['-', '+'] as const) {
        const common: Change = { kind: 'setCommon', moduleId: module.id, common: group.common, rail: to };
        const words = to === '+' ? `+${Math.round(supply.volts)} V` : '0 V';
        const sentence = `${where} and put its ${sits} on ${words}`;
        ways.push({ rank: 1, way: { sentence, change: { kind: 'several', changes: [common, move] } } });
      }
    }
  }
  return ways
    .sort((a, b) => a.rank - b.rank)
    .map(({ way }) => way)
    .slice(0, 6);
}

function otherSensor({ index, device, point }: PointContext): WayOut[] {
  const kinds = deviceType(device.typeId).outputs.filter((kind) => kind !== device.output);
  const order: OutputKind[] = ['npn', 'pnp', 'pushpull'];
  return order
    .filter((kind) => kinds.includes(kind))
    .map((kind) => ({
      sentence: `Fit the ${OUTPUT_WORDS[kind]} version of ${index.deviceOf(point).tag}`,
      change: { kind: 'editPoint', id: point.id, patch: { output: kind } },
    }));
}

/** Channels of a job that are free, group by group. */
export function freeChannels(index: JobIndex): { moduleId: string; channel: number; common: string }[] {
  return index.job.modules.flatMap((module) => {
    const type = moduleType(module.typeId);
    return channelsOf(type)
      .filter((channel) => !index.deviceAt({ moduleId: module.id, channel }))
      .map((channel) => ({ moduleId: module.id, channel, common: groupOfChannel(type, channel)!.common }));
  });
}
