import type { Message } from '@keypost/core/messages';
import { z } from 'zod';

/** A message of the core: its code with its parameters; `docs/problems.md` lists them. */
export const Said = z.object({
  code: z.string(),
  values: z.record(z.string(), z.json()).optional(),
}) as unknown as z.ZodType<Message>;
