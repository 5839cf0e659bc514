import { say } from '@keypost/core/messages';
import { MAX_PHOTO_BYTES, MAX_PHOTO_SIDE, refuse } from '@keypost/core/model';

/** Markers of a JPEG file (ITU-T T.81, table B.1). */
const SOI = 0xd8;
const EOI = 0xd9;
const SOS = 0xda;
/** Frames of Huffman coding: baseline, extended, progressive. */
const FRAMES: ReadonlySet<number> = new Set([0xc0, 0xc1, 0xc2]);
/**
 * What a picture needs: tables, frame, restart interval, and the notes of JFIF, colour profile and Adobe's transform.
 * EXIF, XMP, IPTC and comments tell where it was taken, when and with what, and are not among them.
 */
const KEPT: ReadonlySet<number> = new Set([...FRAMES, 0xc4, 0xdb, 0xdd, 0xe0, 0xe2, 0xee, SOS]);

/** A picture without anything beside it, and its size, pixels. */
export interface Jpeg {
  readonly file: Uint8Array;
  readonly width: number;
  readonly height: number;
}

/**
 * Takes out of a JPEG file whatever is not the picture: where and when it was taken, notes, a second picture behind it.
 * @throws JobProblem where it is no JPEG, is too large, or is cut off.
 */
export function cleanJpeg(bytes: Uint8Array): Jpeg {
  const at = (i: number): number => bytes[i] ?? -1;
  if (at(0) !== 0xff || at(1) !== SOI) refuse(say('service.photo-no-jpeg'), 'picture');
  const parts: Uint8Array[] = [bytes.subarray(0, 2)];
  let size: { width: number; height: number } | undefined;
  let next = 2;
  for (;;) {
    const marker = at(next + 1);
    if (at(next) !== 0xff) refuse(say('service.photo-broken'), 'picture');
    if (marker === EOI) break;
    const length = at(next + 2) * 256 + at(next + 3);
    const end = next + 2 + length;
    if (length < 2 || end > bytes.length) refuse(say('service.photo-broken'), 'picture');
    if (FRAMES.has(marker)) {
      if (length < 8) refuse(say('service.photo-broken'), 'picture');
      size = { height: at(next + 5) * 256 + at(next + 6), width: at(next + 7) * 256 + at(next + 8) };
    }
    const after = marker === SOS ? endOfScan(bytes, end) : end;
    if (KEPT.has(marker)) parts.push(bytes.subarray(next, after));
    next = after;
  }
  parts.push(bytes.subarray(next, next + 2));
  if (!size) return refuse(say('service.photo-broken'), 'picture');
  if (Math.min(size.width, size.height) < 1 || Math.max(size.width, size.height) > MAX_PHOTO_SIDE)
    refuse(say('model.photo-side'), 'picture');
  const file = Buffer.concat(parts);
  if (file.length > MAX_PHOTO_BYTES) refuse(say('model.photo-bytes'), 'picture');
  return { file, ...size };
}

/** Where the coded data of a scan end: at a marker that is none of its restarts or stuffed bytes. */
function endOfScan(bytes: Uint8Array, from: number): number {
  let i = from;
  while (i < bytes.length) {
    const found = bytes.indexOf(0xff, i);
    if (found < 0) return bytes.length;
    const after = bytes[found + 1] ?? -1;
    if (after !== 0x00 && !(after >= 0xd0 && after <= 0xd7)) return found;
    i = found + 2;
  }
  return i;
}
