import { z } from 'zod';
import { Quantity } from '../../model/index.ts';
import type { Expression as Written } from './expression.ts';
import { Name } from './names.ts';

/** The schema of an expression of a description. */
export const Expression: z.ZodType<Written> = z.lazy(() =>
  z.union([
    z.boolean(),
    z.strictObject({ on: Name }),
    z.strictObject({ was: Name }),
    z.strictObject({ present: z.literal(true) }),
    z.strictObject({ called: Name }),
    z.strictObject({ forced: Name }),
    z.strictObject({ above: Quantity }),
    z.strictObject({ setting: Name, is: z.string().max(60) }),
    z.strictObject({ not: Expression }),
    z.strictObject({ all: z.array(Expression).max(12) }),
    z.strictObject({ any: z.array(Expression).max(12) }),
  ]),
);
