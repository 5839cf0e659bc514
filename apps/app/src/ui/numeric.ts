import { textOf } from '@keypost/core/messages';
import { parseTyped } from './typedNumbers';
import { z } from 'zod';

/** A number typed as text, with point or comma, bare or with a unit that belongs to its own; then held to its limits. */
export function numeric(schema: z.ZodType<number, number>, unit = '') {
  return z
    .string()
    .transform((text, context) => readInto(text, unit, context))
    .pipe(schema);
}

/** A number in a unit as it was typed, or its refusal as an issue at a field. */
export function readInto(
  text: string,
  unit: string,
  context: z.RefinementCtx,
  path: PropertyKey[] = [],
): number {
  const read = parseTyped(text, unit);
  if (read.ok) return read.value;
  context.addIssue({ code: 'custom', path, message: refusal(text, textOf(read.problem)) });
  return z.NEVER;
}

const refusal = (text: string, problem: string): string => (text.trim() === '' ? 'Enter a number.' : problem);
