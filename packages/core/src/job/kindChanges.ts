import { say } from '../messages/index.ts';
import { figuresIn, partTypesOf, problemsOfKind } from '../catalog/index.ts';
import type { Figure } from '../catalog/index.ts';
import type { Device, JobContent, Module } from '../model/index.ts';
import { JobProblem, refuse } from '../model/index.ts';
import { convert } from '../units/index.ts';
import type { Actor, SingleChange } from './changeSchema.ts';

type Of<K extends SingleChange['kind']> = Extract<SingleChange, { kind: K }>;

/** A part with one figure of its own datasheet in place of the typical one, or without it again. */
export function setFigure(
  job: JobContent,
  { itemId, path, figure }: Of<'setFigure'>,
  actor: Actor,
): JobContent {
  const device = job.devices.find(({ id }) => id === itemId);
  const module = job.modules.find(({ id }) => id === itemId);
  if (!device && !module) refuse(say('job.job-holds-part-may', { itemId }), 'itemId');
  const types = partTypesOf(job);
  const bare = <T extends Device | Module>({ figures: _, ...row }: T): Omit<T, 'figures'> => row;
  const type = device ? types.findDevice(bare(device)) : module && types.findModule(bare(module));
  const typical = figuresIn(type?.description).find((found) => found.path === path)?.figure;
  if (!typical) return refuse(say('job.part-figure', { path }), 'path');
  const own = figure && { ...possible(inUnit(figure, typical.unit), typical), ...actor };
  const patched = <T extends Device | Module>(row: T): T => {
    if (row.id !== itemId) return row;
    const { [path]: __, ...others } = row.figures ?? {};
    const next = own ? { ...others, [path]: own } : others;
    const { figures: ___, ...rest } = row;
    return (Object.keys(next).length ? { ...rest, figures: next } : rest) as T;
  };
  return { ...job, devices: job.devices.map(patched), modules: job.modules.map(patched) };
}

/** @throws JobProblem for what no part can have: less than nothing, or no resistance at all where there is one. */
function possible(figure: NewFigure, typical: Figure): NewFigure {
  const below = [typical.min, typical.nominal, typical.max].some((value) => (value ?? 0) < 0);
  for (const name of ['min', 'nominal', 'max'] as const) {
    const value = figure[name];
    if (value === undefined || below) continue;
    if (value < 0) refuse(say('job.figure-0-more'), `figure.${name}`);
    if (value === 0 && typical.unit === 'Ω' && name !== 'min')
      refuse(say('job.resistance-more-0'), `figure.${name}`);
  }
  return figure;
}

type NewFigure = NonNullable<Of<'setFigure'>['figure']>;

/** A figure in the unit in which its description has it. @throws JobProblem where the units do not belong together. */
function inUnit(figure: NewFigure, unit: string): NewFigure {
  const turned = (value: number | undefined): number | undefined => {
    if (value === undefined) return undefined;
    const converted = convert(value, figure.unit, unit);
    return (
      (converted === undefined ? undefined : Number(converted.toPrecision(12))) ??
      refuse(say('job.does-fit-here-figure', { unit: figure.unit, unit2: unit }), 'unit')
    );
  };
  const [min, nominal, max] = [turned(figure.min), turned(figure.nominal), turned(figure.max)];
  return {
    ...(min !== undefined && { min }),
    ...(nominal !== undefined && { nominal }),
    ...(max !== undefined && { max }),
    unit,
    from: figure.from,
  };
}

/** What a description of one's own lacks to be sound. @throws JobProblem with everything that is wrong. */
export function setOwnKind(job: JobContent, { collection, own }: Of<'setOwnKind'>): JobContent {
  const problems = problemsOfKind(collection, own.description);
  if (problems.length) throw new JobProblem([...problems]);
  if (own.id !== own.description.id) refuse(say('job.row-description-need-same'), 'id');
  const rows = job[collection];
  const next = rows.some(({ id }) => id === own.id)
    ? rows.map((row) => (row.id === own.id ? own : row))
    : [...rows, own];
  return { ...job, [collection]: next };
}
