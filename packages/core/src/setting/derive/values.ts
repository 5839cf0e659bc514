import { say } from '../../messages/index.ts';
import type { Message } from '../../messages/index.ts';
import type { Parameter } from '../../catalog/index.ts';
import { convert, isSameUnit, parseIn, plain } from '../../units/index.ts';
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
  if (!typed) return { problem: say('setting.copied-name-plate-yet', { factLabel: fact.label }) };
  if (fact.kind !== 'number')
    return chosen(
      parameter,
      typed,
      say('setting.from-name-plate-choice', {
        label: fact.label,
        choice: fact.choices?.find(({ value }) => value === typed)?.label ?? typed,
      }),
    );
  const unit = fact.unit ?? '';
  const read = parseIn(typed, unit);
  if (!read.ok) return { problem: say('setting.name-plate', { label: fact.label, problem: read.problem }) };
  const as = /[^\d.,\s]/.test(typed) || !unit ? typed : `${typed} ${unit}`;
  const from = say('setting.from-name-plate', { label: fact.label, as, dn: '' });
  if (parameter.kind === 'choice')
    return parameter.nearest
      ? nearestTo(parameter, read.value, unit, from)
      : chosen(parameter, plain(read.value), from);
  const wanted = unitOf(parameter);
  const value = wanted && unit ? convert(read.value, unit, wanted) : read.value;
  if (value === undefined)
    return {
      problem: say('setting.is-in-in', {
        factLabel: fact.label,
        unit,
        parameterLabel: parameter.label,
        wanted,
      }),
    };
  return {
    value: plain(value, 6),
    from: say('setting.from-name-plate', { label: fact.label, as, dn: nominalSize(read.value, typed) }),
  };
}

/** How a pipe of this size is called in the other system, where the exact number would mislead. */
function nominalSize(millimetres: number, typed: string): string {
  const inches = plain(millimetres / 25.4, 4);
  const dn = /in|"/.test(typed) ? NOMINAL[`${inches} in`] : undefined;
  return dn === undefined ? '' : String(dn);
}

/** A menu's step counts as that which was meant up to this share beside it. */
const NEAR = 0.15;

/** The choice that lies nearest, and that it is not the very number; none where all lie far. */
function nearestTo(parameter: Parameter, wanted: number, unit: string, from: Message): Derivation {
  const offered = (parameter.choices ?? []).map(({ value }) => Number(value));
  const [best = NaN] = [...offered].sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted));
  if (!(Math.abs(best - wanted) <= NEAR * Math.abs(wanted)))
    return {
      problem: say('setting.does-offer', {
        parameterLabel: parameter.label,
        value: plain(wanted, 4),
        from,
      }),
    };
  return {
    value: plain(best),
    from: best === wanted ? from : say('setting.nearest-offered', { best, wanted, unit, from }),
  };
}

function chosen(parameter: Parameter, value: string, from: Message): Derivation {
  const choice = parameter.choices?.find((c) => c.value === value || c.label === value);
  if (parameter.kind !== 'choice') return { value, from };
  return choice
    ? { value: choice.value, from }
    : { problem: say('setting.does-offer', { parameterLabel: parameter.label, value, from }) };
}

/** An end of the point's range, in the unit in which it is asked. */
export function rangeValue(
  { point, unitOf }: DeriveContext,
  end: 'low' | 'high',
  parameter: Parameter,
): Derivation {
  if (!point) return undefined;
  if (!point.range) return { problem: say('setting.point-range-yet') };
  const { unit } = point.range;
  const wanted = unitOf(parameter) || unit;
  const value = convert(point.range[end], unit, wanted);
  return value === undefined
    ? { problem: say('setting.point-range-which-show', { unit, wanted }) }
    : {
        value: plain(value, 6),
        from: say('setting.range-of', { point: point.tag, range: point.range[end], unit }),
      };
}

/**
 * The unit of the point's range where the menu has it, in whatever spelling, or takes any; else the one of its
 * dimension that is nearest in size, so that the number stays one that people read.
 */
export function rangeUnit({ point }: DeriveContext, parameter: Parameter): Derivation {
  if (!point?.range) return point && { problem: say('setting.point-range-yet') };
  const { unit } = point.range;
  const units = (parameter.choices ?? []).map(({ value }) => value);
  const own = units.find((other) => other === unit) ?? units.find((other) => isSameUnit(other, unit));
  if (own ?? parameter.free)
    return { value: own ?? unit, from: say('setting.range-of-2', { point: point.tag }) };
  const like = units
    .flatMap((other) => sized(unit, other))
    .sort((a, b) => a.off - b.off)
    .map(({ other }) => other)[0];
  return like === undefined
    ? { problem: say('setting.menu-unit', { unit }) }
    : { value: like, from: say('setting.range-menu', { point: point.tag, unit, like }) };
}

/** Another unit of the same dimension with how far it is from this one in size, in powers of ten. */
function sized(unit: string, other: string): { other: string; off: number }[] {
  const [zero, one] = [convert(0, unit, other), convert(1, unit, other)];
  return zero === undefined || one === undefined
    ? []
    : [{ other, off: Math.abs(Math.log10(Math.abs(one - zero))) }];
}
