import { nth } from '../lists/index.ts';
import { say, textOf } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import { isSameUnit, KEPT_STYLE, parseIn, plain } from '../units/index.ts';
import type { NumberStyle } from '../units/index.ts';
import { givenAs, isRaw } from './rawValue.ts';

/** The rules by which a required value follows from the job; `setting/derive` knows how. */
const RULES = [
  'range.low',
  'range.high',
  'range.unit',
  'signal.kind',
  'signal.switch',
  'signal.range',
  'signal.current',
  'signal.wires',
  'output.kind',
  'output.logic',
  'pulse.enabled',
  'pulse.value',
  'pulse.width',
  'pulse.filter',
  'flow.cutoff',
  'flow.volume',
  'mains',
  'tag',
  'active',
  'safety.selector',
  'arc.address',
  'arc.last',
  'line.unit',
  'line.baud',
  'line.frame',
  'line.terminator',
  'line.bias',
  'net.address',
  'net.mask',
  'net.gateway',
  'net.name',
  'port.mode',
  'port.use',
  'port.vendor',
  'port.device',
  'port.lengthIn',
  'port.lengthOut',
  'port.cycle',
] as const;

/** From what a required value follows: a rule, or a fact of the name-plate. */
export type Rule = `plate.${string}` | (typeof RULES)[number];

export const isRule = (name: string): name is Rule =>
  /^plate\.[\w-]+$/.test(name) || (RULES as readonly string[]).includes(name);

/** A switch or link on a part, or a parameter on which its circuit hangs. */
export interface Setting {
  readonly key: string;
  readonly label: string;
  readonly choices: readonly { readonly value: string; readonly label: string }[];
  /** Any other number will do as well: in which unit, and between which limits. */
  readonly any?: { readonly unit: string; readonly min: number; readonly max: number };
  /** A hardware switch is set by hand, behind a cover; a parameter in a menu. */
  readonly place: 'switch' | 'parameter' | 'version';
  /** From what its right choice follows; what is usual where nothing says so. */
  readonly from?: Rule;
  readonly usual?: { readonly value: string; readonly why: string };
  /** What a change of it puts back to factory values. */
  readonly wipes?: readonly string[];
  /** It changes nothing but what terminals are called: the choice under which the numbers printed on them hold. */
  readonly names?: string;
  /** What one of its choices can do to somebody; it stands beside the control. */
  readonly caution?: {
    readonly value: string;
    readonly text: string;
    /** So chosen, the part does not do what it is there for in every case: a point with it is doubtful. */
    readonly doubtful?: boolean;
  };
}

/** Something that a device is set to: in its menu, by a switch, or over a bus. */
export interface Parameter {
  readonly key: string;
  /** Its name in plain words. */
  readonly label: string;
  /** `presence` says only whether there is one, of a lock or password: what it is never enters the job. */
  readonly kind: 'choice' | 'number' | 'text' | 'presence';
  /** A switch is set by hand, behind a cover; a parameter in a menu; an index over a bus. */
  readonly place: 'switch' | 'parameter' | 'version' | 'bus';
  readonly choices?: readonly { readonly value: string; readonly label: string }[];
  /** Unit in which the device shows it; of a number whose unit is another parameter, that one's key. */
  readonly unit?: string;
  readonly unitKey?: string;
  readonly min?: number;
  readonly max?: number;
  /** Numbers outside its range that it takes too, with what they mean. */
  readonly special?: readonly { readonly value: string; readonly name: string }[];
  /** Its menu takes a text of one's own besides its choices. */
  readonly free?: boolean;
  readonly factory?: string;
  /** What a change of it puts back to factory values. */
  readonly wipes?: 'all' | readonly string[];
  /** What must stand before it can be set, since its own meaning or limits hang on that. */
  readonly needs?: readonly string[];
  /** Asked only while another has one of these values. */
  readonly onlyIf?: { readonly key: string; readonly is: readonly string[] };
  readonly from?: Rule;
  /** What it should be where nothing of the job says otherwise, and why. */
  readonly usual?: { readonly value: string; readonly why: string };
  /** Ends the work at the menu: a lock, a password. Comes after all others. */
  readonly last?: boolean;
  /** Whether a memory module keeps it: without one it is lost at power-down. */
  readonly kept?: 'memory';
  readonly caution?: string;
  /** Of its choices, all numbers, that is taken which lies nearest to what stands on the name-plate. */
  readonly nearest?: boolean;
  /** Only read, never set. */
  readonly readOnly?: boolean;
}

