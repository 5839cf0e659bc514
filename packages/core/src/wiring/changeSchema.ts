import { z } from 'zod';
import {
  Device,
  Id,
  JobContent,
  Module,
  Point,
  Result,
  Stamp,
  Supply,
  TerminalRef,
  Wire,
} from '../model/job.ts';

const Rail = z.enum(['+', '-']).nullable();
const Place = z.object({ moduleId: Id, channel: z.int().min(0).max(1023) });

/** What a client sends of a stamp or result; who and when are added by whoever takes it. */
export const NewStamp = Stamp.omit({ by: true, at: true, undone: true });
export const NewResult = Result.omit({ by: true, at: true });

/** Everything that can be done to a job. Each is applied whole or refused whole. */
export const Change = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('editJob'), patch: JobContent.pick({ name: true, site: true }).partial() }),
  z.object({ kind: z.literal('editSupply'), id: Id, patch: Supply.omit({ id: true }).partial() }),
  z.object({ kind: z.literal('addModule'), module: Module, commons: z.array(Rail).max(16) }),
  z.object({ kind: z.literal('editModule'), id: Id, patch: Module.omit({ id: true }).partial() }),
  z.object({ kind: z.literal('removeModule'), id: Id }),
  z.object({ kind: z.literal('addPoint'), point: Point, device: Device, place: Place.nullable() }),
  z.object({
    kind: z.literal('editPoint'),
    id: Id,
    patch: Point.pick({ tag: true, name: true, bit: true })
      .extend(Device.pick({ typeId: true, output: true, logic: true }).shape)
      .partial(),
  }),
  z.object({ kind: z.literal('removePoint'), id: Id }),
  z.object({ kind: z.literal('assign'), pointId: Id, place: Place.nullable() }),
  z.object({ kind: z.literal('setCommon'), moduleId: Id, common: z.string().regex(/^COM\d+$/), rail: Rail }),
  z.object({ kind: z.literal('addWire'), wire: Wire }),
  z.object({
    kind: z.literal('moveWire'),
    wireId: Id,
    from: TerminalRef.optional(),
    to: TerminalRef.optional(),
  }),
  z.object({ kind: z.literal('removeWire'), wireId: Id }),
  z.object({ kind: z.literal('stamp'), stamp: NewStamp }),
  z.object({
    kind: z.literal('undoStamp'),
    id: Id,
    reason: z.string().trim().min(1, 'Say why it is undone.').max(200),
  }),
  z.object({ kind: z.literal('record'), results: z.array(NewResult).min(1).max(50) }),
  z.object({ kind: z.literal('several'), changes: z.array(z.unknown()).min(1).max(20) }),
]);

export type Change = z.infer<typeof Change>;
export type SingleChange = Exclude<Change, { kind: 'several' }>;

/** Who makes a change, and when (ISO 8601, UTC). */
export interface Actor {
  readonly by: string;
  readonly at: string;
}
