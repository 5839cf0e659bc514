import { nth } from '../../lists/index.ts';
import { codeOf } from '../../messages/index.ts';
import { z } from 'zod';
import { Quantity } from '../../model/index.ts';

/**
 * One number of a datasheet: its nominal value, the least and the largest that it may be, its unit, and where it comes
 * from: a standard, a datasheet, or what is typical of its kind.
 */
export const Figure = z
  .object({
    min: Quantity.optional(),
    nominal: Quantity.optional(),
    max: Quantity.optional(),
    unit: z.string().max(12),
    source: z.string().min(1, codeOf('model.say-where-figure-comes')).max(80),
    /** The setting of the part whose value it is, where somebody chooses it; its tolerance stays in proportion. */
    setting: z.string().max(40).optional(),
  })
  .refine(
    ({ min, nominal, max }) => min !== undefined || nominal !== undefined || max !== undefined,
    codeOf('model.figure-needs-minimum-nominal'),
  )
  .refine(({ min, nominal, max }) => {
    const given = [min, nominal, max].filter((value) => value !== undefined);
    return given.every((value, i) => i === 0 || value >= nth(given, i - 1));
  }, codeOf('model.minimum-over-nominal-maximum'));
export type Figure = z.infer<typeof Figure>;
