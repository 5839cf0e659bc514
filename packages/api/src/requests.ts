import { TEACH_COMMANDS } from '@keypost/core/ioLink';
import type { TeachCommand } from '@keypost/core/ioLink';
import { Change } from '@keypost/core/job';
import { codeOf } from '@keypost/core/messages';
import { JobContent, MAX_PHOTO_BYTES, Photo } from '@keypost/core/model';
import { z } from 'zod';
import { Collection } from './schemas.ts';

export const ChangeRequest = z.strictObject({
  /** Made by the client, so that a change sent twice is stored once. */
  changeId: z.uuid(),
  by: z.string().trim().min(1, codeOf('model.initials')).max(40),
  change: Change,
  /** Rows that the change was made from, each with the revision that was seen. */
  expects: z
    .array(
      z.strictObject({
        collection: z.union([Collection, z.literal('job')]),
        id: z.string(),
        revision: z.int(),
      }),
    )
    .max(100)
    .default([]),
});

/** Takes a stored change back, as a change of its own. */
export const UndoRequest = z.strictObject({
  /** Made by the client, so that it is taken back once. */
  changeId: ChangeRequest.shape.changeId,
  by: ChangeRequest.shape.by,
  /** The id of the change that is taken back. */
  of: z.string().min(1).max(64),
});

export const NewJob = z.strictObject({
  /** Made by the client, so that a job sent twice is made once. */
  id: z.uuid(),
  name: JobContent.shape.name,
  site: JobContent.shape.site,
  by: ChangeRequest.shape.by,
});

/** A photo with its picture: JPEG in base64. What the file tells beside the picture is not kept. */
export const NewPhoto = z.strictObject({
  changeId: ChangeRequest.shape.changeId,
  by: ChangeRequest.shape.by,
  photo: Photo.pick({ id: true, subject: true, caption: true }),
  picture: z.base64(codeOf('model.picture-text')).max(2 * MAX_PHOTO_BYTES, codeOf('model.photo-bytes')),
});

/** A job file, and the id under which it comes in. */
export const ImportedJob = z.strictObject({ id: z.uuid(), by: ChangeRequest.shape.by, file: z.string() });

const COMMANDS = Object.keys(TEACH_COMMANDS) as [TeachCommand, ...TeachCommand[]];

export const TeachRequest = z.strictObject({
  channel: z.union([z.literal(1), z.literal(2)]),
  command: z.enum(COMMANDS),
});

export type ChangeRequest = z.input<typeof ChangeRequest>;
