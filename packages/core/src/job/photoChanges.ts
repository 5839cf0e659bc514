import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import type { JobContent, PhotoSubject } from '../model/index.ts';
import type { Actor, SingleChange } from './changeSchema.ts';

type Of<K extends SingleChange['kind']> = Extract<SingleChange, { kind: K }>;
type Photo = JobContent['photos'][number];

export const addPhoto = (job: JobContent, { photo }: Of<'addPhoto'>, actor: Actor): JobContent => ({
  ...job,
  photos: [...job.photos, { ...photo, ...actor }],
});

export const wordPhoto = (job: JobContent, { id, caption }: Of<'wordPhoto'>): JobContent =>
  withPhoto(job, id, (photo) => ({ ...photo, caption }));

/** The row stays, with who took the picture away, when and why. */
export const removePhoto = (job: JobContent, { id, reason }: Of<'removePhoto'>, actor: Actor): JobContent =>
  withPhoto(job, id, (photo) => ({ ...photo, removed: { ...actor, reason } }));

function withPhoto(job: JobContent, id: string, act: (photo: Photo) => Photo): JobContent {
  const photo = job.photos.find((one) => one.id === id);
  if (!photo || photo.removed) return refuse(say('job.photo-gone'), 'id');
  return { ...job, photos: job.photos.map((one) => (one === photo ? act(photo) : one)) };
}

/** Without the photos of a point, its steps and results, or of a part, that leaves the job. */
export function withoutPhotosOf(job: JobContent, gone: { pointId: string } | { itemId: string }): JobContent {
  const left = job.photos.filter(({ subject }) => !isOf(subject, gone));
  return left.length === job.photos.length ? job : { ...job, photos: left };
}

const isOf = (subject: PhotoSubject, gone: { pointId: string } | { itemId: string }): boolean =>
  subject.kind === 'part'
    ? 'itemId' in gone && subject.itemId === gone.itemId
    : 'pointId' in gone && subject.pointId === gone.pointId;
