import { codeOf } from '../../messages/index.ts';
import { z } from 'zod';
import { Id, Tag } from '../../model/index.ts';

const On = z.enum(['present', 'away']);

/**
 * Something that the relay's contacts are to do: switch a load on with the target or without it, at one line or at
 * both; light a tier of a stack light; or close an input of the controller.
 */
export const RelayTask = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('load'), tag: Tag, typeId: z.string(), on: On, bothLines: z.boolean() }),
  z.object({
    kind: z.literal('tier'),
    tag: Tag,
    tier: z.int().min(1).max(3),
    on: On,
    common: z.enum(['minus', 'plus']),
  }),
  z.object({ kind: z.literal('input'), moduleId: Id, channel: z.int().min(0), on: On }),
]);

/** What is wanted of an interposing relay behind a point's sensor. */
export const RelayRequest = z.object({
  tag: Tag,
  tasks: z.array(RelayTask).min(1, codeOf('planning.say-what-relay-switch')).max(12),
  /** Fitted across a DC coil; across an AC coil a varistor, unless it is none. */
  suppressor: z.enum(['none', 'diode', 'varistor']),
});

export type RelayTask = z.infer<typeof RelayTask>;
export type RelayRequest = z.infer<typeof RelayRequest>;
