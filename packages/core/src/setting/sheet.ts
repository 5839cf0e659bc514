import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import { valueText } from '../catalog/index.ts';
import type { Parameter } from '../catalog/index.ts';
import type { Device, Module, Point } from '../model/index.ts';
import { contextOf } from '../network/index.ts';
import { parametersOf, presentValues, sameValue } from '../job/index.ts';
import type { JobIndex, Seen, Present } from '../job/index.ts';
import type { OwnPort } from '../network/index.ts';
import type { DeriveContext } from './derive/context.ts';
import { derive } from './derive/derive.ts';
import { safeOrder } from './order.ts';

/** What a parameter is to be, and from what that follows. */
interface Required {
  readonly value: string;
  readonly from: Text;
  /** Set by hand, with the reason in `from`. */
  readonly override: boolean;
  /** What is usual, where nothing of the job says more. */
  readonly usual?: boolean;
}

/**
 * `done`: known to be as required. `differs`: known to be otherwise. `unknown`: required, but nobody looked yet.
 * `free`: nothing is required of it.
 */
export type LineState = 'done' | 'differs' | 'unknown' | 'free';

/** One parameter of a sheet: what was found, what is required, what was left. */
export interface SheetLine {
  readonly parameter: Parameter;
  /** Unit in which the device asks it, as required or as it shows now. */
  readonly unit: string;
  /** Unit in which it shows what stands there now, where that is another. */
  readonly presentUnit?: string;
  readonly required?: Required;
  /** Why nothing follows, although it should. */
  readonly problem?: Text;
  /** The first that was seen since the device was put in, and the last that was set. */
  readonly found?: Seen;
  readonly left?: Seen;
  /** The last that is known. */
  readonly present?: Seen;
  readonly state: LineState;
  /** What happened to it, or is going to: wiped by another, not kept over a power-down. */
  readonly warning?: Text;
}

/** The parameters of one part in safe order. */
export interface Sheet {
  readonly itemId: string;
  readonly tag: string;
  readonly typeName: string;
  readonly isModule: boolean;
  /** What of the part the sheet is about, where it is not all: `analog input 0`. */
  readonly about?: string;
  readonly lines: readonly SheetLine[];
}

const itemOf = (index: JobIndex, itemId: string): Device | Module => {
  const item = index.device(itemId) ?? index.module(itemId);
  if (!item) throw new Error(`The job has no part "${itemId}".`);
  return item;
};

/** The port of a module that a parameter belongs to, by the name before its point; and the point that is on it. */
function portOf(
  index: JobIndex,
  module: Module,
  { key }: Parameter,
): { port: OwnPort; point?: Point; device?: Device } | undefined {
  if (!key.includes('.')) return undefined;
  const name = key.slice(0, key.indexOf('.'));
  const port = index.portsOf(module.id).find((p) => p.name === name);
  if (!port) return undefined;
  const place = { moduleId: module.id, channel: port.channel };
  const device = index.deviceAt(place);
  const point = index.pointAt(place);
  return { port: { place, port, module, settings: {} }, point, device };
}

/** What drives the output that a rule is about, by the first word of its name. */
const CONCERNS: Readonly<Record<string, readonly string[]>> = {
  pulse: ['pulses'],
  range: ['value', 'pulses'],
  flow: ['value', 'pulses'],
  signal: ['value'],
};

/** Of the points of a device that which a parameter is about: the one of the pulses for a pulse width. */
function pointConcerned(index: JobIndex, deviceId: string, { from }: Parameter): Point | undefined {
  const points = index.pointsAbout(deviceId);
  const drivers = CONCERNS[from?.split('.')[0] ?? ''] ?? [];
  const concerned = drivers.flatMap((driver) =>
    points.filter((point) => index.outputOf(point)?.drivenBy === driver),
  );
  return concerned[0] ?? index.pointFor(deviceId);
}

function deriveContext(
  index: JobIndex,
  item: Device | Module,
  parameter: Parameter,
  { unitOf, requiredOf }: Pick<DeriveContext, 'unitOf' | 'requiredOf'>,
): DeriveContext {
  const contextAt = (point: Point | undefined) => point && contextOf(index, point.id);
  const module = index.module(item.id);
  if (module) {
    const found = portOf(index, module, parameter);
    const { point, device, port } = found ?? {};
    return { unitOf, requiredOf, index, item, port, point, device, context: contextAt(point) };
  }
  const point = pointConcerned(index, item.id, parameter);
  return { unitOf, requiredOf, index, item, point, device: item as Device, context: contextAt(point) };
}

const sheets = new WeakMap<JobIndex, Map<string, Sheet>>();

/** The sheet of a device or module. Worked out once for an index. */
export function sheetOf(index: JobIndex, itemId: string): Sheet {
  let known = sheets.get(index);
  if (!known) sheets.set(index, (known = new Map()));
  let sheet = known.get(itemId);
  if (!sheet) known.set(itemId, (sheet = makeSheet(index, itemId)));
  return sheet;
}

