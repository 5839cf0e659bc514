import type { Box, Face, Letters } from './sheet';

/** Advance of each letter from space to tilde in hundredths of the size, as the fonts that ship have them. */
const ADVANCES: Readonly<Record<'words' | 'bold', readonly number[]>> = {
  words: [
    28, 29, 30, 65, 59, 92, 73, 16, 30, 30, 48, 61, 21, 36, 21, 39, 65, 41, 55, 58, 61, 59, 60, 51, 61, 59,
    21, 21, 55, 63, 55, 48, 78, 63, 61, 64, 67, 57, 55, 69, 69, 39, 51, 63, 54, 82, 69, 71, 59, 72, 61, 59,
    56, 69, 59, 86, 62, 57, 61, 32, 39, 34, 55, 37, 24, 52, 57, 48, 56, 54, 31, 56, 55, 25, 24, 49, 26, 84,
    55, 55, 57, 57, 35, 47, 33, 54, 46, 68, 48, 45, 46, 34, 24, 34, 55,
  ],
  bold: [
    31, 30, 39, 76, 61, 97, 72, 21, 33, 33, 48, 59, 27, 37, 27, 44, 66, 44, 58, 60, 62, 61, 63, 54, 62, 57,
    27, 27, 57, 61, 57, 55, 78, 68, 64, 66, 69, 60, 57, 72, 70, 42, 56, 66, 55, 86, 72, 75, 63, 76, 65, 61,
    61, 69, 64, 89, 68, 65, 62, 34, 44, 34, 58, 40, 29, 55, 60, 51, 60, 56, 36, 59, 57, 30, 26, 55, 32, 88,
    57, 58, 60, 60, 38, 51, 38, 57, 53, 74, 54, 52, 50, 38, 25, 38, 54,
  ],
};
/** Of every other letter, and of the face whose letters are all alike. */
const OTHER = 67;
const MONO = 63;
const FIRST = 32;

/** Width of a text, in the sheet's units. */
export function widthOf(text: string, size: number, face: Face): number {
  if (face === 'mono' || face === 'monobold') return (text.length * MONO * size) / 100;
  const advances = ADVANCES[face];
  let sum = 0;
  for (const letter of text)
    sum += advances[letter.charCodeAt(0) - FIRST] ?? (letter === '\u00a0' ? 28 : OTHER);
  return (sum * size) / 100;
}

/** Capitals rise so far above their line, letters with tails go so far below it, in shares of the size. */
const RISE = 0.7;
const FALL = 0.2;

/** Words stand at least so far apart in a line, half of it beside each. */
const AIR = 1.5;

/** The room that a word takes, with the air beside it. */
export function boxOf({ x, y, text, size, face, anchor }: Letters): Box {
  const width = widthOf(text, size, face);
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
  return { x: left - AIR, y: y - RISE * size, width: width + 2 * AIR, height: (RISE + FALL) * size };
}

/** A text that is cut where it does not fit into so much room. */
export function cutTo(text: string, room: number, size: number, face: Face): string {
  if (widthOf(text, size, face) <= room) return text;
  let kept = text;
  while (kept.length > 1 && widthOf(`${kept}…`, size, face) > room) kept = kept.slice(0, -1).trimEnd();
  return `${kept}…`;
}
