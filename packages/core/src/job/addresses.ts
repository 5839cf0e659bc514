import type { ModuleType } from '../catalog/index.ts';
import type { Module } from '../model/index.ts';

/** Bits that a channel takes in the image, by the size prefix of IEC 61131-3. */
const BITS = { X: 1, W: 16, D: 32 } as const;

/** Bytes that a module takes in the controller's image, and in which of its areas (IEC 61131-3: I or Q). */
export function imageOf({ description }: ModuleType): { area: 'I' | 'Q'; bytes: number } | undefined {
  const { image, ports } = description;
  return image && { area: image.area, bytes: Math.ceil((ports.length * BITS[image.each]) / 8) };
}

/**
 * Address of a channel in the form of IEC 61131-3 direct variables: `%IX<byte>.<bit>`, `%QX…`, `%IW<byte>`,
 * `%ID<byte>`. Bits count through the module from its first byte. Nothing for a module without an image.
 */
export function addressOf(
  { firstByte }: Pick<Module, 'firstByte'>,
  { description: { image } }: ModuleType,
  channel: number,
): string | undefined {
  if (!image) return undefined;
  const bit = channel * BITS[image.each];
  const at = `%${image.area}${image.each}${firstByte + Math.floor(bit / 8)}`;
  return image.each === 'X' ? `${at}.${bit % 8}` : at;
}
