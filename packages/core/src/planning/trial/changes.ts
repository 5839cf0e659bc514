import { analyse } from '../../analysis/index.ts';
import { sure } from '../../lists/index.ts';
import { outputOfType, partTypesOf, RESISTOR_ID, settingsOf, switchedTo } from '../../catalog/index.ts';
import type { DeviceType, PossiblePort, PartTypes, Port } from '../../catalog/index.ts';
import {
  applyChange,
  changesFor,
  freeTag,
  JobIndex,
  landingsOf,
  NOBODY,
  numbering,
  panelWire,
  portFits,
  proposeModule,
  takesAc,
} from '../../job/index.ts';
import type { ChannelPlace, Landing, SingleChange } from '../../job/index.ts';
import { emptyJob } from '../../model/index.ts';
import type { ColourRegion, JobContent, Settings, Wire } from '../../model/index.ts';
import { coilEnds, feedWires } from '../relayPlan/relayChange.ts';

import { fittingPort, trialTargets } from './targets.ts';
import { TRIAL_NAMES } from './trial.ts';
import type { Trial, TrialNames, TrialTarget } from './trial.ts';

/** Volts between line and neutral where a convention of colours is usual. */
const MAINS_VOLTS: Readonly<Record<ColourRegion, number>> = { iec: 230, 'north-america': 120, japan: 100 };

const needsMains = ({ description }: DeviceType): boolean =>
  description.mains === true || description.fed === 'ac';

/** The mains that a kind of device needs and a job has not yet; nothing where it needs none. */
export function mainsFor(
  job: JobContent,
  typeId: string,
  moduleId?: string,
): Extract<SingleChange, { kind: 'addSupply' }>[] {
  const types = partTypesOf(job);
  const module = types.modules.find(({ id }) => id === moduleId);
  const ports = module?.ports(settingsOf(module)) ?? [];
  const [asked] = ports.flatMap((port) => (port.kind === 'digital' && port.acVolts) || []);
  if (!(asked ?? needsMains(types.device({ typeId }))) || job.supplies.some(({ kind }) => kind === 'ac'))
    return [];
  const tag = freeTag(job, 'Q');
  const volts = asked ?? MAINS_VOLTS[job.colours];
  const rating = { tolerancePercent: 10, internalOhms: 0.4, limitAmps: 10 };
  return [{ kind: 'addSupply', supply: { id: tag.toLowerCase(), tag, kind: 'ac', volts, ...rating } }];
}

/** A new module of the trial's kind, with its common where the sensor wants it, and the channel on which that lands. */
export function moduleFor(
  job: JobContent,
  trial: Trial,
  names: Pick<TrialNames, 'module' | 'moduleTag'>,
): { readonly changes: SingleChange[]; readonly place: ChannelPlace } {
  return {
    changes: moduleChanges(job, trial, names),
    place: { moduleId: names.module, channel: portOf(partTypesOf(job), trial).port.channel },
  };
}

/** A job that holds nothing but a trial. @throws JobProblem where what was chosen does not go together at all. */
export function trialJob(
  { ownDevices, ownModules }: Pick<JobContent, 'ownDevices' | 'ownModules'>,
  trial: Trial,
): JobContent {
  const job = { ...emptyJob('Will it work together?', ''), ownDevices, ownModules };
  return applied(job, trialChanges(job, trial, TRIAL_NAMES));
}

export const applied = (job: JobContent, changes: readonly SingleChange[]): JobContent =>
  changes.reduce((next, change) => applyChange(next, change, NOBODY), job);

/** The changes that put a trial into a job. @throws JobProblem where what was chosen does not go together at all. */
export function trialChanges(job: JobContent, trial: Trial, names: TrialNames): SingleChange[] {
  const types = partTypesOf(job);
  const target = trialTargets(types, trial.typeId, trial.outputId).find(({ id }) => id === trial.target);
  const free = target?.is === 'module' ? freePlace(job, trial) : undefined;
  const there = free && { moduleId: free.moduleId, channel: free.channel };
  const made = target?.is === 'module' && !there ? moduleFor(job, trial, names) : undefined;
  const base = [
    ...mainsFor(job, trial.typeId, target?.is === 'module' ? target.id : undefined),
    ...(free ? changesFor(new JobIndex(job), free) : []),
    ...(made?.changes ?? []),
    pointChange(types, trial, names, there ?? made?.place ?? null),
  ];
  const rest = target?.is === 'module' ? [] : aloneChanges(applied(job, base), trial, names, target);
  const plate: SingleChange[] = trial.plate
    ? [{ kind: 'setPlate', pointId: names.point, plate: { ...trial.plate } }]
    : [];
  return [...base, ...rest, ...plate];
}

/** A free channel of a module of the wanted kind that is in the job already, with its common on the wanted rail. */
function freePlace(job: JobContent, { typeId, outputId, target, rail }: Trial): Landing | undefined {
  const index = new JobIndex(job);
  const type = index.types.device({ typeId });
  const output = outputOfType(type, outputId);
  const sits = ({ moduleId, port }: Landing): boolean =>
    port.kind !== 'digital' ||
    port.inside !== undefined ||
    (index.railOf(moduleId, port.common)?.rail ?? 'open') === (takesAc(port) ? 'N' : rail);
  return job.modules
    .filter((module) => module.typeId === target)
    .flatMap(({ id }) => landingsOf(index, id))
    .find((one) => portFits(type, output, one.port) && sits(one) && !index.deviceAt(one));
}

/** The channel of a kind of module on which an output is tried: the first that fits. */
function portOf(types: PartTypes, { typeId, outputId, target }: Trial): PossiblePort {
  const type = types.device({ typeId });
  return sure(fittingPort(types.module({ typeId: target }), type, outputOfType(type, outputId)));
}

