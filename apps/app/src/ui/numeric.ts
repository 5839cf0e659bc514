import { readNumber } from '@keypost/core/units';
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
        message: text.trim() === '' ? 'Enter a number.' : `“${text.trim()}” is not a number.`,
      });
      return z.NEVER;
    })
    .pipe(schema);
}
