import { nth } from '@keypost/core/lists';
import type { LoopView } from '@keypost/core/presentation';
import { widthOf } from './lettering';
import { listed } from './sheet';
import type { Choices, Placed, ValueSpot } from './sheet';

const HEIGHT = 26;
/** From the middle of one value to the other. */
const APART = 32;
const SIZE = 15;

/** Where the signal's volts and milliamperes may stand; away from its wire they say of which terminal they are. */
export function valueChoices(
  { signal }: LoopView,
  at: Placed['signal'],
  width: number,
): Choices<readonly ValueSpot[]> {
  const name = nth(signal.ref.split(':'), 1);
  const volts = signal.across
    ? `${signal.volts} across`
    : at.named
      ? `${name}: ${signal.volts}`
      : signal.volts;
  const texts = [volts, signal.amps];
  const widths = texts.map((text) => Math.ceil(widthOf(text, SIZE, 'monobold')) + 18);
  const wide = Math.max(...widths);
  const stacked = (x: number, y: number): ValueSpot[] =>
    texts.map((text, i) => ({
      text,
      x,
      y: y - HEIGHT / 2 + (i - 0.5) * APART,
      width: nth(widths, i),
      height: HEIGHT,
    }));
  const inside = (x: number): number => Math.max(2, Math.min(x, width - wide - 2));
  const xs = [at.x + 22, at.x - 22 - wide, at.x + 40, at.x - 40 - wide].map(inside);
  const ys = [0, -8, 8, -16, 16].map((off) => at.y + off);
  return listed<readonly ValueSpot[]>(
    ys.flatMap((y) => xs.map((x) => stacked(x, y))),
    (place) => place.map(({ x, y, width: w }) => ({ x: x - 1, y: y - 1, width: w + 2, height: HEIGHT + 2 })),
  );
}
