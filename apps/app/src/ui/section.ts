import { parseSection } from '@keypost/core/units';
import { z } from 'zod';

/** A cross-section typed in mm² or as a gauge number, then held to its own limits. */
export function section(schema: z.ZodType<number, number>, example: string) {
  return z
    .string()
    .transform((text, context) => {
      const mm2 = parseSection(text);
      if (mm2 !== undefined) return mm2;
      context.addIssue({ code: 'custom', message: `Enter mm² such as ${example}.` });
      return z.NEVER;
    })
    .pipe(schema);
}
