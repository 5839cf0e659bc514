import { codeOf } from '../messages/index.ts';
import { z } from 'zod';
import { Id, ShortText } from './words.ts';

/** The longer side of a photo, pixels, and what its file (JPEG) may hold, bytes. */
export const MAX_PHOTO_SIDE = 1600;
export const MAX_PHOTO_BYTES = 300 * 1024;
/** All photos of a job together, bytes: a job file holds them too. */
export const MAX_PHOTOS_BYTES = 30 * 1024 * 1024;

/** What a photo shows. */
export const PhotoSubject = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('point'), pointId: Id }),
  z.strictObject({ kind: z.literal('part'), itemId: Id }),
  /** A step of a point, by its key. */
  z.strictObject({ kind: z.literal('step'), pointId: Id, step: z.string().min(1).max(100) }),
  z.strictObject({ kind: z.literal('result'), pointId: Id, resultId: Id }),
]);

const Side = z.int().min(1, codeOf('model.photo-side')).max(MAX_PHOTO_SIDE, codeOf('model.photo-side'));

/** A photo as the job holds it. The picture itself lies beside the job, under the SHA-256 of its file. */
export const Photo = z.strictObject({
  id: Id,
  subject: PhotoSubject,
  caption: ShortText(120),
  width: Side,
  height: Side,
  bytes: z.int().min(1, codeOf('model.photo-bytes')).max(MAX_PHOTO_BYTES, codeOf('model.photo-bytes')),
  sha256: z.string().regex(/^[0-9a-f]{64}$/, codeOf('model.photo-sum')),
  by: ShortText(40).min(1, codeOf('model.say-who-did')),
  at: z.iso.datetime(),
  /** Taken away: its picture is kept no more. */
  removed: z
    .object({
      by: ShortText(40),
      at: z.iso.datetime(),
      reason: ShortText(200).min(1, codeOf('model.say-why')),
    })
    .optional(),
});

export type PhotoSubject = z.infer<typeof PhotoSubject>;
export type Photo = z.infer<typeof Photo>;
