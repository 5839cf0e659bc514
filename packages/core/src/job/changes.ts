import { say } from '../messages/index.ts';
import { partTypesOf } from '../catalog/index.ts';
import type { Device, JobContent, AsFound, Point, Supply, Wire } from '../model/index.ts';
import { refuseFlawed } from '../ioLink/index.ts';
import { splitRef, JobProblem, refuse } from '../model/index.ts';
import type { Actor, Change, SingleChange } from './changeSchema.ts';
import { checkIntegrity } from './integrity.ts';
import { isOtherOutput, withOutput, withoutOutputs } from './outputChanges.ts';
import { checkLimits } from './limits.ts';
import { withRoom } from './terminalRoom.ts';
import { doubledParts } from './partTags.ts';
import { withNumbersOf } from './keptNumbers.ts';
import { setFigure, setOwnKind } from './kindChanges.ts';
import { setCommon } from './commonChanges.ts';
import { withoutInput } from './programs.ts';
import { enter, require, withLink, withoutItem } from './settingChanges.ts';
import { addPhoto, removePhoto, withoutPhotosOf, wordPhoto } from './photoChanges.ts';
import { JobIndex } from './jobIndex.ts';
import type { ChannelPlace } from './jobIndex.ts';
import { commonWire, moduleSupplyWires, proposeWires, supplyOfRail } from './propose.ts';

type Of<K extends SingleChange['kind']> = Extract<SingleChange, { kind: K }>;

/**
 * Applies one change to a job and gives the job as it is then; the job given is not touched.
 * @throws JobProblem when the change names something that is not there, or the outcome would not be sound.
 */
export function applyChange(job: JobContent, change: Change, actor: Actor): JobContent {
  const next = applyUnchecked(job, change, actor);
  checkSound(next, job);
  return next;
}

/**
 * Whether a job may follow another.
 * @throws JobProblem when it does not keep to its limits, or is not sound.
 */
export function checkSound(next: JobContent, job: JobContent): void {
  const limits = checkLimits(next, job);
  if (limits.length) throw new JobProblem(limits);
  const problems = checkIntegrity(next);
  if (!problems.length) {
    const doubled = doubledParts(next);
    if (doubled.length && doubled.length > doubledParts(job).length) problems.push(...doubled.slice(-1));
  }
  if (problems.length) throw new JobProblem(problems);
}

/**
 * Applies a history of changes, each by its own hand, and checks the outcome once.
 * @throws JobProblem when a change names something that is not there, or the outcome would not be sound.
 */
export function applyHistory(
  job: JobContent,
  history: Iterable<readonly [change: Change, actor: Actor]>,
): JobContent {
  let next = job;
  for (const [change, actor] of history) next = applyUnchecked(next, change, actor);
  const problems = checkIntegrity(next);
  if (problems.length) throw new JobProblem(problems);
  return next;
}

function applyUnchecked(job: JobContent, change: Change, actor: Actor): JobContent {
  if (change.kind === 'batch')
    return change.changes.reduce<JobContent>((j, part) => applyUnchecked(j, part, actor), job);
  const apply = APPLY[change.kind] as (job: JobContent, change: SingleChange, actor: Actor) => JobContent;
  return apply(job, change, actor);
}

