import { sure } from '@keypost/core/lists';
import type { ChannelPlace, JobIndex, Change, SingleChange } from '@keypost/core/job';
import { changesFor, landingFor, landingsOf, proposeModule } from '@keypost/core/job';
import { choiceWithin, outputOfType, USUAL_DEVICE } from '@keypost/core/catalog';
import type { DeviceOutput, Port } from '@keypost/core/catalog';
import type { Device } from '@keypost/core/model';
import { mainsFor, moduleFor, trialTargets } from '@keypost/core/planning';
import { pointTypes } from '../job/kindOptions';
import { choiceOf, fittingOutput, rangeOf, rangeTexts } from './PointForm';
import type { PointTexts, PointValues } from './PointForm';

/** What a new point begins with where no channel was asked for. */
const FIRST: PointTexts = {
  tag: '',
  name: '',
  area: '',
  bit: 'direct',
  typeId: USUAL_DEVICE,
  outputId: 'output',
  kind: 'pnp',
  logic: 'no',
  ...rangeTexts(undefined),
};

/** What the channel can be for which the page was opened: as it is set first, then as it could be set. */
export function portsAt(index: JobIndex, at: string | undefined): readonly Port[] {
  const [moduleId = '', channel] = (at ?? '').split(':');
  if (!index.module(moduleId)) return [];
  return landingsOf(index, moduleId).flatMap((one) => (one.channel === Number(channel) ? [one.port] : []));
}

/** What a new point begins with: the usual device, or the first that fits the channel. */
export function firstFor({ types }: JobIndex, ports: readonly Port[]): PointTexts {
  const fitting = pointTypes(types, ports.slice(0, 1));
  const type = fitting.find(({ id }) => id === USUAL_DEVICE) ?? sure(fitting[0]);
  if (type.id === USUAL_DEVICE) return FIRST;
  return { ...FIRST, typeId: type.id, ...choiceWithin(fittingOutput(type, ports)) };
}

/** Devices of the job with outputs that no point is about. */
export function sharable(index: JobIndex): { device: Device; free: readonly DeviceOutput[] }[] {
  return index.job.devices.flatMap((device) => {
    const { outputs, description } = index.deviceType(device);
    if (description.part || outputs.length < 2) return [];
    const free = index.freeOutputs(device);
    return free.length ? [{ device, free }] : [];
  });
}

/** Begins the value of a channel of a module that is yet to be added. */
const NEW = 'new:';

/** Modules that could be added with the point, since it can be landed on them. */
export function modulesToAdd(
  { types }: JobIndex,
  { typeId, outputId }: PointTexts,
): { value: string; label: string; group: string }[] {
  return trialTargets(types, typeId, outputId).flatMap(({ id, is, name }) =>
    is === 'module' ? [{ value: `${NEW}${id}`, label: name, group: 'A module that is added with it' }] : [],
  );
}

/** The module that is added with a point, if one is, and where the point then lands. */
function landing(
  index: JobIndex,
  ids: { module: string },
  values: PointValues,
  place: string,
): { changes: SingleChange[]; place: ChannelPlace | null } {
  if (place === '') return { changes: [], place: null };
  if (!place.startsWith(NEW)) {
    const [moduleId = '', channel] = place.split(':');
    const at = { moduleId, channel: Number(channel) };
    const type = index.types.device(values);
    const landed = landingFor(index, at, type, outputOfType(type, values.outputId));
    return { changes: landed ? changesFor(index, landed) : [], place: at };
  }
  const target = place.slice(NEW.length);
  const { kind, logic, typeId, outputId } = values;
  const rail = kind === 'npn' ? '+' : '-';
  const { tag } = proposeModule(index.job, index.types.module({ typeId: target }));
  const trial = { typeId, outputId, kind, logic, target, rail } as const;
  return moduleFor(index.job, trial, { module: ids.module, moduleTag: tag });
}

/** Adds a point with its device, or one about a further output of a device that is there. */
export function additionOf(
  index: JobIndex,
  ids: { point: string; device: string; module: string },
  values: PointValues,
  place: string,
  onDevice: string,
): Change {
  const { types } = index;
  const { tag, name, area, bit, typeId, outputId } = values;
  const range = rangeOf(types, values);
  const chosen = choiceOf(types, values);
  const point = {
    id: ids.point,
    tag: tag.trim(),
    name: name.trim(),
    ...(area && { area }),
    bit,
    deviceId: onDevice || ids.device,
    ...(outputId && types.device(values).outputs.length > 1 && { outputId }),
    ...(range && { range }),
  };
  const at = landing(index, ids, values, place);
  const outputs = chosen && { [chosen.id]: { kind: chosen.kind, logic: chosen.logic } };
  const device = { id: ids.device, tag: tag.trim(), typeId, ...(outputs && { outputs }) };
  const addition: SingleChange = {
    kind: 'addPoint',
    point,
    device: onDevice ? null : device,
    place: at.place,
  };
  const edit: SingleChange[] =
    onDevice && chosen
      ? [
          {
            kind: 'editPoint',
            id: ids.point,
            patch: { output: { kind: chosen.kind, logic: chosen.logic } },
          },
        ]
      : [];
  const changes = [...mainsFor(index.job, typeId), ...at.changes, addition, ...edit];
  return changes.length === 1 ? addition : { kind: 'batch', changes };
}
