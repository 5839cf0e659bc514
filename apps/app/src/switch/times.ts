import { nth } from '@keypost/core/lists';
import type { LadderFrame, Signal } from '@keypost/core/switching';

/** The unit in which an axis of so many seconds is read. */
export function timeScale(end: number): { readonly seconds: number; readonly unit: string } {
  if (end > 7200) return { seconds: 3600, unit: 'h' };
  return end > 300 ? { seconds: 60, unit: 'min' } : { seconds: 1, unit: 's' };
}

/** When a course ends, s. */
export const endOf = ({ at }: Signal): number => at[at.length - 1] ?? 1;

/** A moment as minutes and seconds. */
export function clockText(at: number): string {
  const tenths = Math.round(at * 10);
  const minutes = Math.floor(tenths / 600);
  const rest = (tenths - 600 * minutes) / 10;
  return `${minutes}:${rest < 10 ? '0' : ''}${rest.toFixed(1)}`;
}

/** The value of a course at a moment; at a jump the later one. */
export function valueAt({ at, values }: Signal, moment: number): number {
  const last = at.length - 1;
  if (moment >= (at[last] ?? 0)) return values[last] ?? 0;
  let [low, high] = [0, last];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((at[middle] ?? 0) <= moment) low = middle;
    else high = middle;
  }
  const [from, to] = [at[low] ?? 0, at[high] ?? 0];
  const [first, second] = [values[low] ?? 0, values[high] ?? 0];
  return to === from ? second : first + ((second - first) * Math.max(0, moment - from)) / (to - from);
}

/** How a ladder stands at a moment. */
export function frameAt(frames: readonly LadderFrame[], moment: number): LadderFrame {
  let found = nth(frames, 0);
  for (const frame of frames) {
    if (frame.at > moment + 1e-9) break;
    found = frame;
  }
  return found;
}
