import { sure } from '../lists/index.ts';
import { sameMessage, say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import type { Change } from '../job/index.ts';
import { applyChange, JobIndex, NOBODY, presentValues, sameValue, wipesIt } from '../job/index.ts';
import type { JobContent } from '../model/index.ts';
import { lineText, presentText, sheetOf } from './sheet.ts';
import type { SheetLine } from './sheet.ts';

/** A required value that a change of the job moves. */
export interface Moved {
  readonly itemId: string;
  readonly tag: string;
  readonly label: Text;
  readonly before: Text;
  readonly after: Text;
}

/**
 * What a change of the job does to required values: of the parts given, or of all. So that it can be told before it is
 * stored.
 * @throws JobProblem when the change is refused.
 */
export function movedBy(job: JobContent, change: Change, itemIds?: readonly string[]): Moved[] {
  const [before, after] = [new JobIndex(job), new JobIndex(applyChange(job, change, NOBODY))];
  const ids = itemIds ?? [...job.devices, ...job.modules].map(({ id }) => id);
  return ids.flatMap((itemId) => {
    if (!after.device(itemId) && !after.module(itemId)) return [];
    const then = sheetOf(after, itemId);
    const now = new Map(sheetOf(before, itemId).lines.map((line) => [line.parameter.key, line]));
    return then.lines.flatMap((line) => {
      const old = now.get(line.parameter.key);
      const [a, b] = [wordsOf(old), wordsOf(line)];
      return sameMessage(a, b)
        ? []
        : [{ itemId, tag: then.tag, label: line.parameter.label, before: a, after: b }];
    });
  });
}

const wordsOf = (line: SheetLine | undefined): Text =>
  line?.required ? lineText(line, line.required.value) : say('setting.nothing-required');

/** One thing to set, in the order in which it must be set. */
export interface SetStep {
  readonly key: string;
  readonly label: Text;
  /** What it shows now, if known, and what it is to be. */
  readonly from?: Text;
  readonly to: Text;
  readonly value: string;
  readonly caution?: Text;
  /** What this step puts back to factory values, of what comes later. */
  readonly wipes: readonly Text[];
}

/**
 * Steps that bring a part from what is known of it to what is wanted, in safe order. A step that wipes others brings
 * those back into the list.
 * @param targetOf what is wanted of a line; nothing where it does not matter.
 */
export function stepsTo(
  lines: readonly SheetLine[],
  targetOf: (line: SheetLine) => string | undefined = ({ required }) => required?.value,
): SetStep[] {
  const steps: SetStep[] = [];
  const wiped = new Set<string>();
  for (const line of lines) {
    const { parameter, present } = line;
    const target = targetOf(line);
    if (target === undefined || parameter.readOnly) continue;
    const same = present !== undefined && sameValue(parameter, present.value, target);
    if (same && !wiped.has(parameter.key)) continue;
    const wipes = same ? [] : lines.filter((other) => wipesIt(parameter, other.parameter));
    wipes.forEach(({ parameter: { key } }) => wiped.add(key));
    steps.push({
      key: parameter.key,
      label: parameter.label,
      ...(present && !wiped.has(parameter.key) && { from: presentText(line) }),
      to: lineText(line, target),
      value: target,
      ...(parameter.caution && { caution: parameter.caution }),
      wipes: wipes.filter((other) => targetOf(other) !== undefined).map((other) => other.parameter.label),
    });
  }
  return steps;
}

/** A parameter that was otherwise at two dates. */
export interface DatedDifference {
  readonly key: string;
  readonly label: Text;
  readonly before?: Text;
  readonly after?: Text;
}

/** What differs of a part between two moments, ISO 8601. */
export function differencesBetween(
  index: JobIndex,
  itemId: string,
  before: string,
  after: string,
): DatedDifference[] {
  const [a, b] = [before, after].map((at) => presentValues(index, itemId, at).values);
  return sheetOf(index, itemId).lines.flatMap((line) => {
    const { key, label } = line.parameter;
    const [x, y] = [sure(a).get(key)?.value, sure(b).get(key)?.value];
    if (x === y || (x !== undefined && y !== undefined && sameValue(line.parameter, x, y))) return [];
    return [
      {
        key,
        label,
        ...(x !== undefined && { before: lineText(line, x) }),
        ...(y !== undefined && { after: lineText(line, y) }),
      },
    ];
  });
}

/** Moments at which something of a part was seen, newest first, each with who and how many values. */
export function momentsOf(
  index: JobIndex,
  itemId: string,
): { at: string; by: string; count: number; side: 'found' | 'left' }[] {
  return index
    .entriesOf(itemId)
    .map(({ at, by, values, side }) => ({ at, by, count: Object.keys(values).length, side }))
    .reverse();
}

/** The values that a part was last left with before a moment: what a swapped device is to get back. */
export function leftBefore(index: JobIndex, itemId: string, at: string): ReadonlyMap<string, string> {
  const left = [...presentValues(index, itemId, at).values].filter(([, { side }]) => side === 'left');
  return new Map(left.map(([key, { value }]) => [key, value]));
}
