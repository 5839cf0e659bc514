import { textOf } from '@keypost/core/messages';
import { inDoubt, parseSection } from '@keypost/core/units';
import { z } from 'zod';
import { typedStyle } from './typedNumbers';

/** A cross-section typed in mm² or as a gauge number, then held to its own limits. */
export function section(schema: z.ZodType<number, number>, example: string) {
  return z
    .string()
    .transform((text, context) => {
      const mm2 = parseSection(text, typedStyle());
      if (mm2 !== undefined) return mm2;
      const message = textOf(inDoubt(text, typedStyle())) ?? `Enter mm² such as ${example}.`;
      context.addIssue({ code: 'custom', message });
      return z.NEVER;
    })
    .pipe(schema);
}
