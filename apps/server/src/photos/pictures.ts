import { sure } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import { keptPhotos, refuse } from '@keypost/core/model';
import type { JobContent, Photo } from '@keypost/core/model';
import type { Pictures } from '@keypost/core/jobFile';
import { createHash } from 'node:crypto';
import type { Queryable } from '../db/connection.ts';
import { cleanJpeg } from './jpeg.ts';
import type { Jpeg } from './jpeg.ts';

type NewPhoto = Omit<Photo, 'by' | 'at' | 'removed'>;

/** A picture that was looked at, by the check sum of its file. */
export interface Picture extends Jpeg {
  readonly sha256: string;
}

/** What a photo says of its picture. */
export const figuresOf = ({
  width,
  height,
  file,
  sha256,
}: Picture): Omit<NewPhoto, 'id' | 'subject' | 'caption'> => ({
  width,
  height,
  bytes: file.length,
  sha256,
});

/** Looks at a picture in base64, and keeps nothing but the picture. @throws JobProblem where it is not one that is kept. */
export function lookAt(text: string): Picture {
  const picture = cleanJpeg(Buffer.from(text, 'base64'));
  return { ...picture, sha256: createHash('sha256').update(picture.file).digest('hex') };
}

/** Looks at those of a job file. @throws JobProblem where one is not what its photo says. */
export function lookAtAll({ photos }: JobContent, pictures: Pictures): Picture[] {
  const looked = new Map([...pictures].map(([sha256, text]) => [sha256, lookAt(text)] as const));
  keptPhotos(photos).forEach((photo) => {
    const picture = sure(looked.get(photo.sha256));
    const same =
      picture.sha256 === photo.sha256 &&
      picture.file.length === photo.bytes &&
      picture.width === photo.width &&
      picture.height === photo.height;
    if (!same) refuse(say('service.photo-other-picture'), `pictures.${photo.sha256}`);
  });
  return [...looked.values()];
}

export async function putPicture(db: Queryable, jobId: string, { sha256, file }: Picture): Promise<void> {
  await db.query('insert into picture (job_id, sha256, file) values ($1, $2, $3) on conflict do nothing', [
    jobId,
    sha256,
    file,
  ]);
}

/** Drops the pictures of photos that were removed. One whose point or part left the job stays, since that can be undone. */
export async function dropRemoved(
  db: Queryable,
  jobId: string,
  before: JobContent,
  after: JobContent,
): Promise<void> {
  if (after.photos === before.photos) return;
  const kept = new Set(keptPhotos(after.photos).map(({ sha256 }) => sha256));
  const was = new Set(keptPhotos(before.photos).map(({ sha256 }) => sha256));
  const gone = after.photos
    .filter(({ removed, sha256 }) => removed && was.has(sha256) && !kept.has(sha256))
    .map(({ sha256 }) => sha256);
  if (gone.length)
    await db.query('delete from picture where job_id = $1 and sha256 = any($2)', [jobId, gone]);
}

export async function readPicture(
  db: Queryable,
  jobId: string,
  sha256: string,
): Promise<Uint8Array | undefined> {
  const { rows } = await db.query<{ file: Uint8Array }>(
    'select file from picture where job_id = $1 and sha256 = $2',
    [jobId, sha256],
  );
  return rows[0]?.file;
}

/** The pictures of a job as a file of it holds them, in the order of its photos. */
export async function picturesOf(
  db: Queryable,
  jobId: string,
  { photos }: JobContent,
): Promise<Map<string, string>> {
  const named = [...new Set(keptPhotos(photos).map(({ sha256 }) => sha256))];
  if (!named.length) return new Map();
  const { rows } = await db.query<{ sha256: string; file: Uint8Array }>(
    'select sha256, file from picture where job_id = $1 and sha256 = any($2)',
    [jobId, named],
  );
  const found = new Map(rows.map(({ sha256, file }) => [sha256, Buffer.from(file).toString('base64')]));
  return new Map(named.flatMap((sum) => (found.has(sum) ? [[sum, sure(found.get(sum))] as const] : [])));
}
