import { z } from 'zod';
import { COLOURS } from '../../model/index.ts';
import { Node } from './names.ts';

/** What a terminal is for; a port of a module says which of its terminals takes which role. */
export const TERMINAL_ROLES = [
  'plus',
  'minus',
  'out',
  'complement',
  'sideA',
  'sideB',
  'emitterPlus',
  'emitterMinus',
  'line',
  'neutral',
  'earth',
  'protectiveEarth',
  'loopPlus',
  'loopMinus',
  'signal',
  'signalReturn',
  'element',
  'elementReturn',
  'sense',
  'senseReturn',
  'wiper',
  'excitation',
  'channel1',
  'channel1Return',
  'channel2',
  'channel2Return',
  'safeIn1',
  'safeIn2',
  'aux',
  'auxReturn',
  'pulse',
  'pulseReturn',
  'inverse',
  'lineA',
  'lineB',
  'lineCommon',
  'dataLine',
  'extraPlus',
  'extraMinus',
  'socket',
  'loadPlus',
  'loadMinus',
] as const;
export const TerminalRole = z.enum(TERMINAL_ROLES);
export type TerminalRole = z.infer<typeof TerminalRole>;

/** A terminal of a part, as its datasheet names it. */
export const PartTerminal = z.strictObject({
  name: z.string().regex(/^[^:\s~]{1,16}$/, 'A terminal has 1 to 16 characters, no colon or space.'),
  role: TerminalRole.optional(),
  /** What it is, in two or three words. */
  words: z.string().max(40).optional(),
  /** Pin of the M12 connector, where there is one (IEC 60947-5-2, IEC 61076-2-101). */
  pin: z.int().min(1).max(12).optional(),
  colour: z.enum(COLOURS).optional(),
  /** The number printed on it where that is another, as on the sockets of relays. */
  printed: z.string().max(8).optional(),
  /** Where a stacked terminal stands: its row, and its level in that row. */
  stacking: z.strictObject({ row: z.enum(['top', 'bottom']), level: z.enum(['front', 'back']) }).optional(),
});
export type PartTerminal = z.infer<typeof PartTerminal>;

/** A light or state that a technician sees on a part; `id` names an element of the part that is on or closed. */
export const Indicator = z.strictObject({
  id: z.string().min(1).max(40),
  label: z.string().min(1).max(60),
  kind: z.enum(['lamp', 'coil', 'contact', 'load', 'state']),
});
export type Indicator = z.infer<typeof Indicator>;

const FaceGlyph = z.strictObject({
  kind: z.enum(['slot', 'resistor', 'coil', 'opto', 'diode', 'lamp', 'signal', 'state', 'line']),
  id: z.string().max(48).optional(),
  text: z.string().max(24).optional(),
});
/** What stands between two terminals in the drawing of a part; `id` names the element that says its state and current. */
export type FaceGlyph = z.infer<typeof FaceGlyph>;

/** One line of a part's drawing: terminals at its two ends, perhaps one in the middle, and what stands between. */
export const FaceRow = z.strictObject({
  a: Node.optional(),
  b: Node.optional(),
  middle: Node.optional(),
  /** Between a and b, or between a and the middle. */
  glyph: FaceGlyph.optional(),
  /** Between the middle and b. */
  second: FaceGlyph.optional(),
});
export type FaceRow = z.infer<typeof FaceRow>;

/** Cautions, each for the step at which it belongs. */
export const Cautions = z.strictObject({
  isolate: z.string().max(240).optional(),
  supply: z.string().max(240).optional(),
  follow: z.string().max(240).optional(),
});
