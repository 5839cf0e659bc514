import { say, textOf } from '@keypost/core/messages';
import { readingsOf, readNumber } from '@keypost/core/units';
import { z } from 'zod';

/** A number typed as text, with point or comma, then held to its own limits. */
export function numeric(schema: z.ZodType<number, number>) {
  return z
    .string()
    .transform((text, context) => {
      const value = readNumber(text);
      if (Number.isFinite(value)) return value;
      context.addIssue({
        code: 'custom',
        message: refusal(text),
      });
      return z.NEVER;
    })
    .pipe(schema);
}

function refusal(text: string): string {
  const [small, large] = readingsOf(text) ?? [];
  if (small !== undefined && large !== undefined)
    return textOf(say('quantity.thousands', { text: text.trim(), small, large }));
  return text.trim() === '' ? 'Enter a number.' : `“${text.trim()}” is not a number.`;
}
