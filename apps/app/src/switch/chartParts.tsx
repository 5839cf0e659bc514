import { FONTS } from '../ui/fonts';
import type { Signal } from '@keypost/core/switching';
import { useMemo } from 'react';
import { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { Clipped, pathOf, Strip } from '../drawing/Axes';
import type { Frame } from '../drawing/Axes';
import { useTokens } from '../ui/theme';
import { valueAt } from './times';

/** Where there is nothing to measure. */
export function Faults({ frame, signal, seconds }: { frame: Frame; signal: Signal; seconds: number }) {
  const t = useTokens();
  return (
    <>
      {(signal.faults ?? []).map(({ from, to, is }) => (
        <Strip
          key={from}
          frame={frame}
          from={from / seconds}
          to={to / seconds}
          fill={t.failwash}
          ink={t.fail}
          words={is === 'invalid' ? 'no value' : is}
        />
      ))}
    </>
  );
}

/** A limit as a line with its name, the band in which it truly lies, and how far the value must come back. */
export function LimitLine({
  frame,
  on,
  back,
  band,
  ink,
  name,
  above,
}: {
  frame: Frame;
  on: number;
  back: number;
  band: number;
  ink: string;
  name: string;
  /** Its name stands above the line. */
  above: boolean;
}) {
  const y = frame.y(on);
  const clamp = (at: number): number => Math.min(frame.bottom, Math.max(frame.top, at));
  const [top, foot] = [clamp(frame.y(on + band)), clamp(frame.y(on - band))];
  const [from, to] = [clamp(Math.min(y, frame.y(back))), clamp(Math.max(y, frame.y(back)))];
  if (y < frame.top - 6 || y > frame.bottom + 1) return null;
  const wide = { x: frame.left, width: frame.right - frame.left, fill: ink };
  const line = { x1: frame.left, x2: frame.right, stroke: ink };
  return (
    <G>
      <Rect {...wide} y={from} height={to - from} opacity={0.09} />
      <Rect {...wide} y={top} height={foot - top} opacity={0.16} />
      <Line {...line} y1={y} y2={y} strokeWidth={2.2} />
      <Line
        {...line}
        y1={clamp(frame.y(back))}
        y2={clamp(frame.y(back))}
        strokeWidth={1.4}
        strokeDasharray="2 5"
      />
      <Text x={frame.left + 6} y={above ? y - 5 : y + 15} fill={ink} fontFamily={FONTS.semi} fontSize={13.5}>
        {name}
      </Text>
    </G>
  );
}

/** The value, left open where there is nothing to measure. */
export function Course({ frame, signal, seconds }: { frame: Frame; signal: Signal; seconds: number }) {
  const t = useTokens();
  const pieces = useMemo(() => piecesOf(signal), [signal]);
  return (
    <>
      <Clipped frame={frame} id="course">
        {pieces.map((piece, i) => (
          <Path
            key={i}
            d={pathOf(
              frame,
              piece.map(([x, y]) => [x / seconds, y] as const),
            )}
            stroke={t.accent}
            strokeWidth={3.2}
            strokeLinejoin="round"
            fill="none"
          />
        ))}
      </Clipped>
    </>
  );
}

type Places = readonly (readonly [at: number, value: number])[];

/** The course outside of its faults, piece by piece. */
function piecesOf(signal: Signal): Places[] {
  const corners = Array.from(signal.at, (at, i) => [at, signal.values[i] ?? 0] as const);
  const end = corners.at(-1)?.[0] ?? 0;
  const edges = [0, ...(signal.faults ?? []).flatMap(({ from, to }) => [from, to]), end];
  const pieces: Places[] = [];
  for (let i = 0; i + 1 < edges.length; i += 2) {
    const [from, to] = [edges[i] ?? 0, edges[i + 1] ?? 0];
    pieces.push([
      [from, valueAt(signal, from)],
      ...corners.filter(([at]) => at > from && at < to),
      [to, valueAt(signal, to)],
    ]);
  }
  return pieces;
}

export function Cursor({ frame, x, y }: { frame: Frame; x: number; y: number }) {
  const t = useTokens();
  const [cx, cy] = [frame.x(x), Math.min(frame.bottom, Math.max(frame.top, frame.y(y)))];
  return (
    <>
      <Line x1={cx} x2={cx} y1={frame.top} y2={frame.bottom} stroke={t.ink} strokeWidth={1.8} />
      <Circle cx={cx} cy={cy} r={7.5} fill={t.bone} stroke={t.ink} strokeWidth={2.6} />
      <Circle cx={cx} cy={cy} r={2.8} fill={t.ink} />
    </>
  );
}