function moduleChanges(
  job: JobContent,
  trial: Trial,
  names: Pick<TrialNames, 'module' | 'moduleTag'>,
): SingleChange[] {
  const types = partTypesOf(job);
  const { groups } = types.module({ typeId: trial.target });
  const { port, settings: use } = portOf(types, trial);
  const asked = trial.rail === 'open' ? null : trial.rail;
  const rail = takesAc(port) ? 'N' : port.kind === 'digital' ? asked : '-';
  const settings = { ...use, ...(port.kind === 'analog' && analogSettings(types, trial, port)) };
  return [
    {
      kind: 'addModule',
      module: {
        id: names.module,
        tag: names.moduleTag,
        typeId: trial.target,
        firstByte: proposeModule(job, types.module({ typeId: trial.target })).firstByte,
        ...(Object.keys(settings).length && { settings }),
      },
      commons: groups.map(() => rail),
    },
  ];
}

/** An analog input set to the signal that it is to take, and a resistance input to the wires of its element. */
function analogSettings(types: PartTypes, trial: Trial, port: Extract<Port, { kind: 'analog' }>): Settings {
  const type = types.device(trial);
  const signal = outputOfType(type, trial.outputId)?.signal;
  const wires = String(type.terminals.length);
  const module = types.module({ typeId: trial.target });
  const offers = (key: string | undefined, value: string): boolean =>
    (module.settings ?? []).some((one) => one.key === key && one.choices.some((c) => c.value === value));
  return Object.fromEntries(
    [
      [port.switchKey, signal ? switchedTo(signal) : 'mA'],
      [port.rangeKey, signal ?? ''],
      [port.wiresKey, wires],
    ].filter(([key, value]) => offers(key, value ?? '')),
  ) as Settings;
}

function pointChange(
  types: PartTypes,
  trial: Trial,
  names: TrialNames,
  place: ChannelPlace | null,
): SingleChange {
  const { typeId, outputId, kind, logic, range } = trial;
  const type = types.device({ typeId });
  const output = outputOfType(type, outputId);
  const chooses = output && output.kinds.length * output.logics.length > 1;
  return {
    kind: 'addPoint',
    point: {
      id: names.point,
      tag: names.tag,
      name: names.name,
      deviceId: names.device,
      bit: 'direct',
      ...(output && type.outputs.length > 1 && { outputId: output.id }),
      ...(range && { range }),
    },
    device: {
      id: names.device,
      tag: names.tag,
      typeId,
      ...(chooses && { outputs: { [output.id]: { kind, logic } } }),
    },
    place,
  };
}

/** A resistor that stands for a load on the bench, Ω: a two-wire sensor holds by its current, and it bears it all day. */
const BENCH_OHMS = '4700';

/** The device on its supply, with a load at its output or with nothing but a meter. */
function aloneChanges(
  job: JobContent,
  trial: Trial,
  names: TrialNames,
  target: TrialTarget | undefined,
): SingleChange[] {
  const index = new JobIndex(job);
  const point = index.point(names.point);
  const device = index.deviceOf(point);
  const types = partTypesOf(job);
  const number = numbering(job);
  const made = (from: string, to: string): Wire => {
    const own = index.deviceType(device).terminals.find(({ name }) => from === `${device.id}:${name}`);
    return { ...panelWire(job, number(), from, to), ...(own?.colour && { colour: own.colour }) };
  };
  const feed = feedWires(index, device).map(([from, to]) => made(from, to));
  const inSeries = types.device(trial).terminals.some(({ role }) => role === 'sideA');
  const typeId = target?.is === 'load' ? target.id : inSeries ? RESISTOR_ID : undefined;
  const ends = typeId === undefined ? undefined : coilEnds(index, point);
  if (typeId === undefined || !ends) return feed.map((wire) => ({ kind: 'addWire', wire }));
  const [plus, minus] = loadTerminals(types.device({ typeId }));
  // Only one with its supply switches.
  const fedIndex = new JobIndex(
    applied(
      job,
      feed.map((wire) => ({ kind: 'addWire', wire })),
    ),
  );
  const settings: Settings =
    target?.is === 'load'
      ? dutyOf(types.device({ typeId }), isOnAway(fedIndex, names.point))
      : { ohms: BENCH_OHMS };
  return [
    {
      kind: 'addHelper',
      pointId: names.point,
      device: {
        id: names.load,
        tag: names.loadTag,
        typeId,
        ...(Object.keys(settings).length && { settings }),
      },
      wires: [...feed, made(`${names.load}:${plus}`, ends.a1), made(`${names.load}:${minus}`, ends.a2)],
    },
  ];
}

/** The terminals between which a load takes its current. */
function loadTerminals({ terminals }: DeviceType): [plus: string, minus: string] {
  const named = (role: string, otherwise: string): string =>
    terminals.find((terminal) => terminal.role === role)?.name ?? otherwise;
  const [first, second] = terminals.map(({ name }) => name);
  return [named('loadPlus', named('sideA', sure(first))), named('loadMinus', named('sideB', sure(second)))];
}

/** A load that is to be on while the output is. */
function dutyOf({ settings = [] }: DeviceType, onAway: boolean): Settings {
  return settings.some(({ key }) => key === 'duty') ? { duty: onAway ? 'away' : 'present' } : {};
}

/** Whether the output is on without its target, as one that is normally closed or sees light is. */
function isOnAway(index: JobIndex, pointId: string): boolean {
  const { away, present } = analyse(index, pointId, 'nominal');
  return away.outputOn && !present.outputOn;
}
