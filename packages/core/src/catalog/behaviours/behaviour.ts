import { z } from 'zod';
import type { Element } from '../../circuit/index.ts';
import type { OperatingState } from '../description/expression.ts';
import { Expression } from '../description/expressionSchema.ts';
import { Name } from '../description/names.ts';
import type { Port } from '../ports.ts';

/** What every behaviour has: a name of its own in the part, and when it takes part at all. */
const common = () => ({ id: Name, onlyIf: Expression.optional() });

type SchemaOf<M extends string, S extends z.ZodRawShape> = z.ZodObject<
  S & { model: z.ZodLiteral<M> } & ReturnType<typeof common>
>;

/** The part around a behaviour: the ports of a module under its settings. */
export interface Around {
  readonly ports: readonly Port[];
}

/**
 * An electrical behaviour: code with a name, a schema for its figures, and what it puts between the terminals. The schema
 * is made when a description is read: what computes with those that ship does without.
 * The ids of its elements are its own id, or begin with it, unless its documentation says otherwise.
 */
export const behaviour = <M extends string, S extends z.ZodRawShape>(
  model: M,
  shape: () => S,
  elements: (own: z.infer<SchemaOf<M, S>>, now: OperatingState, around: Around) => Element[],
) => ({
  model,
  schema: () =>
    z.strictObject({ model: z.literal(model), ...common(), ...shape() }) as unknown as SchemaOf<M, S>,
  elements,
});
