import { withoutPhotosOf } from './photoChanges.ts';
import { say } from '../messages/index.ts';
import { isRaw, partTypesOf, rawValue, readValue, settingsOf } from '../catalog/index.ts';
import type { PartType } from '../catalog/index.ts';
import type { Device, JobContent, Module, Settings } from '../model/index.ts';
import { JobProblem, refuse } from '../model/index.ts';
import type { Actor, SingleChange } from './changeSchema.ts';
import { parametersOf } from './itemParameters.ts';

type Of<K extends SingleChange['kind']> = Extract<SingleChange, { kind: K }>;

const isThere = (job: JobContent, itemId: string): boolean =>
  [...job.devices, ...job.modules].some(({ id }) => id === itemId);

/** A module's link: null takes it away, undefined leaves it. */
export function withLink(modules: Module[], id: string, link: string | null | undefined): Module[] {
  if (link === undefined) return modules;
  return modules.map((module) => {
    if (module.id !== id) return module;
    const { link: _, ...rest } = module;
    return link === null ? rest : { ...rest, link };
  });
}

/** What a part's parameter is to be by hand. */
export function require(job: JobContent, { itemId, key, override }: Of<'require'>): JobContent {
  if (!isThere(job, itemId)) refuse(say('job.job-holds-part-may', { itemId }), 'itemId');
  if (override) override = { ...override, value: allowed(job, itemId, key, override.value, true) };
  const patched = <T extends Device | Module>(row: T): T => {
    if (row.id !== itemId) return row;
    const { [key]: _, ...others } = row.override ?? {};
    const next = override ? { ...others, [key]: override } : others;
    const { override: __, ...rest } = row;
    return (Object.keys(next).length ? { ...rest, override: next } : rest) as T;
  };
  return { ...job, devices: job.devices.map(patched), modules: job.modules.map(patched) };
}

/**
 * Keeps what somebody found or left. A value on which a circuit hangs moves the part's switch in the job too, so that
 * the circuit is solved as it stands in the panel.
 */
export function enter(job: JobContent, { entries }: Of<'enter'>, actor: Actor): JobContent {
  const added = entries.map((entry) => ({
    ...entry,
    values: Object.fromEntries(
      Object.entries(entry.values).map(([key, value]) => [
        key,
        entry.how === 'read'
          ? asRead(job, entry.itemId, key, value)
          : allowed(job, entry.itemId, key, value, entry.side === 'left'),
      ]),
    ),
    ...actor,
  }));
  return added.reduce<JobContent>(
    (next, { itemId, values }) => {
      if (!isThere(job, itemId)) return refuse(say('job.job-holds-part-may', { itemId }), 'itemId');
      return {
        ...next,
        devices: next.devices.map((row) =>
          row.id === itemId ? moved(row, partTypesOf(job).findDevice(row), values) : row,
        ),
        modules: next.modules.map((row) =>
          row.id === itemId ? moved(row, partTypesOf(job).findModule(row), values) : row,
        ),
      };
    },
    { ...job, entries: [...job.entries, ...added] },
  );
}

/**
 * A value as the device itself gave it. One that its description does not know is kept raw: it is no reason to lose
 * the others that were read with it, and it is taken for nothing that it might mean.
 */
function asRead(job: JobContent, itemId: string, key: string, value: string): string {
  try {
    return allowed(job, itemId, key, value, false);
  } catch (error) {
    const isKnown = parametersOf(job, itemId).some((p) => p.key === key);
    if (error instanceof JobProblem && isKnown) return rawValue(value);
    throw error;
  }
}

/**
 * A value as a parameter keeps it.
 * @param strict what is left must be allowed; what was found may be anything that its kind can show.
 */
function allowed(job: JobContent, itemId: string, key: string, value: string, strict: boolean): string {
  const parameter = parametersOf(job, itemId).find((p) => p.key === key);
  if (!parameter) return refuse(say('job.part-parameter', { key }), key);
  const read = readValue(strict ? parameter : { ...parameter, min: undefined, max: undefined }, value);
  return read.ok ? read.value : refuse(read.problem, key);
}

function moved<T extends Device | Module>(row: T, type: PartType | undefined, values: Settings): T {
  if (!type) return row;
  const before = settingsOf(type, row.settings);
  const turned = Object.entries(values).filter(
    ([key, value]) => key in before && before[key] !== value && !isRaw(value),
  );
  return turned.length ? { ...row, settings: { ...row.settings, ...Object.fromEntries(turned) } } : row;
}

/** A job without what hangs on a part that leaves it: its entries, its place in a plan, and that a point stops it. */
export const withoutItem = (job: JobContent, itemId: string): JobContent => ({
  ...withoutPhotosOf(job, { itemId }),
  entries: job.entries.filter((entry) => entry.itemId !== itemId),
  points: job.points.map((point) =>
    point.stops?.includes(itemId) ? { ...point, stops: point.stops.filter((id) => id !== itemId) } : point,
  ),
  plans: job.plans.map((plan) =>
    plan.kind === 'serial'
      ? { ...plan, units: plan.units.map((unit) => withoutLinkTo(unit, itemId)) }
      : { ...plan, members: plan.members.map((member) => withoutLinkTo(member, itemId)) },
  ),
});

function withoutLinkTo<T extends { itemId?: string }>(row: T, itemId: string): T {
  if (row.itemId !== itemId) return row;
  const { itemId: _, ...rest } = row;
  return rest as T;
}
