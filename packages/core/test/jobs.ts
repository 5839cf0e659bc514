import { DEVICE_TYPES } from '../src/catalog/catalog.ts';
import type { JobContent } from '../src/model/collections.ts';
import type { Device, Logic, OutputKind, Range, Settings } from '../src/model/job.ts';
import { emptyJob } from '../src/model/emptyJob.ts';
import { applyChange } from '../src/job/changes.ts';
import type { Change } from '../src/job/changeSchema.ts';
import type { CommonRail } from '../src/job/jobIndex.ts';

/** Who makes changes in tests, and when. */
export const ACTOR = { by: 'TT', at: '2026-01-02T03:04:05.000Z' };

/** A job with one supply of 24 V ±3 % and nothing else. */
export function bareJob(): JobContent {
  return emptyJob('Test', '');
}

export function withModule(
  job: JobContent,
  id: string,
  typeId: string,
  commons: (CommonRail | null)[],
  firstByte = 0,
): JobContent {
  return applyChange(
    job,
    { kind: 'addModule', module: { id, tag: id.toUpperCase(), typeId, firstByte }, commons },
    ACTOR,
  );
}

/** What a test says of a point; the rest is a PNP inductive sensor, normally open, on `m` channel 0. */
export interface TestPoint {
  readonly tag?: string;
  readonly typeId?: string;
  readonly output?: OutputKind;
  readonly logic?: Logic;
  readonly outputId?: string;
  readonly bit?: 'direct' | 'inverted';
  readonly at?: readonly [string, number] | null;
  readonly settings?: Settings;
  readonly range?: Range;
}

export function additionOf(p: TestPoint = {}): Extract<Change, { kind: 'addPoint' }> {
  const {
    tag = 'PX-1',
    typeId = 'inductive-3w',
    output = 'pnp',
    logic = 'no',
    outputId,
    bit = 'direct',
    at = ['m', 0],
    settings,
    range,
  } = p;
  const id = tag.toLowerCase();
  return {
    kind: 'addPoint',
    point: {
      id,
      tag,
      name: 'A test point',
      deviceId: `${id}-b`,
      bit,
      ...(outputId && { outputId }),
      ...(range && { range }),
    },
    device: {
      id: `${id}-b`,
      tag,
      typeId,
      ...outputsFor(typeId, output, logic),
      ...(settings && { settings }),
    },
    place: at ? { moduleId: at[0], channel: at[1] } : null,
  };
}

/** How the first switching output of a kind is chosen, where it leaves a choice. */
function outputsFor(typeId: string, kind: OutputKind, logic: Logic): Pick<Device, 'outputs'> {
  const output = DEVICE_TYPES.find(({ id }) => id === typeId)?.outputs.find(
    ({ kinds }) => kinds[0] !== 'none',
  );
  return output && output.kinds.includes(kind) && output.logics.includes(logic)
    ? { outputs: { [output.id]: { kind, logic } } }
    : {};
}

export function withPoint(job: JobContent, p: TestPoint = {}): JobContent {
  return applyChange(job, additionOf(p), ACTOR);
}

/** A job with a module `m` of the given type and commons, and the given points; without any, the usual one. */
export function jobWith(typeId: string, commons: (CommonRail | null)[], ...points: TestPoint[]): JobContent {
  return (points.length ? points : [{}]).reduce(withPoint, withModule(bareJob(), 'm', typeId, commons));
}

/** A job after some changes. */
export function after(job: JobContent, ...changes: Change[]): JobContent {
  return changes.reduce((next, change) => applyChange(next, change, ACTOR), job);
}

/** Adds a helper to a point, with wires given as pairs of terminals; its own terminals without their item. */
export function withHelper(
  job: JobContent,
  pointId: string,
  device: { id: string; typeId: string; settings?: Settings },
  ends: readonly (readonly [own: string, to: string])[],
): JobContent {
  const wires = ends.map(([own, to], n) => ({
    id: `${device.id}-w${n}`,
    number: `${device.id}${n}`.slice(0, 12),
    from: `${device.id}:${own}`,
    to,
    colour: 'BK' as const,
    lengthM: 1,
    mm2: 0.75,
  }));
  return after(job, {
    kind: 'addHelper',
    pointId,
    device: { tag: device.id.toUpperCase(), ...device },
    wires,
  });
}

/** Adds plain panel wires between terminals. */
/** An arc unit with a coil sensor on each pair of its terminals. */
export const withCoils = (job: JobContent, pointId: string): JobContent =>
  [1, 2, 3].reduce(
    (before, phase) =>
      withHelper(before, pointId, { id: `${pointId}-coil${phase}`, typeId: 'arc-coil' }, [
        ['k', `${pointId}-b:k${phase}`],
        ['l', `${pointId}-b:l${phase}`],
      ]),
    job,
  );

export function withWires(job: JobContent, ...ends: readonly (readonly [string, string])[]): JobContent {
  return ends.reduce<JobContent>(
    (next, [from, to]) =>
      after(next, {
        kind: 'addWire',
        wire: {
          id: `w-${from}-${to}`.replace(/[^\w.-]/g, '_'),
          number: String(900 + next.wires.length),
          from,
          to,
          colour: 'BK',
          lengthM: 1,
          mm2: 0.75,
        },
      }),
    job,
  );
}
