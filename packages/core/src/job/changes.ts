import { deviceType, findDeviceType, findModuleType, portsOf } from '../catalog/index.ts';
import type {
  Device,
  JobContent,
  Landed,
  Module,
  Point,
  Range,
  Supply,
  Wire,
  Scaling,
} from '../model/index.ts';
import { splitRef, JobProblem } from '../model/index.ts';
import { Change } from './changeSchema.ts';
import type { Actor, SingleChange } from './changeSchema.ts';
import { checkIntegrity } from './integrity.ts';
import { enter, require, withLink, withoutItem } from './settingChanges.ts';
import { JobIndex } from './jobIndex.ts';
import type { ChannelPlace } from './jobIndex.ts';
import { commonWire, moduleSupplyWires, proposeWires, railColour } from './propose.ts';

type Of<K extends SingleChange['kind']> = Extract<SingleChange, { kind: K }>;

/**
 * Applies one change to a job and gives the job as it is then; the job given is not touched.
 * @throws JobProblem when the change names something that is not there, or the outcome would not be sound.
 */
export function applyChange(job: JobContent, change: Change, actor: Actor): JobContent {
  const next = applyUnchecked(job, change, actor);
  const problems = checkIntegrity(next);
  if (problems.length) throw new JobProblem(problems);
  return next;
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
  if (change.kind === 'several')
    return change.changes.reduce<JobContent>((j, part) => applyUnchecked(j, Change.parse(part), actor), job);
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
  addPoint: (job, { point, device, place }) => {
    const added = {
      ...job,
      points: [...job.points, point],
      devices: [...job.devices, { ...device, tag: point.tag }],
    };
    return place ? assign(added, device, place) : added;
  },
  editPoint,
  removePoint,
  addHelper: (job, { pointId, device, wires }) => {
    const point = job.points.find(({ id }) => id === pointId);
    if (!point) return refuse('pointId', `The job holds no point “${pointId}”. It may have been removed.`);
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
    points: job.points.map((point) =>
      point.helperIds?.includes(id)
        ? { ...point, helperIds: point.helperIds.filter((helper) => helper !== id) }
        : point,
    ),
    wires: wiresWithout(job, id),
  }),
  assign: (job, { pointId, place }) => {
    const device = deviceOfPoint(job, pointId);
    return place ? assign(job, device, place) : { ...job, wires: wiresWithout(job, device.id) };
  },
  setCommon,
  addWire: (job, { wire }) => ({ ...job, wires: [...job.wires, wire] }),
  moveWire: (job, { wireId, from, to }) => ({
    ...job,
    wires: edited(job.wires, wireId, { ...(from && { from }), ...(to && { to }) }, 'wire'),
  }),
  editWire: (job, { wireId, patch }) => ({ ...job, wires: edited(job.wires, wireId, patch, 'wire') }),
  landWire: (job, { wireId, landed }) => {
    const wires = edited(job.wires, wireId, {}, 'wire');
    const as = landed && Object.keys(landed).length ? landed : undefined;
    return {
      ...job,
      wires: wires.map((wire) => (wire.id === wireId ? withLanded(wire, as) : wire)),
    };
  },
  removeWire: (job, { wireId }) => ({ ...job, wires: without(job.wires, wireId, 'wire') }),
  stamp: (job, { stamp }, actor) => ({ ...job, stamps: [...job.stamps, { ...stamp, ...actor }] }),
  undoStamp: (job, { id, reason }, actor) => {
    if (job.stamps.find((stamp) => stamp.id === id)?.undone) refuse('', 'This step is undone already.');
    return { ...job, stamps: edited(job.stamps, id, { undone: { ...actor, reason } }, 'stamp') };
  },
  setPlate: (job, { pointId, plate }) => ({
    ...job,
    points: edited(job.points, pointId, { plate }, 'point'),
  }),
  require,
  enter,
  addDescription: (job, { description }) => ({ ...job, descriptions: [...job.descriptions, description] }),
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
      point.id === pointId ? withScaling(point, scaling) : point,
    ),
  }),
  calibrate: (job, { calibrations }, actor) => ({
    ...job,
    calibrations: [...job.calibrations, ...calibrations.map((row) => ({ ...row, ...actor }))],
  }),
  record: (job, { results }, actor) => ({
    ...job,
    results: [...job.results, ...results.map((result) => ({ ...result, ...actor }))],
  }),
};

function refuse(path: string, message: string): never {
  throw new JobProblem([{ path, message }]);
}

function edited<T extends { id: string }>(
  rows: readonly T[],
  id: string,
  patch: Partial<T>,
  what: string,
): T[] {
  if (!rows.some((row) => row.id === id))
    refuse('id', `The job holds no ${what} “${id}”. It may have been removed.`);
  return rows.map((row) => (row.id === id ? { ...row, ...patch } : row));
}