function makeSheet(index: JobIndex, itemId: string): Sheet {
  const item = itemOf(index, itemId);
  const module = index.module(itemId);
  const isModule = module !== undefined;
  const parameters = safeOrder(parametersOf(index.job, itemId));
  const present = presentValues(index, itemId);
  const required = new Map<string, Required>();
  const units = new Map<string, string>();
  const lines: SheetLine[] = [];
  const unitOf = ({ unit, unitKey }: Parameter): string =>
    unit ?? (unitKey ? (units.get(unitKey) ?? '') : '');
  const requiredOf = (key: string): string | undefined => required.get(key)?.value;
  for (const parameter of parameters) {
    const follows = parameter.from !== undefined || parameter.usual !== undefined;
    const derivation = follows
      ? derive(deriveContext(index, item, parameter, { unitOf, requiredOf }), parameter)
      : undefined;
    const hand = item.override?.[parameter.key];
    const wanted = hand
      ? { value: hand.value, from: hand.reason, override: true }
      : derivation && 'value' in derivation
        ? { ...derivation, override: false }
        : undefined;
    if (wanted && !parameter.readOnly) required.set(parameter.key, wanted);
    units.set(
      parameter.key,
      wanted?.value ?? present.values.get(parameter.key)?.value ?? parameter.factory ?? '',
    );
    if (!applies(parameter, required, present)) continue;
    const problem = derivation && 'problem' in derivation && !hand ? derivation.problem : undefined;
    const line = lineOf(
      index,
      itemId,
      parameter,
      unitOf(parameter),
      required.get(parameter.key),
      problem,
      present,
    );
    const shows = parameter.unitKey && present.values.get(parameter.unitKey)?.value;
    lines.push(shows && shows !== line.unit ? { ...line, presentUnit: shows } : line);
  }
  const type = module ? index.moduleType(module) : index.types.device(item);
  return { itemId, tag: item.tag, typeName: type.name, isModule, lines: withMemory(lines) };
}

/** Whether a parameter is asked at all, by what stands or is to stand at another. */
function applies(
  { onlyIf }: Parameter,
  required: ReadonlyMap<string, Required>,
  { values }: Present,
): boolean {
  if (!onlyIf) return true;
  const value = required.get(onlyIf.key)?.value ?? values.get(onlyIf.key)?.value;
  return value !== undefined && onlyIf.is.includes(value);
}

function lineOf(
  index: JobIndex,
  itemId: string,
  parameter: Parameter,
  unit: string,
  required: Required | undefined,
  problem: Text | undefined,
  { values, wiped }: Present,
): SheetLine {
  const { key } = parameter;
  const present = values.get(key);
  const { found, left } = sidesOf(index, itemId, key);
  const wipedBy = wiped.get(key);
  const state: LineState = !required
    ? 'free'
    : present === undefined
      ? 'unknown'
      : sameValue(parameter, present.value, required.value)
        ? 'done'
        : 'differs';
  return {
    parameter,
    unit,
    state,
    ...(required && { required }),
    ...(problem !== undefined && { problem }),
    ...(found && { found }),
    ...(left && !wipedBy && { left }),
    ...(present && { present }),
    ...(wipedBy && {
      warning: say('setting.changed-since-put-back', { wipedByLabel: wipedBy.label }),
    }),
  };
}

/** The last that was found, and the last that was left, of a parameter. */
function sidesOf(index: JobIndex, itemId: string, key: string): { found?: Seen; left?: Seen } {
  const sides: { found?: Seen; left?: Seen } = {};
  for (const { side, how, by, at, values } of index.entriesOf(itemId)) {
    const value = values[key];
    if (value !== undefined) sides[side] = { value, side, how, by, at };
  }
  return sides;
}

/** Without its memory module, a device forgets at power-down what the module would keep. */
function withMemory(lines: readonly SheetLine[]): SheetLine[] {
  const memory = lines.find(({ parameter }) => parameter.key === 'memory');
  if (memory?.present?.value !== 'missing') return [...lines];
  return lines.map((line) =>
    line.parameter.kept === 'memory'
      ? {
          ...line,
          warning: say('setting.kept-without-memory-module'),
        }
      : line,
  );
}

/** A sheet of which only some parameters are shown. */
export function partOfSheet(sheet: Sheet, about: string, keep: (parameter: Parameter) => boolean): Sheet {
  return { ...sheet, about, lines: sheet.lines.filter(({ parameter }) => keep(parameter)) };
}

/** The sheets of a point: its device, its helpers, then the ports that they are on with what concerns all of a module. */
export function sheetsOf(index: JobIndex, pointId: string): Sheet[] {
  const context = contextOf(index, pointId);
  const own = [context.device, ...context.helpers].map(({ id }) => sheetOf(index, id));
  const modules = new Map(context.ports.map(({ module }) => [module.id, module]));
  const ports = [...modules.keys()].map((moduleId) => {
    const names = context.ports.filter(({ module }) => module.id === moduleId).map(({ port }) => port);
    return partOfSheet(sheetOf(index, moduleId), names.map(({ label }) => label).join(', '), ({ key }) =>
      key.includes('.') ? names.some(({ name }) => key.startsWith(`${name}.`)) : true,
    );
  });
  return [...own, ...ports].filter(({ lines }) => lines.length > 0);
}

/** What still differs or is not known, first what differs. */
export function openLines({ lines }: Sheet): SheetLine[] {
  return [
    ...lines.filter(({ state }) => state === 'differs'),
    ...lines.filter(({ state }) => state === 'unknown'),
  ];
}

/** How many values of some sheets are required, and how many of them are known to stand so. */
export function countSet(list: readonly Sheet[]): { done: number; required: number; differ: number } {
  const lines = list.flatMap((sheet) => sheet.lines).filter(({ state }) => state !== 'free');
  return {
    required: lines.length,
    done: lines.filter(({ state }) => state === 'done').length,
    differ: lines.filter(({ state }) => state === 'differs').length,
  };
}

/** What stands at a line now, in words, in the unit in which it stands. */
export const presentText = ({ parameter, unit, presentUnit, present }: SheetLine): string =>
  present ? valueText(parameter, present.value, presentUnit ?? unit) : '';

/** A value of a line in words, with its unit. */
export const lineText = ({ parameter, unit }: Pick<SheetLine, 'parameter' | 'unit'>, value: string): string =>
  valueText(parameter, value, unit);
