import { picturePath } from '@keypost/api/calls';
import type { Photo } from '@keypost/core/model';
import { Image } from 'react-native';

/** Where the picture of a photo is. */
const sourceOf = (jobId: string, { sha256 }: Photo): { uri: string } => ({
  uri: `${process.env.EXPO_PUBLIC_API ?? ''}${picturePath(jobId, sha256)}`,
});

/** Where the page without network keeps pictures that were looked at (`worker/serviceWorker.ts`). */
const KEPT = 'keypost-pictures';

/** Forgets the picture of a photo that was removed, as far as this device kept it for reading without network. */
export const forgetPicture = (jobId: string, photo: Photo): void => {
  if ('caches' in window) void caches.open(KEPT).then((cache) => cache.delete(sourceOf(jobId, photo).uri));
};

/** The picture of a photo, whole. */
export function WholePicture({ jobId, photo, alt }: { jobId: string; photo: Photo; alt: string }) {
  return (
    <Image
      source={sourceOf(jobId, photo)}
      aria-label={alt}
      resizeMode="contain"
      style={{ width: '100%', maxHeight: 480, aspectRatio: photo.width / photo.height }}
      className="bg-wash"
    />
  );
}

/** A mark of it, square. */
export function SmallPicture({ jobId, photo, size = 48 }: { jobId: string; photo: Photo; size?: number }) {
  return (
    <Image
      source={sourceOf(jobId, photo)}
      aria-hidden
      style={{ width: size, height: size }}
      className="rounded-plate bg-wash"
    />
  );
}