function without<T extends { id: string }>(rows: readonly T[], id: string, what: string): T[] {
  if (!rows.some((row) => row.id === id))
    refuse('id', `The job holds no ${what} “${id}”. It may have been removed.`);
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

/** The wires of a job without those that end on an item; a wire found landed there is back where it was planned. */
function wiresWithout(job: JobContent, itemId: string): Wire[] {
  return job.wires
    .filter(({ from, to }) => !ofItem(from, itemId) && !ofItem(to, itemId))
    .map((wire) =>
      ofItem(wire.landed?.from, itemId) || ofItem(wire.landed?.to, itemId)
        ? withLanded(wire, undefined)
        : wire,
    );
}

function withLanded({ landed: _, ...wire }: Wire, landed: Landed | undefined): Wire {
  return landed ? { ...wire, landed } : wire;
}

function deviceOfPoint(job: JobContent, pointId: string): Device {
  const point = job.points.find(({ id }) => id === pointId);
  const device = point && job.devices.find(({ id }) => id === point.deviceId);
  return device ?? refuse('pointId', `The job holds no point “${pointId}”. It may have been removed.`);
}

function addModule(job: JobContent, { module, commons }: Of<'addModule'>): JobContent {
  const type = findModuleType(module.typeId);
  if (!type) return { ...job, modules: [...job.modules, module] };
  const added = { ...job, modules: [...job.modules, module] };
  const fed = { ...added, wires: [...added.wires, ...moduleSupplyWires(added, module)] };
  return type.groups.reduce<JobContent>((next, { common }, g) => {
    const rail = commons[g];
    return rail ? { ...next, wires: [...next.wires, commonWire(next, module.id, common, rail)] } : next;
  }, fed);
}

function assign(job: JobContent, device: Device, place: ChannelPlace): JobContent {
  const module = job.modules.find(({ id }) => id === place.moduleId);
  if (!module || !findModuleType(module.typeId))
    return refuse('place', 'That module is not in the job. Choose one that is.');
  if (!portsOf(module).some(({ channel }) => channel === place.channel))
    refuse('place', `${module.tag} has no channel ${place.channel}.`);
  if (!findDeviceType(device.typeId)) return job;
  const cleared = { ...job, wires: wiresWithout(job, device.id) };
  const wires = proposeWires(cleared, device, place);
  return { ...cleared, wires: [...cleared.wires, ...wires] };
}

function editPoint(job: JobContent, { id, patch }: Of<'editPoint'>): JobContent {
  const before = deviceOfPoint(job, id);
  const { typeId, output, logic, settings, range, ...own } = patch;
  const device: Device = {
    ...before,
    ...(typeId && { typeId }),
    ...(output && { output }),
    ...(logic && { logic }),
    ...(settings && { settings }),
    ...(own.tag && { tag: own.tag }),
  };
  const points = edited(job.points, id, own, 'point').map((point) =>
    point.id === id ? withRange(point, range) : point,
  );
  const next: JobContent = {
    ...job,
    points,
    devices: edited(job.devices, device.id, device, 'device'),
  };
  if (!findDeviceType(device.typeId) || sameTerminals(before, device)) return next;
  const place = new JobIndex(job).placeOf(before);
  return place ? assign(next, device, place) : { ...next, wires: wiresWithout(next, device.id) };
}

/** @param range null takes the range away, undefined leaves it. */
function withRange(point: Point, range: Range | null | undefined): Point {
  if (range === undefined) return point;
  const { range: _, ...rest } = point;
  return range === null ? rest : { ...rest, range };
}

function withScaling(point: Point, scaling: Scaling | null): Point {
  const { scaling: _, ...rest } = point;
  return scaling === null ? rest : { ...rest, scaling };
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
  const after = next.devices.find((device) => device.id === id)!;
  if (!before || !findDeviceType(after.typeId) || sameTerminals(before, after)) return next;
  return { ...next, wires: wiresWithout(next, id) };
}

function sameTerminals(a: Device, b: Device): boolean {
  const names = (device: Device): string =>
    deviceType(device.typeId)
      .terminals.map(({ name }) => name)
      .join();
  return names(a) === names(b);
}

function removePoint(job: JobContent, { id }: Of<'removePoint'>): JobContent {
  const device = deviceOfPoint(job, id);
  const kept = [...job.results, ...job.calibrations].filter(({ pointId }) => pointId === id).length;
  if (kept)
    refuse(
      'id',
      `${device.tag} holds ${kept} stored ${kept === 1 ? 'result' : 'results'}, which are never removed. Take it off its channel instead.`,
    );
  const helpers = job.points.find((point) => point.id === id)?.helperIds ?? [];
  const gone = [device.id, ...helpers];
  return {
    ...gone.reduce(withoutItem, job),
    points: without(job.points, id, 'point'),
    devices: job.devices.filter((row) => !gone.includes(row.id)),
    wires: gone.reduce<Wire[]>((wires, item) => wiresWithout({ ...job, wires }, item), job.wires),
    stamps: job.stamps.filter(({ pointId }) => pointId !== id),
  };
}

function setCommon(job: JobContent, { moduleId, common, rail }: Of<'setCommon'>): JobContent {
  const module = job.modules.find(({ id }) => id === moduleId);
  if (!module) return refuse('moduleId', 'That module is not in the job.');
  const rails = findModuleType(module.typeId)?.terminals.filter(({ name }) => isCommon(module, name));
  if (!rails?.some(({ name }) => name === common)) refuse('common', `${module.tag} has no ${common}.`);
  const ref = `${moduleId}:${common}`;
  const index = new JobIndex(job);
  const old = index
    .wiresAt(ref)
    .find(
      (wire) => index.railAt(ref) && [wire.from, wire.to].some((end) => index.supply(splitRef(end).item)),
    );
  if (!rail) return { ...job, wires: job.wires.filter((wire) => wire !== old) };
  if (!old) return { ...job, wires: [...job.wires, commonWire(job, moduleId, common, rail)] };
  const supply = [old.from, old.to].map((end) => splitRef(end).item).find((item) => index.supply(item))!;
  const moved = { from: ref, to: `${supply}:${rail}`, colour: railColour(job, rail) };
  return { ...job, wires: edited(job.wires, old.id, moved, 'wire') };
}

/** Terminals that belong on a rail: commons of groups, and the module's own supply. */
function isCommon(module: Module, terminal: string): boolean {
  const type = findModuleType(module.typeId);
  return (
    (type?.groups.some(({ common }) => common === terminal) ?? false) ||
    portsOf(module).some(({ common }) => common === terminal)
  );
}
