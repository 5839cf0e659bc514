import type { Parameter } from '../../catalog/index.ts';
import { convert, parseIn, plain } from '../../units/index.ts';
import type { DeriveContext, Derivation } from './context.ts';

/** Sizes of pipes that are called by both a metric and an inch name (ISO 6708, ASME B36.10M). */
const NOMINAL: Readonly<Record<string, string>> = {
  '0.5 in': '15',
  '0.75 in': '20',
  '1 in': '25',
  '1.25 in': '32',
  '1.5 in': '40',
  '2 in': '50',
  '2.5 in': '65',
  '3 in': '80',
  '4 in': '100',
  '5 in': '125',
  '6 in': '150',
  '8 in': '200',
  '10 in': '250',
  '12 in': '300',
};

/** A fact of the name-plate, in the parameter's own unit. */
export function plateValue(
  { index, point, device, unitOf }: DeriveContext,
  key: string,
  parameter: Parameter,
): Derivation {
  const fact = device && index.deviceType(device).handling?.plate.find((f) => f.key === key);
  if (!fact) return undefined;
  const typed = point?.plate?.[key];
  if (!typed) return { problem: `${fact.label} is not copied from the name-plate yet.` };
  if (fact.kind !== 'number')
    return chosen(
      parameter,
      typed,
      `${lowered(fact.label)}: ${fact.choices?.find(({ value }) => value === typed)?.label ?? typed}`,
    );
  const unit = fact.unit ?? '';
  const read = parseIn(typed, unit);
  if (!read.ok) return { problem: `Name-plate, ${fact.label}: ${read.problem}` };
  const from = `name-plate: ${lowered(fact.label)} ${/[^\d.,\s]/.test(typed) || !unit ? typed : `${typed} ${unit}`}`;
  if (parameter.kind === 'choice') return chosen(parameter, plain(read.value), from);
  const wanted = unitOf(parameter);
  const value = wanted && unit ? convert(read.value, unit, wanted) : read.value;
  if (value === undefined)
    return { problem: `${fact.label} is in ${unit}, ${parameter.label.toLowerCase()} in ${wanted}.` };
  return { value: plain(value, 6), from: from + nominalWords(read.value, typed) };
}

/** How a pipe of this size is called in the other system, where the exact number would mislead. */
function nominalWords(millimetres: number, typed: string): string {
  const inches = plain(millimetres / 25.4, 4);
  const dn = /in|"/.test(typed) ? NOMINAL[`${inches} in`] : undefined;
  return dn === undefined ? '' : ` (as a nominal size, DN ${dn})`;
}

/** A label within a sentence; what is written in capitals stays so. */
const lowered = (label: string): string =>
  /^[A-Z][a-z]/.test(label) ? label.charAt(0).toLowerCase() + label.slice(1) : label;

function chosen(parameter: Parameter, value: string, from: string): Derivation {
  const choice = parameter.choices?.find((c) => c.value === value || c.label === value);
  if (parameter.kind !== 'choice') return { value, from };
  return choice
    ? { value: choice.value, from }
    : { problem: `${parameter.label} does not offer ${value} (${from}).` };
}

/** An end of the point's range, in the unit in which it is asked. */
export function rangeValue(
  { point, unitOf }: DeriveContext,
  end: 'low' | 'high',
  parameter: Parameter,
): Derivation {
  if (!point) return undefined;
  if (!point.range) return { problem: 'The point has no range yet.' };
  const { unit } = point.range;
  const wanted = unitOf(parameter) || unit;
  const value = convert(point.range[end], unit, wanted);
  return value === undefined
    ? { problem: `The point’s range is in ${unit}, which ${wanted} cannot show.` }
    : { value: plain(value, 6), from: `range of ${point.tag}: ${point.range[end]} ${unit}` };
}

/** The unit of the point's range where the menu has it, else the first of its dimension that the menu has. */
export function rangeUnit({ point }: DeriveContext, parameter: Parameter): Derivation {
  if (!point?.range) return point && { problem: 'The point has no range yet.' };
  const { unit } = point.range;
  const units = (parameter.choices ?? []).map(({ value }) => value);
  if (units.includes(unit)) return { value: unit, from: `range of ${point.tag}` };
  const like = units.find((other) => other !== unit && convert(1, unit, other) !== undefined);
  return like === undefined
    ? { problem: `The menu has no unit for ${unit}.` }
    : { value: like, from: `range of ${point.tag} is in ${unit}; the menu has ${like}` };
}
