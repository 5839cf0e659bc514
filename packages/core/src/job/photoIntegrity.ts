import { say } from '../messages/index.ts';
import { keptPhotos, MAX_PHOTOS_BYTES } from '../model/index.ts';
import type { JobContent, Photo, PhotoSubject, Problem } from '../model/index.ts';

/** Photos of what the job does not hold. */
export function photoSubjects(job: JobContent): (photo: Photo, at: number) => readonly Problem[] {
  const points = new Set(job.points.map(({ id }) => id));
  const items = new Set([...job.supplies, ...job.modules, ...job.devices].map(({ id }) => id));
  const results = new Set(job.results.map(({ pointId, id }) => `${pointId}/${id}`));
  const isThere = (subject: PhotoSubject): boolean => {
    if (subject.kind === 'part') return items.has(subject.itemId);
    if (subject.kind === 'result') return results.has(`${subject.pointId}/${subject.resultId}`);
    return points.has(subject.pointId);
  };
  return ({ subject }, at) =>
    isThere(subject)
      ? []
      : [{ path: `photos[${at}].subject`, message: say('job.photo-subject', { what: namedBy(subject) }) }];
}

const namedBy = (subject: PhotoSubject): string =>
  subject.kind === 'part' ? subject.itemId : subject.kind === 'result' ? subject.resultId : subject.pointId;

/** Whether the pictures of a job fit into a file of it. */
export function photosFit({ photos }: JobContent): Problem[] {
  const bytes = keptPhotos(photos).reduce((sum, photo) => sum + photo.bytes, 0);
  return bytes > MAX_PHOTOS_BYTES
    ? [{ path: 'photos', message: say('job.photos-most', { most: MAX_PHOTOS_BYTES / 1024 / 1024 }) }]
    : [];
}
