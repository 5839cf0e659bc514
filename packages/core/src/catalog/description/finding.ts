import { z } from 'zod';

import { SENSES } from './senses.ts';
import type { Sense } from './senses.ts';

/** By what else than its name a part is found: what it senses, and what people call it. */
export const FINDING = {
  senses: z
    .array(z.enum(Object.keys(SENSES) as [Sense, ...Sense[]]))
    .max(6)
    .optional(),
  terms: z.array(z.string().min(1).max(40)).max(20).optional(),
};
