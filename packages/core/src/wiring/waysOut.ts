import { channelsOf, deviceType, groupOfChannel, moduleType } from '../catalog/index.ts';
import type { JobContent, OutputKind } from '../model/job.ts';
import { splitRef } from '../model/job.ts';
import { statusIn } from './analysis.ts';
import type { VerdictStatus } from './analysis.ts';
import { applyChange } from './changes.ts';
import type { Change } from './changeSchema.ts';
import { JobIndex } from './jobIndex.ts';
import type { ChannelPlace } from './jobIndex.ts';
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
  const before = new Map<string, VerdictStatus>();
  for (const way of candidates) {
    if (found.length >= MOST_WAYS) break;
    if (holds(context, way, before)) found.push(way);
  }
  return found;
}

function holds({ index, point }: PointContext, way: WayOut, before: Map<string, VerdictStatus>): boolean {
  let job: JobContent;
  try {
    job = applyChange(index.job, way.change, NOBODY);
  } catch {
    return false;
  }
  if (statusIn(job, point.id) !== 'works') return false;
  return affected(index, job, way.change, point.id).every((id) => {
    const was = before.get(id) ?? statusIn(index.job, id);
    before.set(id, was);
    return was !== 'works' || statusIn(job, id) === 'works';
  });
}

/** Points that a change of a common or of a channel may act on: those of the groups concerned. */
function affected(index: JobIndex, job: JobContent, change: Change, pointId: string): string[] {
  const after = new JobIndex(job);
  const places: ChannelPlace[] = [];
  const collect = (part: Change): void => {
    if (part.kind === 'several') part.changes.forEach((inner) => collect(inner as Change));
    if (part.kind === 'assign' && part.place) places.push(part.place);
    if (part.kind === 'setCommon') {
      const group = moduleType(after.module(part.moduleId)!.typeId).groups.find(
        (g) => g.common === part.common,
      )!;
      places.push({ moduleId: part.moduleId, channel: group.channels[0]! });
    }
  };
  collect(change);
  const devices = places.flatMap((place) => [after.deviceAt(place), ...after.mates(place)]);
  const ids = devices.flatMap((device) => (device ? (index.pointFor(device.id)?.id ?? []) : []));
  return [...new Set(ids)].filter((id) => id !== pointId);
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
