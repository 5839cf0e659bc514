import { nth, sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { chosenOutput, DRY_CONTACT_ID, partTypesOf } from '../../catalog/index.ts';
import type { Device, JobContent, Module, Point } from '../../model/index.ts';
import { emptyJob } from '../../model/index.ts';
import { statusIn } from '../../verdict/index.ts';
import { applyChange, NOBODY, JobIndex } from '../../job/index.ts';
import type { Change, SingleChange } from '../../job/index.ts';
import { OUTPUT_TEXT } from '../../network/index.ts';
import type { HelpfulChange } from './conflict.ts';
import type { Allocated, AllocationProblem, Applicant, CommonRail, Group } from './problem.ts';

/** What the user asks of an allocation. */
export interface AllocationRequest {
  /** Points that stay on the channel where they are. */
  readonly pinned: ReadonlySet<string>;
  /** Points that are not looked at: they and their channels stay as they are. */
  readonly left?: ReadonlySet<string>;
  /** Share of the channels of each group that stay free, 0 to 0.5. */
  readonly spareShare: number;
}

/**
 * The problem of a job: its points on switching inputs, and the input groups of its modules. Whether a device works
 * in a group is solved as a circuit, once for each kind of device, module and rail.
 */
export function problemOf(job: JobContent, request: AllocationRequest): AllocationProblem {
  const index = new JobIndex(job);
  const points = job.points.filter(
    (point) => asks(index, point) && !point.helperIds?.length && !request.left?.has(point.id),
  );
  const mine = new Set(points.map(({ deviceId }) => deviceId));
  const groups = job.modules.flatMap((module): Group[] => {
    const type = index.moduleType(module);
    if (!type.description.allocates) return [];
    return type.groups.map(({ common, channels }) => {
      const free = channels.filter((channel) => {
        const holder = index.deviceAt({ moduleId: module.id, channel });
        return !holder || mine.has(holder.id);
      });
      const others = free.length < channels.length;
      const now = index.railOf(module.id, common)?.rail;
      return {
        id: `${module.id}:${common}`,
        moduleId: module.id,
        moduleTag: module.tag,
        common,
        channels: free,
        spare: Math.ceil(channels.length * request.spareShare),
        // A group that others use keeps the rail that it has.
        ...((now === '+' || now === '-') && { now }),
        rails: others && (now === '+' || now === '-') ? [now] : ['-', '+'],
        kind: groupKind(module, common),
      };
    });
  });
  const applicants = points.map((point): Applicant => {
    const device = index.deviceOf(point);
    const at = index.placeOf(point);
    const type = index.deviceType(device);
    const output = index.outputOf(point);
    const chosen = output && chosenOutput(type, device, output);
    const groupId = at && `${at.moduleId}:${index.commonOf(at)}`;
    return {
      id: point.id,
      tag: point.tag,
      words: OUTPUT_TEXT[chosen?.kind ?? 'none'],
      key: deviceKind(device, output?.id),
      area: areaOf(point.name),
      ...(at && { current: { groupId: sure(groupId), channel: at.channel } }),
      ...(at && request.pinned.has(point.id) && { pinned: { groupId: sure(groupId), channel: at.channel } }),
    };
  });
  return { applicants, groups, fits: solvedFits(job) };
}

/**
 * Devices that want one channel of a switching input. What is on an input of a drive or of another controller is
 * there on purpose.
 */
function asks(index: JobIndex, point: Point): boolean {
  const output = index.outputOf(point);
  const { safety, chain } = index.deviceType(index.deviceOf(point)).description;
  if (output?.landsOn !== 'switched' || output.drivenBy !== 'target' || safety || chain) return false;
  const place = index.placeOf(point);
  return !place || (index.typeOf(place.moduleId).description.allocates ?? false);
}

/** What makes one device like another for an allocation; read back by `solvedFit`. */
const deviceKind = ({ typeId, outputs, figures }: Device, outputId: string | undefined): string =>
  JSON.stringify({ typeId, outputs, figures, outputId });

/** What makes one group like another. */
const groupKind = ({ typeId, figures }: Pick<Module, 'typeId' | 'figures'>, common: string): string =>
  JSON.stringify({ typeId, figures, common });

type Own = Pick<JobContent, 'ownDevices' | 'ownModules'>;

/** Points whose names begin alike belong to one area of the plant: `Drum filter, rotation` to `Drum filter`. */
function areaOf(name: string): string {
  return name.includes(',') ? nth(name.split(','), 0).trim() : name.split(' ').slice(0, 1).join(' ');
}

/** Solves each kind of device in each kind of group on each rail once. */
function solvedFits(own: Own): AllocationProblem['fits'] {
  const known = new Map<string, boolean>();
  return (key, kind, rail) => {
    const name = `${key}|${kind}|${rail}`;
    let fits = known.get(name);
    if (fits === undefined) {
      fits = solvedFit(own, key, kind, rail);
      known.set(name, fits);
    }
    return fits;
  };
}

function solvedFit({ ownDevices, ownModules }: Own, key: string, kind: string, rail: CommonRail): boolean {
  const { outputId, ...device } = JSON.parse(key) as Pick<Device, 'typeId' | 'outputs' | 'figures'> &
    Pick<Point, 'outputId'>;
  const { common, ...module } = JSON.parse(kind) as Pick<Module, 'typeId' | 'figures'> & { common: string };
  const trial = { ...emptyJob('Trial', ''), ownDevices, ownModules };
  const { groups } = partTypesOf(trial).module(module);
  const channel = groups.find((group) => group.common === common)?.channels[0];
  if (channel === undefined) return false;
  const changes: Change[] = [
    {
      kind: 'addModule',
      module: { id: 'm', tag: 'M', firstByte: 0, ...module },
      commons: groups.map((group) => (group.common === common ? rail : null)),
    },
    {
      kind: 'addPoint',
      point: { id: 'p', tag: 'P', name: 'P', deviceId: 'd', bit: 'direct', ...(outputId && { outputId }) },
      device: { id: 'd', tag: 'P', ...device },
      place: { moduleId: 'm', channel },
    },
  ];
  const job = changes.reduce<JobContent>((j, change) => applyChange(j, change, NOBODY), trial);
  return statusIn(job, 'p') === 'works';
}

/** Changes that may help where an allocation is impossible. */
export function helpfulChanges(job: JobContent): HelpfulChange[] {
  const known = partTypesOf(job);
  const types = [...new Set(job.modules.map(({ typeId }) => typeId))].filter(
    (typeId) => known.module({ typeId }).description.allocates,
  );
  const more = (typeId: string): Group[] =>
    known.module({ typeId }).groups.map(({ common, channels }) => ({
      id: `new:${common}`,
      moduleId: 'new',
      moduleTag: say('planning.new-module'),
      common,
      channels,
      spare: 0,
      rails: ['-', '+'],
      kind: groupKind({ typeId }, common),
    }));
  return [
    {
      sentence: (conflict) => {
        const pins = conflict.filter(({ pinned }) => pinned).map(({ tag }) => tag);
        return pins.length ? say('planning.let-move-where-pinned', { pins }) : undefined;
      },
      apply: (problem, conflict) => ({
        ...problem,
        applicants: problem.applicants.map((applicant) =>
          conflict.includes(applicant) ? { ...applicant, pinned: undefined } : applicant,
        ),
      }),
    },
    ...types.map((typeId): HelpfulChange => ({
      sentence: () => say('planning.add-another', { moduleName: known.module({ typeId }).name }),
      apply: (problem) => ({ ...problem, groups: [...problem.groups, ...more(typeId)] }),
    })),
    {
      sentence: (conflict) =>
        say('planning.put-interposing-relay-behind', { conflict: conflict.at(-1)?.tag }),
      apply: (problem, conflict) => ({
        ...problem,
        applicants: problem.applicants.map((applicant) =>
          applicant.id === conflict.at(-1)?.id
            ? {
                ...applicant,
                key: JSON.stringify({ typeId: DRY_CONTACT_ID }),
                words: 'contact',
                pinned: undefined,
              }
            : applicant,
        ),
      }),
    },
  ];
}

/** The change that brings a job to an allocation: commons first, then every point that moves. */
export function allocationChange(job: JobContent, { placements, rails }: Allocated): Change | undefined {
  const index = new JobIndex(job);
  const commons: SingleChange[] = [...rails].flatMap(([id, rail]) => {
    const [moduleId, common] = id.split(':') as [string, string];
    return index.railOf(moduleId, common)?.rail === rail
      ? []
      : [{ kind: 'setCommon' as const, moduleId, common, rail }];
  });
  const moving = placements.filter(({ applicant, group, channel }) => {
    const now = index.placeOf(index.point(applicant.id));
    return now?.moduleId !== group.moduleId || now.channel !== channel;
  });
  if (!commons.length && !moving.length) return undefined;
  const off = moving
    .filter(({ applicant }) => index.placeOf(index.point(applicant.id)))
    .map(({ applicant }): SingleChange => ({ kind: 'assign', pointId: applicant.id, place: null }));
  const on = moving.map(({ applicant, group, channel }): SingleChange => ({
    kind: 'assign',
    pointId: applicant.id,
    place: { moduleId: group.moduleId, channel },
  }));
  return { kind: 'batch', changes: [...commons, ...off, ...on] };
}
