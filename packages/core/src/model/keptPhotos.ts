import type { Photo } from './photo.ts';

/** Photos whose pictures are kept. */
export const keptPhotos = (photos: readonly Photo[]): readonly Photo[] =>
  photos.filter(({ removed }) => !removed);