/** Whether a setting may stand at a value. */
export const takesSetting = ({ choices, any }: Setting, value: string): boolean =>
  choices.some((choice) => choice.value === value) ||
  (any !== undefined && value !== '' && Number(value) >= any.min && Number(value) <= any.max);

/** A setting on which a circuit hangs is a parameter like others. */
export const settingAsParameter = ({
  key,
  label,
  choices,
  any,
  place,
  from,
  usual,
  wipes,
}: Setting): Parameter => ({
  key,
  label,
  place,
  ...(any ? { kind: 'number', ...any } : { kind: 'choice', choices }),
  factory: nth(choices, 0).value,
  ...(from && { from }),
  ...(usual && { usual }),
  ...(wipes && { wipes }),
});

export type Read =
  { readonly ok: true; readonly value: string } | { readonly ok: false; readonly problem: Message };

/**
 * Reads a value as it is typed for a parameter, in any unit of its dimension: `3 in` for a size in mm is 76.2.
 * @param unit unit in which the device shows it, where another parameter says that.
 * @returns the value as the device shows it, or a sentence that says what is wrong and what is allowed.
 */
export function readValue(
  parameter: Parameter,
  text: string,
  unit = parameter.unit ?? '',
  style: NumberStyle = KEPT_STYLE,
): Read {
  const { kind, label, min, max } = parameter;
  const typed = text.trim();
  if (kind === 'choice' || kind === 'presence') return readChoice(parameter, typed);
  if (kind === 'text')
    return max !== undefined && typed.length > max
      ? { ok: false, problem: say('setting.too-long', { label, max }) }
      : { ok: true, value: typed };
  const named = parameter.special?.find(({ value, name }) => value === typed || name === typed);
  if (named) return { ok: true, value: named.value };
  const read = parseIn(typed, unit, style);
  if (!read.ok) return { ok: false, problem: say('text.colon', { name: label, text: read.problem }) };
  if ((min !== undefined && read.value < min - 1e-9) || (max !== undefined && read.value > max + 1e-9))
    return {
      ok: false,
      problem: say('setting.outside', { label, limits: limits(min, max, unit), value: read.value }),
    };
  return { ok: true, value: plain(read.value, 9) };
}

/** One of a menu's choices, a unit in whatever spelling; any text where the menu takes that. */
function readChoice({ choices, free, label }: Parameter, typed: string): Read {
  const chosen =
    choices?.find(({ value, label: words }) => value === typed || words === typed) ??
    choices?.find(({ value }) => isSameUnit(value, typed));
  if (chosen) return { ok: true, value: chosen.value };
  return free && typed !== '' && typed.length <= MAX_FREE
    ? { ok: true, value: typed }
    : { ok: false, problem: say('setting.choose', { label, choices: choices?.map((c) => c.label) ?? [] }) };
}

/** Characters of a text of one's own in a menu, as a device can show them. */
const MAX_FREE = 12;

/** A setting as it was chosen, or as a number was typed for it: the value that it keeps, or what is wrong. */
export const readSetting = (setting: Setting, text: string, style: NumberStyle): Read =>
  setting.any ? readValue(settingAsParameter(setting), text, undefined, style) : { ok: true, value: text };

/** What a parameter may hold, in words: `1 to 600 mm`. */
export function allowedText({ kind, choices, min, max }: Parameter, unit = ''): Text {
  if (kind === 'choice' || kind === 'presence')
    return say('text.list', { parts: (choices ?? []).map(({ label }) => label) });
  if (kind === 'text') return max === undefined ? '' : say('setting.characters', { max });
  return limits(min, max, unit);
}

function limits(min: number | undefined, max: number | undefined, unit: string): Text {
  if (min !== undefined && max !== undefined) return say('setting.from-to', { min, max, unit });
  if (min !== undefined) return say('setting.from', { min, unit });
  return max === undefined ? '' : say('setting.up-to', { max, unit });
}

/** A value as it is read at the device: the name of a choice, a number with its unit. */
export function valueText(parameter: Parameter, value: string, unit = parameter.unit ?? ''): string {
  if (isRaw(value)) return textOf(say('setting.raw-value', { given: givenAs(value) }));
  const chosen = parameter.choices?.find((choice) => choice.value === value);
  if (chosen) return chosen.label;
  return parameter.kind === 'number' && unit ? `${value}\u00a0${unit}` : value;
}
