import { deviceType, moduleType } from '../../catalog/index.ts';
import type { Device, JobContent, Point } from '../../model/index.ts';
import { emptyJob } from '../../model/index.ts';
import { statusIn } from '../../verdict/index.ts';
import { applyChange, NOBODY, JobIndex } from '../../job/index.ts';
import type { Change } from '../../job/index.ts';
import { OUTPUT_WORDS } from '../../network/index.ts';
import type { HelpfulChange } from './allocate.ts';
import type { Allocated, AllocationProblem, Applicant, CommonRail, Group } from './problem.ts';

/** What the user asks of an allocation. */
export interface AllocationWish {
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
export function problemOf(job: JobContent, wish: AllocationWish): AllocationProblem {
  const index = new JobIndex(job);
  const points = job.points.filter(
    (point) => asks(index, point) && !point.helperIds?.length && !wish.left?.has(point.id),
  );
  const mine = new Set(points.map(({ deviceId }) => deviceId));
  const groups = job.modules.flatMap((module): Group[] => {
    const type = moduleType(module.typeId);
    if (type.family !== 'inputs') return [];
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
        spare: Math.ceil(channels.length * wish.spareShare),
        // A group that others use keeps the rail that it has.
        ...((now === '+' || now === '-') && { now }),
        rails: others && (now === '+' || now === '-') ? [now] : ['-', '+'],
        kind: `${module.typeId} ${common}`,
      };
    });
  });
  const applicants = points.map((point): Applicant => {
    const device = index.deviceOf(point);
    const at = index.placeOf(device);
    const groupId = at && `${at.moduleId}:${index.commonOf(at)}`;
    return {
      id: point.id,
      tag: point.tag,
      words: OUTPUT_WORDS[device.output],
      key: `${device.typeId} ${device.output} ${device.logic}`,
      area: areaOf(point.name),
      ...(at && { current: { groupId: groupId!, channel: at.channel } }),
      ...(at && wish.pinned.has(point.id) && { pinned: { groupId: groupId!, channel: at.channel } }),
    };
  });
  return { applicants, groups, fits: solvedFits() };
}

/**
 * Devices that want one channel of a switching input. What is on an input of a drive or of another controller is
 * there on purpose.
 */
function asks(index: JobIndex, point: Point): boolean {
  const device = index.deviceOf(point);
  const { family } = deviceType(device.typeId);
  if (family !== 'three-wire' && family !== 'contact' && family !== 'two-wire') return false;
  const place = index.placeOf(device);
  return !place || index.typeOf(place.moduleId).family === 'inputs';
}

/** Points whose names begin alike belong to one area of the plant: `Drum filter, rotation` to `Drum filter`. */
function areaOf(name: string): string {
  return name.includes(',') ? name.split(',')[0]!.trim() : name.split(' ').slice(0, 1).join(' ');
}

/** Solves each kind of device in each kind of group on each rail once. */
function solvedFits(): AllocationProblem['fits'] {
  const known = new Map<string, boolean>();
  return (key, kind, rail) => {
    const name = `${key}|${kind}|${rail}`;
    let fits = known.get(name);
    if (fits === undefined) {
      fits = solvedFit(key, kind, rail);
      known.set(name, fits);
    }
    return fits;
  };
}

function solvedFit(key: string, kind: string, rail: CommonRail): boolean {
  const [typeId, output, logic] = key.split(' ') as [string, Device['output'], Device['logic']];
  const [moduleTypeId, common] = kind.split(' ') as [string, string];
  const { groups } = moduleType(moduleTypeId);
  const group = groups.find((g) => g.common === common)!;
  const changes: Change[] = [
    {
      kind: 'addModule',
      module: { id: 'm', tag: 'M', typeId: moduleTypeId, firstByte: 0 },
      commons: groups.map((g) => (g.common === common ? rail : null)),
    },
    {
      kind: 'addPoint',
      point: { id: 'p', tag: 'P', name: 'P', deviceId: 'd', bit: 'direct' },
      device: { id: 'd', tag: 'P', typeId, output, logic },
      place: { moduleId: 'm', channel: group.channels[0]! },
    },
  ];
  const job = changes.reduce<JobContent>(
    (j, change) => applyChange(j, change, NOBODY),
    emptyJob('Trial', ''),
  );
  return statusIn(job, 'p') === 'works';
}

/** Changes that may help where an allocation is impossible. */
export function helpfulChanges(job: JobContent): HelpfulChange[] {
  const types = [...new Set(job.modules.map(({ typeId }) => typeId))].filter(
    (id) => moduleType(id).family === 'inputs',
  );
  const more = (typeId: string): Group[] =>
    moduleType(typeId).groups.map(({ common, channels }) => ({
      id: `new:${common}`,
      moduleId: 'new',
      moduleTag: 'new module',
      common,
      channels,
      spare: 0,
      rails: ['-', '+'],
      kind: `${typeId} ${common}`,
    }));
  return [
    {
      sentence: (conflict) => {
        const pins = conflict.filter(({ pinned }) => pinned).map(({ tag }) => tag);
        return pins.length
          ? `Let ${pins.join(', ')} move from where ${pins.length > 1 ? 'they are' : 'it is'} pinned`
          : undefined;
      },
      apply: (problem, conflict) => ({
        ...problem,
        applicants: problem.applicants.map((applicant) =>
          conflict.includes(applicant) ? { ...applicant, pinned: undefined } : applicant,
        ),
      }),
    },
    ...types.map((typeId): HelpfulChange => ({
      sentence: () => `Add another ${moduleType(typeId).name}`,
      apply: (problem) => ({ ...problem, groups: [...problem.groups, ...more(typeId)] }),
    })),
    {
      sentence: (conflict) =>
        `Put an interposing relay behind ${conflict.at(-1)?.tag ?? 'one of them'}: its contact fits either rail`,
      apply: (problem, conflict) => ({
        ...problem,
        applicants: problem.applicants.map((applicant) =>
          applicant.id === conflict.at(-1)?.id
            ? { ...applicant, key: 'dry-contact contact no', words: 'contact', pinned: undefined }
            : applicant,
        ),
      }),
    },
  ];
}

/** The change that brings a job to an allocation: commons first, then every point that moves. */
export function allocationChange(job: JobContent, { placements, rails }: Allocated): Change | undefined {
  const index = new JobIndex(job);
  const commons: Change[] = [...rails].flatMap(([id, rail]) => {
    const [moduleId, common] = id.split(':') as [string, string];
    return index.railOf(moduleId, common)?.rail === rail
      ? []
      : [{ kind: 'setCommon' as const, moduleId, common, rail }];
  });
  const moving = placements.filter(({ applicant, group, channel }) => {
    const now = index.placeOf(index.deviceOf(index.point(applicant.id)));
    return now?.moduleId !== group.moduleId || now.channel !== channel;
  });
  if (!commons.length && !moving.length) return undefined;
  const off = moving
    .filter(({ applicant }) => index.placeOf(index.deviceOf(index.point(applicant.id))))
    .map(({ applicant }): Change => ({ kind: 'assign', pointId: applicant.id, place: null }));
  const on = moving.map(({ applicant, group, channel }): Change => ({
    kind: 'assign',
    pointId: applicant.id,
    place: { moduleId: group.moduleId, channel },
  }));
  return { kind: 'several', changes: [...commons, ...off, ...on] };
}
