import { z } from 'zod';

/** A name of an element, setting or output. */
export const Name = z.string().min(1).max(40);

/** A terminal of the part, or a node inside it, which begins with `~`. */
export const Node = z
  .string()
  .regex(/^[^:\s]{1,20}$/, 'A terminal has 1 to 20 characters, no colon or space.');
