import { say, textOf } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import type { Point } from '../model/index.ts';
import { JobProblem, refuse } from '../model/index.ts';
import { inDoubt, KEPT_STYLE, parseIn } from '../units/index.ts';
import type { NumberStyle } from '../units/index.ts';
import type { SingleChange, JobIndex } from '../job/index.ts';

/** What is asked: a number with its unit, one of a few, free words, or rows of numbers. */
export interface ToolField {
  readonly key: string;
  readonly label: Text;
  readonly kind: 'number' | 'choice' | 'words' | 'pairs' | 'list';
  /** Unit in which a bare number counts; others of its dimension are taken too. */
  readonly unit?: string;
  /** Key of another field that says the unit. */
  readonly unitKey?: string;
  readonly choices?: readonly { readonly value: string; readonly label: Text }[];
  /** Asked only while another has one of these values. */
  readonly onlyIf?: { readonly key: string; readonly is: readonly string[] };
  readonly optional?: boolean;
  readonly hint?: Message;
  /** Names of the two columns of pairs. */
  readonly columns?: readonly [Message, Message];
}

export type ToolValues = Readonly<Record<string, string>>;

export interface ToolLine {
  readonly label: Text;
  readonly value: Text;
  readonly tone?: 'good' | 'bad';
}

/** What came of it. */
export interface ToolResult {
  /** The answer in one line. */
  readonly title: Text;
  readonly lines: readonly ToolLine[];
  /** The one number that is asked for, in the unit of the tool, where it is one. */
  readonly gives?: number;
  /** What is to be said of it, each a sentence. */
  readonly words: readonly { readonly text: Text; readonly tone?: 'good' | 'bad' }[];
}

/** A calculator that works without a job, and can hand its result to a point of one. */
export interface Tool {
  readonly id: string;
  readonly name: Message;
  readonly hint: Message;
  readonly fields: readonly ToolField[];
  readonly first: ToolValues;
  /** @throws JobProblem whose paths are the keys of the fields concerned. */
  readonly work: (values: ToolValues) => ToolResult;
  /** What it changes at a point besides leaving a note there; nothing where it does not fit that point. */
  readonly send?: (values: ToolValues, index: JobIndex, point: Point) => readonly SingleChange[];
}

/** The fields that are asked under some values. */
export const askedFields = ({ fields }: Tool, values: ToolValues): ToolField[] =>
  fields.filter(({ onlyIf }) => !onlyIf || onlyIf.is.includes(values[onlyIf.key] ?? ''));

const isEmpty = (text: string | undefined): boolean => (text ?? '').replace(/[;\s]/g, '') === '';

/** Whether everything that must be filled in is: only then is there anything to work out. */
export const isComplete = (tool: Tool, values: ToolValues): boolean =>
  askedFields(tool, values).every(({ key, optional }) => optional || !isEmpty(values[key]));

/** A tool before anything was measured: choices stand at their usual one, everything else is empty. */
export const emptyValues = ({ fields, first }: Tool): ToolValues =>
  Object.fromEntries(fields.map(({ key, kind }) => [key, kind === 'choice' ? (first[key] ?? '') : '']));

/**
 * What a tool makes of its values.
 * @param style how the numbers were typed, which tells what must be asked first.
 * @throws JobProblem whose paths are the keys of the fields concerned.
 */
export function workTool(tool: Tool, values: ToolValues, style: NumberStyle = KEPT_STYLE): ToolResult {
  for (const { key, label, kind } of askedFields(tool, values)) {
    if (kind === 'choice') continue;
    for (const text of (values[key] ?? '').split(/[;\s]+/)) {
      const doubt = inDoubt(text, style);
      if (doubt) refuse(say('text.colon', { name: label, text: doubt }), key);
    }
  }
  return tool.work(values);
}

/** Reads the values of a tool; every problem carries the key of its field. */
export class ToolReader {
  readonly #tool: Pick<Tool, 'fields'>;
  readonly #values: ToolValues;
  constructor(tool: Pick<Tool, 'fields'>, values: ToolValues) {
    this.#tool = tool;
    this.#values = values;
  }

  #field(key: string): ToolField {
    const field = this.#tool.fields.find((f) => f.key === key);
    if (!field) throw new Error(`The tool has no field "${key}".`);
    return field;
  }

  text(key: string): string {
    return (this.#values[key] ?? '').trim();
  }

  /** A number in the field's own unit. */
  number(key: string): number {
    const field = this.#field(key);
    const read = parseIn(this.text(key), this.unit(key));
    return read.ok ? read.value : refuse(say('text.colon', { name: field.label, text: read.problem }), key);
  }

  /** The same, nothing where it was left empty. */
  maybe(key: string): number | undefined {
    return this.text(key) === '' ? undefined : this.number(key);
  }

  unit(key: string): string {
    const { unit, unitKey } = this.#field(key);
    return unitKey ? this.text(unitKey) : (unit ?? '');
  }

  choice(key: string): string {
    const { label, choices = [] } = this.#field(key);
    const value = this.text(key);
    return choices.some((c) => c.value === value)
      ? value
      : refuse(say('setting.choose-list', { label }), key);
  }

  /** Numbers one after the other, parted by spaces, semicolons or new lines. */
  list(key: string): number[] {
    return this.text(key)
      .split(/[\s;]+/)
      .filter(Boolean)
      .map((text) => {
        const read = parseIn(text, this.unit(key));
        return read.ok
          ? read.value
          : refuse(say('text.colon', { name: this.#field(key).label, text: read.problem }), key);
      });
  }

  /** Rows of two numbers each; a row that is empty is passed over. */
  pairs(key: string): { first: number; second: number }[] {
    const { label } = this.#field(key);
    return this.text(key)
      .split('\n')
      .filter((row) => row.replace(/[;\s]/g, '') !== '')
      .map((row, i) => {
        const [first, second] = row.split(';').map((text) => parseIn(text, ''));
        if (!first?.ok || !second?.ok) return refuse(say('tools.row-enter-both-numbers', { label, i }), key);
        return { first: first.value, second: second.value };
      });
  }
}

/** Runs a part of a tool's work; what is refused there without a field is laid at this one. */
export function at<T>(key: string, act: () => T): T {
  try {
    return act();
  } catch (error) {
    if (!(error instanceof JobProblem)) throw error;
    throw new JobProblem(error.problems.map(({ path, message }) => ({ path: path || key, message })));
  }
}

/** What was entered, field by field, as text. */
function enteredLines(tool: Tool, values: ToolValues): Text[][] {
  return askedFields(tool, values).flatMap(({ key, label, kind, choices, unit, unitKey }) => {
    const text = (values[key] ?? '').trim();
    if (isEmpty(text) || kind === 'pairs') return [];
    const own = unitKey ? (values[unitKey] ?? '') : (unit ?? '');
    const bare = /\d$/.test(text) && kind !== 'words' && own !== '';
    return [[label, choices?.find(({ value }) => value === text)?.label ?? (bare ? `${text} ${own}` : text)]];
  });
}

/** A result as text, with what it was worked out from, to be shared or kept with a point. */
export function resultText(tool: Tool, values: ToolValues, { title, lines, words }: ToolResult): string {
  return [
    [tool.name, title],
    ...enteredLines(tool, values),
    ...lines.map(({ label, value }) => [label, value]),
    ...words.map(({ text }) => [text]),
  ]
    .map((row) => row.map(textOf).join(': '))
    .join('\n')
    .replaceAll('\u00a0', ' ');
}
