import { MAX_PHOTO_BYTES, MAX_PHOTO_SIDE } from '@keypost/core/model';
import type Compressor from 'compressorjs';

/** A picture as it is sent, JPEG in base64, and as the page shows it. */
export interface Reduced {
  readonly picture: string;
  readonly shown: string;
}

/** How it is drawn, from fine to coarse, until it is small enough: longer side, pixels, and quality. */
const TRIES: readonly (readonly [side: number, quality: number])[] = [
  [MAX_PHOTO_SIDE, 0.8],
  [MAX_PHOTO_SIDE, 0.65],
  [1280, 0.6],
  [1024, 0.5],
  [800, 0.4],
];

/**
 * A picture drawn anew, upright, so small that it is kept. Nothing but what is seen on it leaves this device.
 * @returns nothing where the browser cannot read it.
 */
export async function reduced(file: Blob): Promise<Reduced | undefined> {
  // Only who takes a photo needs it.
  const { default: Compress } = await import('compressorjs');
  for (const [side, quality] of TRIES) {
    const drawn = await draw(Compress, file, side, quality);
    if (!drawn) return undefined;
    if (drawn.size <= MAX_PHOTO_BYTES) return asText(drawn);
  }
  return undefined;
}

const draw = (
  Compress: typeof Compressor,
  file: Blob,
  side: number,
  quality: number,
): Promise<Blob | undefined> =>
  new Promise((resolve) => {
    new Compress(file as File, {
      quality,
      maxWidth: side,
      maxHeight: side,
      mimeType: 'image/jpeg',
      strict: false,
      success: resolve,
      error: () => resolve(undefined),
    });
  });

const asText = (blob: Blob): Promise<Reduced> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => {
      const shown = String(reader.result);
      resolve({ shown, picture: shown.slice(shown.indexOf(',') + 1) });
    };
    reader.onerror = () => reject(reader.error ?? new Error('not read'));
    reader.readAsDataURL(blob);
  });