const APPLY: { [K in SingleChange['kind']]: (job: JobContent, change: Of<K>, actor: Actor) => JobContent } = {
  editJob: (job, { patch }) => ({ ...job, ...patch }),
  editSupply: (job, { id, patch }) => ({
    ...job,
    supplies: branchesAsFed(edited(job.supplies, id, patch, 'supply')),
  }),
  addSupply: (job, { supply }) => ({ ...job, supplies: branchesAsFed([...job.supplies, supply]) }),
  removeSupply: (job, { id }) => ({
    ...job,
    supplies: without(job.supplies, id, 'supply'),
    wires: wiresWithout(job, id),
  }),
  addModule,
  editModule: (job, { id, patch: { link, ...patch } }) => ({
    ...job,
    modules: withLink(edited(job.modules, id, patch, 'module'), id, link),
  }),
  removeModule: (job, { id }) => ({
    ...withoutItem(job, id),
    modules: without(job.modules, id, 'module'),
    wires: wiresWithout(job, id),
  }),
  addPoint,
  editPoint,
  removePoint,
  addHelper: (job, { pointId, device, wires }) => {
    const point = job.points.find(({ id }) => id === pointId);
    if (!point) return refuse(say('job.job-holds-point-may', { pointId }), 'pointId');
    return {
      ...job,
      devices: [...job.devices, device],
      points: edited(job.points, pointId, { helperIds: [...(point.helperIds ?? []), device.id] }, 'point'),
      wires: [...job.wires, ...wires],
    };
  },
  editDevice,
  removeHelper: (job, { id }) => ({
    ...withoutItem(job, id),
    devices: without(job.devices, id, 'device'),
    points: withoutItem(job, id).points.map((point) =>
      point.helperIds?.includes(id)
        ? { ...point, helperIds: point.helperIds.filter((helper) => helper !== id) }
        : point,
    ),
    wires: wiresWithout(job, id),
  }),
  assign: (job, { pointId, place }) => {
    const point = pointOf(job, pointId);
    return place ? assign(job, point, place) : { ...job, wires: wiresWithoutPoint(job, point) };
  },
  setCommon,
  addWire: (job, { wire }) => withRoom({ ...job, wires: [...job.wires, wire] }, [wire.from, wire.to]),
  moveWire: (job, { wireId, from, to }) =>
    withRoom(
      {
        ...job,
        wires: edited(job.wires, wireId, { ...(from && { from }), ...(to && { to }) }, 'wire'),
      },
      [from, to],
    ),
  editWire: (job, { wireId, patch }) => ({ ...job, wires: edited(job.wires, wireId, patch, 'wire') }),
  landWire: (job, { wireId, asFound }) => {
    const wires = edited(job.wires, wireId, {}, 'wire');
    const as = asFound && Object.keys(asFound).length ? asFound : undefined;
    return {
      ...job,
      wires: wires.map((wire) => (wire.id === wireId ? withAsFound(wire, as) : wire)),
    };
  },
  removeWire: (job, { wireId }) => ({ ...job, wires: without(job.wires, wireId, 'wire') }),
  stamp: (job, { stamp }, actor) => ({ ...job, stamps: [...job.stamps, { ...stamp, ...actor }] }),
  undoStamp: (job, { id, reason }, actor) => {
    if (job.stamps.find((stamp) => stamp.id === id)?.undone) refuse(say('job.step-undone-already'));
    return { ...job, stamps: edited(job.stamps, id, { undone: { ...actor, reason } }, 'stamp') };
  },
  setPlate: (job, { pointId, plate }) => ({
    ...job,
    points: edited(job.points, pointId, { plate }, 'point'),
  }),
  require,
  setFigure,
  setOwnKind,
  removeOwnKind: (job, { collection, id }) => ({
    ...job,
    [collection]: without(job[collection], id, 'kind'),
  }),
  enter,
  addDescription: (job, { description }) => {
    refuseFlawed(description.text);
    return { ...job, descriptions: [...job.descriptions, description] };
  },
  removeDescription: (job, { id }) => ({
    ...job,
    descriptions: without(job.descriptions, id, 'description'),
    devices: job.devices.map((device) =>
      device.descriptionId === id ? withDescription(device, null) : device,
    ),
  }),
  setPlan: (job, { plan }) => ({
    ...job,
    plans: job.plans.some(({ id }) => id === plan.id)
      ? job.plans.map((old) => (old.id === plan.id ? plan : old))
      : [...job.plans, plan],
  }),
  removePlan: (job, { id }) => ({ ...job, plans: without(job.plans, id, 'plan') }),
  setScaling: (job, { pointId, scaling }) => ({
    ...job,
    points: edited(job.points, pointId, {}, 'point').map((point) =>
      point.id === pointId ? withOptional(point, 'scaling', scaling) : point,
    ),
  }),
  setSwitching: (job, { pointId, switching }) => ({
    ...job,
    points: edited(job.points, pointId, {}, 'point').map((point) =>
      point.id === pointId ? withOptional(point, 'switching', switching) : point,
    ),
  }),
  reportFault: (job, { fault }, actor) => ({ ...job, faults: [...job.faults, { ...fault, ...actor }] }),
  addPhoto,
  wordPhoto,
  removePhoto,
  calibrate: (job, { calibrations }, actor) => ({
    ...job,
    calibrations: [...job.calibrations, ...calibrations.map((row) => ({ ...row, ...actor }))],
  }),
  record: (job, { results }, actor) => ({
    ...job,
    results: [...job.results, ...results.map((result) => ({ ...result, ...actor }))],
  }),
};

function edited<T extends { id: string }>(
  rows: readonly T[],
  id: string,
  patch: Partial<T>,
  what: string,
): T[] {
  if (!rows.some((row) => row.id === id)) refuse(say('job.job-holds-may-been', { what, id }), 'id');
  return rows.map((row) => (row.id === id ? { ...row, ...patch } : row));
}

