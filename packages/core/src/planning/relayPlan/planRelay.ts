import { sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Message, Text } from '../../messages/index.ts';
import { outputsNow, partTypesOf, RELAY_TYPES } from '../../catalog/index.ts';
import type { DeviceType } from '../../catalog/index.ts';
import type { Device, JobContent, Supply } from '../../model/index.ts';
import { splitRef, JobProblem } from '../../model/index.ts';
import { analyse } from '../../analysis/index.ts';
import { judge, excerpt } from '../../verdict/index.ts';
import { refText, applyChange, NOBODY, partsOf, JobIndex } from '../../job/index.ts';
import type { Change, SingleChange, ChannelPlace } from '../../job/index.ts';
import type { ReasonCode } from '../../verdict/index.ts';
import { demandsOf, polesOf } from './poles.ts';
import type { Pole } from './poles.ts';
import { coilEnds, relayChange } from './relayChange.ts';
import type { CoilEnds } from './relayChange.ts';
import type { RelayRequest } from './relayRequest.ts';

/** A relay that was looked at, and what its circuit said. */
export interface Tried {
  readonly typeId: string;
  readonly name: string;
  readonly status: 'works' | 'doubtful' | 'cannot';
  readonly sentence: Text;
  /** Its coil is kept in by what leaks through the sensor: a resistor beside the coil mends that. */
  readonly mendable?: boolean;
}

/** A terminal of the chosen relay under both numberings, and what lands on it. */
interface RelayTerminal {
  readonly name: string;
  readonly printed?: string;
  readonly words: string;
  /** What lands there, by tag and terminal; empty where it stays free. */
  readonly landed: readonly Text[];
}

/** Which pole does what, the relay for it, and the change that brings it into the job. */
export interface RelayPlan {
  readonly poles: readonly Pole[];
  /** Whether the coil is in with the target. */
  readonly coilInPresent: boolean;
  readonly coilVolts: string;
  readonly tried: readonly Tried[];
  /** Id of the relay's type. */
  readonly chosen?: string;
  readonly terminals: readonly RelayTerminal[];
  readonly change?: Change;
  readonly cautions: readonly Message[];
}

/**
 * Plans an interposing relay behind a point's sensor: poles by the rails that they switch, the smallest relay of the
 * catalog whose solved circuit works, its terminals in both numberings. The job is not touched.
 * @throws JobProblem when the sensor cannot switch a coil, or a task names what is not there.
 */
export function planRelay(job: JobContent, pointId: string, request: RelayRequest): RelayPlan {
  const before = released(job, pointId, request);
  const index = new JobIndex(before.job);
  const point = index.point(pointId);
  const device = index.deviceOf(point);
  const ends = coilEnds(index, point);
  if (!ends)
    throw new JobProblem([
      { path: '', message: say('planning.output-switches-coil', { device: device.tag }) },
    ]);
  const taken = new Set([...job.devices, ...job.modules, ...job.supplies].map(({ id }) => id));
  const idFor = idsFor(pointId, taken);
  const type = index.deviceType(device);
  const own = index.outputOf(point)?.id ?? '';
  const coilInPresent = outputsNow(type, device, { present: true, level: 1 }).get(own)?.called ?? true;
  const demands = demandsOf(index, request.tasks, coilInPresent, idFor);
  const poles = polesOf(demands.contacts);
  const supply = sure(index.supply(ends.supplyId));
  const { volts, kind } = supply;
  const plan = {
    poles,
    coilInPresent,
    coilVolts: `${volts} V ${kind === 'ac' ? 'AC' : 'DC'}`,
    cautions: cautionsOf(index, poles),
  };
  const changeFor = (type: DeviceType): Change =>
    together(
      before.changes,
      relayChange(index, pointId, relayOf(type, request, idFor), ends, poles, demands),
    );
  const kindOf = (typeId: string): DeviceType => partTypesOf(job).device({ typeId });
  const part = trialPart(index, pointId, request);
  const tried: Tried[] = [];
  for (const type of RELAY_TYPES) {
    const unfit = unfitFor(type, poles.length, supply);
    if (unfit === undefined) tried.push(trial(part, pointId, type, changeFor(type)));
    else if (unfit !== '') tried.push({ ...named(type), status: 'cannot', sentence: unfit });
    if (tried.at(-1)?.status === 'works') break;
  }
  const chosen = (
    tried.find(({ status }) => status === 'works') ??
    tried.find(({ status }) => status === 'doubtful') ??
    tried.find(({ mendable }) => mendable)
  )?.typeId;
  return {
    ...plan,
    tried,
    chosen,
    terminals: chosen ? terminalsOf(index, kindOf(chosen), ends, poles) : [],
    change: chosen === undefined ? undefined : changeFor(kindOf(chosen)),
  };
}

