import { codeOf } from '../messages/index.ts';
import { z } from 'zod';
import { Id, Quantity, ShortText } from './words.ts';

/** What sort of thing was broken: what its count teaches of the next one. */
const FAULT_SORTS = [
  'wire-open',
  'wire-weak',
  'wires-exchanged',
  'wire-short',
  'supply',
  'output',
  'target',
  'kind',
  'setting',
  'input',
  'led',
  'program',
  'other',
  'part',
] as const;

/** How often a sort of fault is what is wrong here. */
const OFTEN = ['seldom', 'usual', 'often'] as const;

/** What was seen while it was looked for, by the id of the look: an indicator, or what a meter read. */
const SeenLooks = z
  .array(z.strictObject({ id: z.string().min(1).max(200), is: z.union([Quantity, z.boolean()]) }))
  .max(200, codeOf('model.fault-most-looks'));

const Words = ShortText(200);

/** What was reported, seen and mended of a fault. Each is kept; none is overwritten. */
export const FaultBody = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('opened'),
    symptom: Words.min(1, codeOf('model.fault-say-symptom')),
    seen: SeenLooks,
  }),
  /** Handed over with all that was seen until then. */
  z.strictObject({ kind: z.literal('seen'), of: Id, seen: SeenLooks, note: Words }),
  z.strictObject({
    kind: z.literal('mended'),
    of: Id,
    /** What it was, in words, and which of the things that can be wrong with the point. */
    what: Words.min(1, codeOf('model.fault-say-what')),
    fault: z.string().max(300).optional(),
    sort: z.enum(FAULT_SORTS),
    done: Words.min(1, codeOf('model.fault-say-done')),
    parts: Words,
    downMinutes: z
      .number()
      .min(0, codeOf('model.fault-down-time'))
      .max(5_256_000, codeOf('model.fault-down-time')),
    /** Wires and parts that were worked on: what was proven of them is to be proven again. */
    touched: z.array(Id).max(60, codeOf('model.fault-most-touched')),
    /** A part that was put in for another: nothing is set in it yet. */
    swapped: Id.optional(),
  }),
  /** How often a sort of fault is what is wrong in this plant, as somebody judged it there; the last word holds. */
  z.strictObject({ kind: z.literal('rated'), sort: z.enum(FAULT_SORTS), often: z.enum(OFTEN) }),
]);

export const FaultRecord = z.strictObject({
  id: Id,
  pointId: Id,
  body: FaultBody,
  by: ShortText(40).min(1, codeOf('model.say-who-did')),
  at: z.iso.datetime(),
});

export type FaultSort = (typeof FAULT_SORTS)[number];
export type Often = (typeof OFTEN)[number];
export type FaultBody = z.infer<typeof FaultBody>;
export type FaultRecord = z.infer<typeof FaultRecord>;

/** How often a sort of fault is what is wrong, as somebody judged it. */
export type Rated = Pick<FaultRecord, 'by' | 'at'> & { readonly often: Often };

/** What is known of how often each sort of fault is what is wrong: how often it was mended, and what was said of it. */
export interface FaultExperience {
  readonly mended: ReadonlyMap<FaultSort, number>;
  readonly rated: ReadonlyMap<FaultSort, Rated>;
}