function without<T extends { id: string }>(rows: readonly T[], id: string, what: string): T[] {
  if (!rows.some((row) => row.id === id)) refuse(say('job.job-holds-may-been', { what, id }), 'id');
  return rows.filter((row) => row.id !== id);
}

/** Gives every branch the kind, volts and tolerance of what feeds it. */
function branchesAsFed(supplies: readonly Supply[]): Supply[] {
  let next = [...supplies];
  // A branch of a branch takes as many rounds as it is deep.
  for (let round = 0; round < next.length; round++)
    next = next.map((supply) => {
      const from = next.find(({ id }) => id === supply.feed?.from);
      return from
        ? { ...supply, kind: from.kind, volts: from.volts, tolerancePercent: from.tolerancePercent }
        : supply;
    });
  return next;
}

const ofItem = (ref: string | undefined, itemId: string): boolean =>
  ref !== undefined && splitRef(ref).item === itemId;

/** The wires of a job without those that end on an item; a wire found asFound there is back where it was planned. */
function wiresWithout(job: JobContent, itemId: string): Wire[] {
  return job.wires
    .filter(({ from, to }) => !ofItem(from, itemId) && !ofItem(to, itemId))
    .map((wire) =>
      ofItem(wire.asFound?.from, itemId) || ofItem(wire.asFound?.to, itemId)
        ? withAsFound(wire, undefined)
        : wire,
    );
}

function withAsFound({ asFound: _, ...wire }: Wire, asFound: AsFound | undefined): Wire {
  return asFound ? { ...wire, asFound } : wire;
}

function pointOf(job: JobContent, pointId: string): Point {
  const point = job.points.find(({ id }) => id === pointId);
  return point ?? refuse(say('job.job-holds-point-may', { pointId }), 'pointId');
}

function deviceOfPoint(job: JobContent, point: Point): Device {
  const device = job.devices.find(({ id }) => id === point.deviceId);
  return device ?? refuse(say('job.job-holds-device', { deviceId: point.deviceId }), 'pointId');
}

/** Whether another point is about the same device. */
const isShared = (job: JobContent, point: Point): boolean =>
  job.points.some(({ id, deviceId }) => id !== point.id && deviceId === point.deviceId);

/**
 * The wires of a job without those of a point's own outputs; without all of its device's where no other point of it is
 * landed, so that its supply goes with the last of them.
 */
function wiresWithoutPoint(job: JobContent, point: Point): Wire[] {
  const device = deviceOfPoint(job, point);
  if (!partTypesOf(job).findDevice(device)) return wiresWithout(job, device.id);
  const index = new JobIndex(job);
  const others = index
    .pointsFor(device.id)
    .filter(({ id, deviceId }) => id !== point.id && deviceId === device.id);
  if (!others.some((other) => index.placeOf(other))) return wiresWithout(job, device.id);
  const own = new Set(
    index.ownOutputs(point).flatMap(({ terminals }) => terminals.map((name) => `${device.id}:${name}`)),
  );
  return job.wires.filter(({ from, to }) => !own.has(from) && !own.has(to));
}

function addPoint(job: JobContent, { point, device, place }: Of<'addPoint'>): JobContent {
  if (!device && !job.devices.some(({ id }) => id === point.deviceId))
    refuse(say('job.job-holds-device', { deviceId: point.deviceId }), 'point.deviceId');
  const added = {
    ...job,
    points: [...job.points, point],
    devices: device ? [...job.devices, { ...device, tag: point.tag }] : job.devices,
  };
  return place ? assign(added, point, place) : added;
}

function addModule(job: JobContent, { module, commons }: Of<'addModule'>): JobContent {
  const type = partTypesOf(job).findModule(module);
  if (!type) return { ...job, modules: [...job.modules, module] };
  const added = { ...job, modules: [...job.modules, module] };
  const fed = { ...added, wires: [...added.wires, ...moduleSupplyWires(added, module)] };
  return type.groups.reduce<JobContent>((next, { common }, g) => {
    const rail = commons[g];
    const supply = rail && supplyOfRail(job, rail);
    return supply
      ? { ...next, wires: [...next.wires, commonWire(next, module.id, common, rail, supply)] }
      : next;
  }, fed);
}

function assign(job: JobContent, point: Point, place: ChannelPlace): JobContent {
  const module = job.modules.find(({ id }) => id === place.moduleId);
  const types = partTypesOf(job);
  if (!module || !types.findModule(module)) return refuse(say('job.module-job-choose'), 'place');
  if (!types.ports(module).some(({ channel }) => channel === place.channel))
    refuse(say('job.has-no-channel', { module: module.tag, channel: place.channel }), 'place');
  if (!types.findDevice(deviceOfPoint(job, point))) return job;
  const cleared = { ...job, wires: wiresWithoutPoint(job, point) };
  return { ...cleared, wires: [...cleared.wires, ...proposeWires(cleared, point, place)] };
}