/** The job without the sensor's own wires where its present input is to go to a contact of the relay. */
function released(
  job: JobContent,
  pointId: string,
  request: RelayRequest,
): { job: JobContent; changes: SingleChange[] } {
  const index = new JobIndex(job);
  const place = index.placeOf(index.point(pointId));
  const same = ({ moduleId, channel }: ChannelPlace): boolean =>
    moduleId === place?.moduleId && channel === place.channel;
  if (!request.tasks.some((task) => task.kind === 'input' && same(task))) return { job, changes: [] };
  const change: SingleChange = { kind: 'assign', pointId, place: null };
  return { job: applyChange(job, change, NOBODY), changes: [change] };
}

function together(first: readonly SingleChange[], then: Change): Change {
  return { kind: 'batch', changes: [...first, ...partsOf(then)] };
}

/** Ids of new parts by their tags: the same tag gives the same id. */
function idsFor(pointId: string, taken: ReadonlySet<string>): (tag: string) => string {
  const given = new Map<string, string>();
  return (tag) => {
    const known = given.get(tag);
    if (known) return known;
    const base = `${pointId.slice(0, 40)}-${
      tag
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '')
        .slice(0, 12) || 'part'
    }`;
    let id = base;
    for (let n = 2; taken.has(id) || [...given.values()].includes(id); n++) id = `${base}-${n}`;
    given.set(tag, id);
    return id;
  };
}

function relayOf(type: DeviceType, request: RelayRequest, idFor: (tag: string) => string): Device {
  const offers = type.settings?.find(({ key }) => key === 'suppressor')?.choices.map(({ value }) => value);
  const wanted = offers?.includes(request.suppressor) ? request.suppressor : 'varistor';
  return {
    id: idFor(request.tag),
    tag: request.tag,
    typeId: type.id,
    ...(offers && { settings: { suppressor: request.suppressor === 'none' ? 'none' : wanted } }),
  };
}

/** Why a relay need not be tried: nothing to say (empty) for a coil of another supply, a sentence for too few poles. */
function unfitFor({ contacts, coil }: DeviceType, poles: number, { kind, volts }: Supply): Text | undefined {
  if (sure(coil).kind !== 'any' && sure(coil).kind !== kind) return '';
  if (Math.abs(sure(coil).volts - volts) > volts * 0.2) return '';
  if (sure(contacts).poles < poles)
    return say('planning.it-has-are-needed', { poles: sure(contacts).poles, poles2: poles });
  return undefined;
}

/** The part of the job on which the relays are tried. */
function trialPart(index: JobIndex, pointId: string, request: RelayRequest): JobContent {
  const modules = new Set(request.tasks.flatMap((task) => (task.kind === 'input' ? [task.moduleId] : [])));
  const point = index.point(pointId);
  const place = index.placeOf(point);
  if (place) modules.add(place.moduleId);
  return excerpt(index, [point.deviceId, ...(point.helperIds ?? [])], modules);
}

function trial(part: JobContent, pointId: string, type: DeviceType, change: Change): Tried {
  const own: Change = { kind: 'batch', changes: partsOf(change).filter((c) => c.kind !== 'assign') };
  const after = new JobIndex(applyChange(part, own, NOBODY));
  const { status, sentence, reasons } = judge(analyse(after, pointId));
  const about = reasons.map((reason) => reason.sentence);
  return {
    ...named(type),
    status: status === 'open' ? 'cannot' : status,
    sentence: about.length ? say('text.sentences', { parts: about }) : sentence,
    ...(status === 'cannot' && { mendable: reasons.every(({ code }) => LEAKS.has(code)) }),
  };
}

const named = ({ id, name }: DeviceType): { typeId: string; name: string } => ({ typeId: id, name });

const LEAKS: ReadonlySet<ReasonCode> = new Set(['kept-in', 'leak-holds']);

function terminalsOf(
  index: JobIndex,
  type: DeviceType,
  ends: CoilEnds,
  poles: readonly Pole[],
): RelayTerminal[] {
  const landed = new Map<string, Text[]>();
  const put = (name: string, words: Text): void => {
    landed.set(name, [...(landed.get(name) ?? []), words]);
  };
  put('A1', refText(index, ends.a1));
  put('A2', refText(index, ends.a2));
  for (const { number, rail, no, nc } of poles) {
    put(`${number}1`, refText(index, rail));
    for (const { words } of no) put(`${number}4`, words);
    for (const { words } of nc) put(`${number}2`, words);
  }
  return type.terminals.map(({ name, printed, words = '' }) => ({
    name,
    printed,
    words,
    landed: landed.get(name) ?? [],
  }));
}

function cautionsOf(index: JobIndex, poles: readonly Pole[]): Message[] {
  const kinds = new Set(poles.map(({ rail }) => index.supply(splitRef(rail).item)?.kind));
  return [
    ...(kinds.has('ac') ? [say('planning.mains-relay-isolate-lock')] : []),
    ...(kinds.size > 1 ? [say('planning.mains-24-v-relay')] : []),
  ];
}
