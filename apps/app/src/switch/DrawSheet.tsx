import type { Ladder, Signal } from '@keypost/core/switching';
import { useRef } from 'react';
import type { PointerEvent } from 'react';

/** The sheet of the chart over which one draws, as shares of its box: the same margins as its axes have. */
const SHEET = { left: 52 / 366, right: 354 / 366, top: 26 / 262, bottom: 222 / 262 };

type Corner = { readonly at: number; readonly value: number };

/** A finger draws a course over the chart, from left to right; what lies behind it stays as it was. */
export function DrawSheet({
  ladder: { range },
  seconds,
  onDraw,
}: {
  ladder: Ladder;
  /** How long the course is. */
  seconds: number;
  onDraw: (signal: Signal) => void;
}) {
  const corners = useRef<Corner[]>([]);
  const high = range.high + 0.04 * (range.high - range.low);
  const cornerAt = (event: PointerEvent<HTMLDivElement>): Corner => {
    const box = event.currentTarget.getBoundingClientRect();
    const x = (event.clientX - box.left) / box.width;
    const y = (event.clientY - box.top) / box.height;
    const share = (part: number, from: number, to: number): number =>
      Math.min(1, Math.max(0, (part - from) / (to - from)));
    return {
      at: seconds * share(x, SHEET.left, SHEET.right),
      value: range.low + (high - range.low) * share(y, SHEET.bottom, SHEET.top),
    };
  };
  const put = (corner: Corner) => {
    const last = corners.current.at(-1);
    if (!last || corner.at > last.at + seconds / 240) corners.current.push(corner);
  };
  const tell = () => {
    const first = corners.current[0];
    const last = corners.current.at(-1);
    if (!first || !last || corners.current.length < 2) return;
    const whole = [
      { at: 0, value: first.value },
      ...corners.current.filter(({ at }) => at > 0),
      { at: seconds, value: last.value },
    ];
    onDraw({ at: whole.map(({ at }) => at), values: whole.map(({ value }) => value) });
  };
  return (
    <div
      role="img"
      aria-label="Draw the course here with a finger or the mouse, from left to right"
      style={{ position: 'absolute', inset: 0, touchAction: 'none', cursor: 'crosshair' }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        corners.current = [];
        put(cornerAt(event));
      }}
      onPointerMove={(event) => {
        if (!event.buttons) return;
        put(cornerAt(event));
        tell();
      }}
      onPointerUp={tell}
    />
  );
}
