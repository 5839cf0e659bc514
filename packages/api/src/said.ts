import type { Message } from '@keypost/core/messages';
import { z } from 'zod';

/** Whatever a message's parameters can be. */
export const Json = z.json();

/** A message of the core: its code with its parameters; `docs/problems.md` lists them. */
export const Said = z.object({
  code: z.string(),
  values: z.record(z.string(), Json).optional(),
}) as unknown as z.ZodType<Message>;