function editPoint(job: JobContent, { id, patch }: Of<'editPoint'>): JobContent {
  const point = pointOf(job, id);
  const before = deviceOfPoint(job, point);
  const { typeId, output, settings, range, area, program, ...own } = patch;
  const optional = { range, area, program };
  const points = edited(job.points, id, own, 'point').map((row) =>
    row.id === id ? OPTIONAL.reduce((next, key) => withOptional(next, key, optional[key]), row) : row,
  );
  const bare: Device = {
    ...before,
    ...(typeId && { typeId }),
    ...(settings && { settings }),
    ...(own.tag && !isShared(job, point) && { tag: own.tag }),
  };
  const device = withOutput(job, typeId && typeId !== before.typeId ? withoutOutputs(bare) : bare, {
    outputId: own.outputId ?? point.outputId,
    output,
  });
  const next: JobContent = { ...job, points, devices: edited(job.devices, device.id, device, 'device') };
  const types = partTypesOf(next);
  if (!types.findDevice(device)) return next;
  const isSameKind = typeId === undefined || typeId === before.typeId;
  const moved =
    isSameKind && own.outputId !== undefined && isOtherOutput(job, before, point.outputId, own.outputId);
  if (!moved && sameTerminals(job, before, device)) return next;
  const place = types.findDevice(before) && new JobIndex(job).placeOf(point);
  const cleared = {
    ...next,
    wires: sameTerminals(job, before, device) ? wiresWithoutPoint(job, point) : wiresWithout(next, device.id),
  };
  return place && !moved
    ? withNumbersOf(job, assign(cleared, pointOf(cleared, id), place), device.id)
    : cleared;
}

/** Fields of a point that an edit sets or takes away. */
const OPTIONAL = ['range', 'area', 'program'] as const;

/** @param value null takes the field away, undefined leaves it. */
function withOptional<K extends 'range' | 'area' | 'scaling' | 'switching' | 'program'>(
  point: Point,
  key: K,
  value: Point[K] | null,
): Point {
  if (value === undefined) return point;
  const { [key]: _, ...rest } = point;
  return (value === null ? rest : { ...rest, [key]: value }) as Point;
}

/** @param descriptionId null takes it away, undefined leaves it. */
function withDescription(device: Device, descriptionId: string | null | undefined): Device {
  if (descriptionId === undefined) return device;
  const { descriptionId: _, ...rest } = device;
  return descriptionId === null ? rest : { ...rest, descriptionId };
}

function editDevice(job: JobContent, { id, patch }: Of<'editDevice'>): JobContent {
  const before = job.devices.find((device) => device.id === id);
  const { descriptionId, ...own } = patch;
  const next = {
    ...job,
    devices: edited(job.devices, id, own, 'device').map((device) =>
      device.id === id ? withDescription(device, descriptionId) : device,
    ),
  };
  const after = next.devices.find((device) => device.id === id);
  if (!before || !after || !partTypesOf(job).findDevice(after) || sameTerminals(job, before, after))
    return next;
  return { ...next, wires: wiresWithout(next, id) };
}

function sameTerminals(job: JobContent, a: Device, b: Device): boolean {
  const names = (device: Device): string | undefined =>
    partTypesOf(job)
      .findDevice(device)
      ?.terminals.map(({ name }) => name)
      .join();
  return names(a) === names(b);
}

function removePoint(job: JobContent, { id }: Of<'removePoint'>): JobContent {
  const point = pointOf(job, id);
  const kept = [...job.results, ...job.calibrations, ...job.faults].filter(
    ({ pointId }) => pointId === id,
  ).length;
  if (kept) refuse(say('job.holds-stored-which-never', { point: point.tag, kept }), 'id');
  // A device stays while another point is about it.
  const gone = [...(isShared(job, point) ? [] : [point.deviceId]), ...(point.helperIds ?? [])];
  const left = isShared(job, point) ? { ...job, wires: wiresWithoutPoint(job, point) } : job;
  return {
    ...withoutPhotosOf(gone.reduce(withoutItem, left), { pointId: id }),
    points: withoutInput(without(job.points, id, 'point'), id),
    devices: job.devices.filter((row) => !gone.includes(row.id)),
    wires: gone.reduce<Wire[]>((wires, item) => wiresWithout({ ...left, wires }, item), left.wires),
    stamps: job.stamps.filter(({ pointId }) => pointId !== id),
  };
}
