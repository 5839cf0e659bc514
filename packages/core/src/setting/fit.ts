import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import type { FitCheck, PlateFact } from '../catalog/index.ts';
import type { Point } from '../model/index.ts';
import { KEPT_STYLE, parseIn, written } from '../units/index.ts';
import type { NumberStyle } from '../units/index.ts';
import { nothing, stampedSteps } from '../presentation/index.ts';
import type { JobIndex } from '../job/index.ts';
import type { StampedStep } from '../presentation/index.ts';

/** Stamps of Fit are kept beside those of Land, under keys of their own. */
const keyOf = ({ key }: FitCheck): string => `fit.${key}`;

/** The checks of a point before it is wired, each with its stamp. */
export function fitSteps(index: JobIndex, point: Point): StampedStep[] {
  const checks = index.deviceType(index.deviceOf(point)).handling?.fit ?? [];
  return stampedSteps(
    index.job,
    point.id,
    checks.map((check) => ({
      key: keyOf(check),
      title: say('step.fit', { check: check.title }),
      about: nothing,
      detail: say('step.fit-reason', { reason: check.reason }),
      ...(check.caution && { caution: say('step.own-caution', { caution: check.caution }) }),
    })),
  );
}

/** A fact of the name-plate with what was copied of it. */
export interface PlateLine {
  readonly fact: PlateFact;
  readonly typed?: string;
  /** In the fact's own unit, where it was typed in another. */
  readonly converted?: string;
}

export function plateLines(index: JobIndex, point: Point): PlateLine[] {
  const facts = index.deviceType(index.deviceOf(point)).handling?.plate ?? [];
  return facts.map((fact) => {
    const typed = point.plate?.[fact.key];
    const read = typed && fact.unit ? parseIn(typed, fact.unit) : undefined;
    const bare = typed !== undefined && /^[\d.,\s-]*$/.test(typed);
    return {
      fact,
      ...(typed !== undefined && { typed }),
      ...(read?.ok && !bare && { converted: `${written(read.value)} ${fact.unit}` }),
    };
  });
}

/** What is wrong with a fact as it was typed, in a sentence; nothing where it can be kept. */
export function plateProblem(
  { label, kind, unit = '', min, max, choices }: PlateFact,
  typed: string,
  style: NumberStyle = KEPT_STYLE,
): Text | undefined {
  if (typed.trim() === '' || kind === 'text') return undefined;
  if (kind === 'choice')
    return choices?.some(({ value }) => value === typed) ? undefined : say('setting.choose-list', { label });
  const read = parseIn(typed, unit, style);
  if (!read.ok) return say('text.colon', { name: label, text: read.problem });
  const words = (end: number): string => `${written(end)}${unit && ` ${unit}`}`;
  if (min !== undefined && read.value < min)
    return say('setting.or-more-this-is', { label, words: words(min), words2: words(read.value) });
  if (max !== undefined && read.value > max)
    return say('setting.or-less-this-is', { label, words: words(max), words2: words(read.value) });
  return undefined;
}
