import { keptPhotos } from '@keypost/core/model';
import type { JobContent, Photo, PhotoSubject } from '@keypost/core/model';

/** A name for what a photo shows, of which there is one in a job. */
export function keyOf(subject: PhotoSubject): string {
  switch (subject.kind) {
    case 'point':
      return `point ${subject.pointId}`;
    case 'part':
      return `part ${subject.itemId}`;
    case 'step':
      return `step ${subject.pointId} ${subject.step}`;
    case 'result':
      return `result ${subject.pointId} ${subject.resultId}`;
  }
}

/** Photos of one subject that are kept, in the order in which they were taken. */
export const photosOf = ({ photos }: JobContent, subject: PhotoSubject): readonly Photo[] =>
  keptPhotos(photos).filter((photo) => keyOf(photo.subject) === keyOf(subject));

/** Photos of a point, its steps, its results and its parts, removed ones too, newest first. */
export function photosOfPoint({ photos, points }: JobContent, pointId: string): readonly Photo[] {
  const point = points.find(({ id }) => id === pointId);
  const parts = point ? [point.deviceId, ...(point.helperIds ?? [])] : [];
  return photos
    .filter(({ subject }) =>
      subject.kind === 'part' ? parts.includes(subject.itemId) : subject.pointId === pointId,
    )
    .reverse();
}

export const counted = (count: number): string =>
  count === 0 ? 'none yet' : count === 1 ? 'one' : String(count);
