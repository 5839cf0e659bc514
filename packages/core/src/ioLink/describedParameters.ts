import { sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import type { Parameter } from '../catalog/index.ts';
import { JobProblem } from '../model/index.ts';
import { parseIn, plain } from '../units/index.ts';
import type { Allowed, DescribedVariable, IoLinkDescription } from './descriptionTypes.ts';
import { bytesOfHex, hexOf } from './hex.ts';
import { bitsOf, decodeRecord, encodeRecord, scaled, unscaled } from './processData.ts';
import type { ItemValue, Scale, SimpleType } from './processData.ts';

/** A parameter that a device keeps behind an index, as its description says. */
export interface BusParameter extends Parameter {
  readonly index: number;
  /** 0 for a whole variable. */
  readonly subindex: number;
  readonly type: SimpleType;
  readonly scale?: Scale;
}

/** Index of the tag that the plant gives a device (IO-Link Interface, annex B.2). */
const APPLICATION_TAG = 24;
const LOCKS = 12;

interface Place {
  readonly variable: DescribedVariable;
  readonly subindex?: number;
  readonly scale?: Scale;
}

/**
 * The parameters that a description names, in the order of its menus, what no menu names at the end; the device's own
 * words. Values are as the device shows them: `raw · gradient + offset` in the menu's unit.
 */
export function describedParameters(description: IoLinkDescription): BusParameter[] {
  const byId = new Map(description.variables.map((variable) => [variable.id, variable]));
  const places = inMenus(description, byId);
  // What menus name comes first; of the rest, each is kept once.
  for (const variable of description.variables) places.push({ variable });
  const list = places.flatMap(parametersAt);
  const seen = new Set<string>();
  return list.filter(({ key }) => !seen.has(key) && seen.add(key));
}

/** Menus that no other menu leads to come first; each is gone through once. */
function inMenus({ menus }: IoLinkDescription, byId: ReadonlyMap<string, DescribedVariable>): Place[] {
  const places: Place[] = [];
  const done = new Set<string>();
  const inner = new Set(
    menus.flatMap(({ lines }) => lines.flatMap((l) => (l.kind === 'menu' ? [l.menuId] : []))),
  );
  const visit = (id: string): void => {
    if (done.has(id)) return;
    done.add(id);
    for (const line of menus.find((menu) => menu.id === id)?.lines ?? []) {
      if (line.kind === 'menu') visit(line.menuId);
      else {
        const variable = byId.get(line.variableId);
        if (variable) places.push({ variable, subindex: line.subindex, scale: line.scale });
      }
    }
  };
  menus.filter(({ id }) => !inner.has(id)).forEach(({ id }) => visit(id));
  menus.forEach(({ id }) => visit(id));
  return places;
}

function parametersAt({ variable, subindex, scale }: Place): BusParameter[] {
  const { type, index, name, access, allowed, factory } = variable;
  if (access === 'wo') return [];
  if (type.kind !== 'record')
    return [parameterOf({ index, subindex: 0, name, access, type, allowed, scale, factory })];
  return type.items
    .filter((item) => subindex === undefined || item.subindex === subindex)
    .map((item) =>
      parameterOf({
        index,
        subindex: item.subindex,
        name: `${name}: ${item.name}`,
        access,
        type: item.type,
        allowed: item.allowed,
        scale: scale ?? item.scale,
        factory: undefined,
      }),
    );
}

interface Leaf {
  readonly index: number;
  readonly subindex: number;
  readonly name: string;
  readonly access: string;
  readonly type: SimpleType;
  readonly allowed: Allowed;
  readonly scale?: Scale;
  readonly factory?: string;
}

function parameterOf({ index, subindex, name, access, type, allowed, scale, factory }: Leaf): BusParameter {
  const choice = isChoice(type, allowed);
  return {
    key: subindex ? `v${index}.${subindex}` : `v${index}`,
    label: name || `Index ${index}`,
    kind: choice ? 'choice' : isNumeric(type) ? 'number' : 'text',
    place: 'bus',
    index,
    subindex,
    type,
    ...(scale && { scale, ...(scale.unit && { unit: scale.unit }) }),
    ...(type.kind === 'span' && { unit: 's' }),
    ...heldBy(type, allowed, scale, choice),
    ...(factory !== undefined && {
      factory: choice || !scale ? factory : plain(scaled(Number(factory), scale), 9),
    }),
    ...(access === 'ro' && { readOnly: true }),
    ...(index === APPLICATION_TAG && { from: 'tag' as const }),
    ...(index === LOCKS && { last: true }),
  };
}

const isNumeric = ({ kind }: SimpleType): boolean =>
  kind === 'uint' || kind === 'int' || kind === 'float32' || kind === 'span';

const isChoice = (type: SimpleType, { values, ranges }: Allowed): boolean =>
  type.kind === 'boolean' || (isNumeric(type) && values.length > 0 && ranges.length === 0);

/** What it may hold: choices of a list, a range and special numbers, or so many characters. */
function heldBy(
  type: SimpleType,
  allowed: Allowed,
  scale: Scale | undefined,
  choice: boolean,
): Partial<Parameter> {
  const named = type.kind === 'boolean' && allowed.values.length === 0 ? OFF_ON : allowed.values;
  if (choice) return { choices: named.map(({ value, name: label }) => ({ value, label: label || value })) };
  if (type.kind === 'time') return {};
  if (!isNumeric(type)) return { max: Math.floor(bitsOf(type) / 8) };
  return { ...limitsOf(type, allowed, scale), ...(named.length > 0 && { special: named }) };
}

const OFF_ON = [
  { value: 'false', name: 'off' },
  { value: 'true', name: 'on' },
];

function limitsOf(
  type: SimpleType,
  { ranges }: Allowed,
  scale: Scale | undefined,
): { min?: number; max?: number } {
  const bits = bitsOf(type);
  const whole =
    type.kind === 'float32' || type.kind === 'span' || bits > 53
      ? undefined
      : type.kind === 'uint'
        ? { min: 0, max: 2 ** bits - 1 }
        : { min: -(2 ** (bits - 1)), max: 2 ** (bits - 1) - 1 };
  const raw = ranges.length
    ? { min: Math.min(...ranges.map((r) => r.min)), max: Math.max(...ranges.map((r) => r.max)) }
    : whole;
  if (!raw) return {};
  const ends = [raw.min, raw.max].map((end) => (scale ? scaled(end, scale) : end));
  return { min: Math.min(...ends), max: Math.max(...ends) };
}

const only = (type: SimpleType) => ({
  bitLength: Math.max(8, 8 * Math.ceil(bitsOf(type) / 8)),
  items: [{ name: 'value', bitOffset: 0, type }],
});

/** Bytes that a value takes on the wire. */
export const parameterBytes = ({ type }: BusParameter): number => only(type).bitLength / 8;

/**
 * A value as the device shows it, as bytes to be written.
 * @throws JobProblem for a value that its type cannot hold.
 */
export function encodeParameter(parameter: BusParameter, text: string): Uint8Array {
  const { type, scale, label } = parameter;
  const refuse = (words: Text): never => {
    throw new JobProblem([{ path: parameter.key, message: say('text.colon', { name: label, text: words }) }]);
  };
  const number = (): number => {
    const read = parseIn(text, parameter.unit ?? '');
    if (!read.ok) return refuse(read.problem);
    return scale
      ? type.kind === 'float32'
        ? (read.value - scale.offset) / scale.gradient
        : unscaled(read.value, scale)
      : read.value;
  };
  const value = (): ItemValue => {
    switch (type.kind) {
      case 'boolean':
        return text === 'true' || text === '1';
      case 'uint':
      case 'int': {
        const raw = parameter.kind === 'choice' ? Number(text) : number();
        return Number.isInteger(raw) ? raw : refuse(say('ioLink.whole-numbers-fit'));
      }
      case 'float32':
      case 'span':
        return number();
      case 'string':
      case 'time':
        return text;
      case 'octets':
        return bytesOfHex(text);
      case 'booleans':
        return Array.from({ length: type.count }, (_, i) => text[i] === '1');
    }
  };
  return encodeRecord(only(type), new Map([['value', value()]]));
}

/** What bytes read from a device say, as the device would show it. @throws JobProblem when their number does not fit. */
export function decodeParameter(parameter: BusParameter, bytes: Uint8Array): string {
  const { type, scale } = parameter;
  const layout = only(type);
  // A text may be sent shorter than it could be.
  const filled =
    type.kind === 'string' && bytes.length < layout.bitLength / 8
      ? Uint8Array.from({ length: layout.bitLength / 8 }, (_, i) => bytes[i] ?? 0)
      : bytes;
  const value = sure(decodeRecord(layout, filled).get('value'));
  if (typeof value === 'number' && scale && parameter.kind === 'number')
    return plain(scaled(value, scale), 9);
  if (typeof value === 'number' && type.kind === 'float32') return plain(value, 7);
  if (typeof value === 'number' && type.kind === 'span') return plain(value, 12);
  if (value instanceof Uint8Array) return hexOf(value);
  if (Array.isArray(value)) return value.map((on) => (on ? '1' : '0')).join('');
  return String(value);
}
