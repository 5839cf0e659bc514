import { sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { terminalWithRole } from '../../catalog/index.ts';
import type { OutputKind } from '../../model/index.ts';
import { splitRef } from '../../model/index.ts';
import type { Change } from '../../job/index.ts';
import { supplyNodes, commonText, OUTPUT_TEXT } from '../../network/index.ts';
import type { PointContext } from '../../network/index.ts';
import {
  commonRails,
  contactRail,
  oppositeRail,
  portFits,
  railText,
  supplyOfRail,
  terminalName,
} from '../../job/index.ts';
import type { Remedy } from './remedy.ts';

/** So many other places are looked at; a large panel has plenty. */
const MAX_PLACES = 12;

/** Supply wires that are not landed. */
export function landWires(context: PointContext): Remedy[] {
  const { index, point, supply } = context;
  const nodes = supplyNodes(context);
  if (!nodes) return [];
  const missing = (
    [
      ['+', nodes.plus],
      ['-', nodes.minus],
    ] as const
  ).filter(([, ref]) => !index.railAt(ref));
  if (!missing.length) return [];
  const place = index.placeOf(point);
  const names = missing.map(([rail, ref]) =>
    say('remedy.terminal-on', { terminal: splitRef(ref).terminal, rail: railText(rail, supply.volts) }),
  );
  return place
    ? [
        {
          sentence: say('remedy.land', { names }),
          change: { kind: 'assign', pointId: point.id, place },
        },
      ]
    : [];
}

/** Supply wires that are exchanged. */
export function turnSupply(context: PointContext): Remedy[] {
  const { index, point } = context;
  const nodes = supplyNodes(context);
  const place = index.placeOf(point);
  if (!nodes || !place || index.railAt(nodes.plus)?.rail !== '-' || index.railAt(nodes.minus)?.rail !== '+')
    return [];
  return [
    {
      sentence: say('remedy.exchange-supply', {
        plus: terminalName(index, nodes.plus),
        minus: terminalName(index, nodes.minus),
      }),
      change: { kind: 'assign', pointId: point.id, place },
    },
  ];
}

/** The group's common on the other rail. */
export function turnCommon(context: PointContext): Remedy[] {
  const { index, place, common, rail, supply, port } = context;
  if (!place || !common || port?.kind !== 'digital' || port.inside) return [];
  const rails = rail ? [oppositeRail(rail)] : commonRails(port);
  return rails.map((to) => ({
    sentence: say('remedy.move-common', {
      common: commonText(context),
      module: sure(context.module).tag,
      rail: railText(to, supplyOfRail(index.job, to, supply)?.volts ?? supply.volts),
    }),
    change: { kind: 'setCommon', moduleId: place.moduleId, common, rail: to },
  }));
}

/** A contact's first side on the other rail. */
export function moveContact({ index, device, type, place, supply }: PointContext): Remedy[] {
  const side = terminalWithRole(type, 'sideA');
  if (!side || !place) return [];
  const ref = `${device.id}:${side.name}`;
  const wire = index.wiresAt(ref)[0];
  const rail = contactRail(index.job, place);
  if (!wire) return [];
  const end = wire.from === ref ? 'to' : 'from';
  return [
    {
      sentence: say('remedy.move-wire', {
        number: wire.number,
        device: device.tag,
        rail: railText(rail, supply.volts),
      }),
      change: { kind: 'moveWire', wireId: wire.id, [end]: `${supply.id}:${rail}` },
    },
  ];
}

/** A free channel of the same kind in another group, its common taken as it is or, where it is on no rail, put on one. */
export function moveChannel(context: PointContext): Remedy[] {
  const { index, point, place, port, supply } = context;
  if (port?.kind === 'output') return moveOutput(context);
  if (port && port.kind !== 'digital') return [];
  const ways: { way: Remedy; rank: number }[] = [];
  for (const module of index.job.modules) {
    if (ways.length >= MAX_PLACES) break;
    const ports = index.portsOf(module.id).filter((p) => p.kind === 'digital');
    for (const common of new Set(ports.map((p) => p.common))) {
      const group = ports.filter((p) => p.common === common);
      if (place?.moduleId === module.id && port?.common === common) continue;
      const free = group.find(({ channel }) => !index.deviceAt({ moduleId: module.id, channel }));
      if (free === undefined || !portFits(context.type, context.output, free)) continue;
      const move: Change = {
        kind: 'assign',
        pointId: point.id,
        place: { moduleId: module.id, channel: free.channel },
      };
      const where = say('remedy.move-channel', {
        point: point.tag,
        module: module.tag,
        freeLabel: free.label,
      });
      const rail = index.railOf(module.id, common)?.rail ?? free.inside?.rail;
      const sits = commonText({ common });
      if (rail) {
        ways.push({
          rank: 0,
          way: {
            sentence: say('remedy.move-channel.as-it-is', {
              where,
              sits,
              rail: railText(rail, free.inside?.volts ?? supply.volts),
            }),
            change: move,
          },
        });
        continue;
      }
      for (const to of commonRails(free)) {
        const put: Change = { kind: 'setCommon', moduleId: module.id, common, rail: to };
        const sentence = say('remedy.move-channel.with-common', {
          where,
          sits,
          rail: railText(to, supply.volts),
        });
        ways.push({ rank: 1, way: { sentence, change: { kind: 'batch', changes: [put, move] } } });
      }
    }
  }
  return ways
    .sort((a, b) => a.rank - b.rank)
    .map(({ way }) => way)
    .slice(0, 6);
}

/** A free output elsewhere. */
function moveOutput({ index, point, place, type, output }: PointContext): Remedy[] {
  return index.job.modules
    .flatMap((module) =>
      index
        .portsOf(module.id)
        .filter((port) => portFits(type, output, port))
        .map((port) => ({ module, port, at: { moduleId: module.id, channel: port.channel } })),
    )
    .filter(
      ({ at }) => !(at.moduleId === place?.moduleId && at.channel === place.channel) && !index.deviceAt(at),
    )
    .slice(0, MAX_PLACES)
    .map(({ module, port, at }) => ({
      sentence: say('remedy.move-output', { point: point.tag, module: module.tag, portLabel: port.label }),
      change: { kind: 'assign', pointId: point.id, place: at },
    }));
}

/** The same sensor with another output. */
export function otherSensor({ index, output, kind: now, point }: PointContext): Remedy[] {
  const kinds = output.kinds.filter((kind) => kind !== now);
  const order: OutputKind[] = ['npn', 'pnp', 'pushpull'];
  return order
    .filter((kind) => kinds.includes(kind))
    .map((kind) => ({
      sentence: say('remedy.other-version', {
        outputWord: OUTPUT_TEXT[kind],
        deviceOf: index.deviceOf(point).tag,
      }),
      change: { kind: 'editPoint', id: point.id, patch: { output: { kind } } },
    }));
}
