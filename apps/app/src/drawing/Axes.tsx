import { plain } from '@keypost/core/units';
import type { ReactNode } from 'react';
import Svg, { G, Line, Rect, Text } from 'react-native-svg';
import { useTokens } from '../ui/theme';
import { ticks } from './ticks';

/** Where numbers lie on the sheet of a chart. */
export interface Frame {
  readonly x: (value: number) => number;
  readonly y: (value: number) => number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

export interface Extent {
  readonly low: number;
  readonly high: number;
  readonly unit: string;
}

const WIDE = 366;
const LEFT = 52;
const RIGHT = 12;
const TOP = 26;
const BOTTOM = 40;

function frameOf(across: Extent, up: Extent, height: number): Frame {
  const bottom = height - BOTTOM;
  const right = WIDE - RIGHT;
  return {
    x: (value) => LEFT + ((value - across.low) / (across.high - across.low)) * (right - LEFT),
    y: (value) => bottom - ((value - up.low) / (up.high - up.low)) * (bottom - TOP),
    left: LEFT,
    right,
    top: TOP,
    bottom,
  };
}

/** A sheet with its two axes; what is drawn on it gets the frame. */
export function Axes({
  label,
  across,
  up,
  height = 250,
  children,
  behind,
}: {
  /** Read aloud in place of the drawing. */
  label: string;
  across: Extent;
  up: Extent;
  height?: number;
  children: (frame: Frame) => ReactNode;
  /** Drawn beneath the grid. */
  behind?: (frame: Frame) => ReactNode;
}) {
  const frame = frameOf(across, up, height);
  return (
    <Svg
      viewBox={`0 0 ${WIDE} ${height}`}
      width="100%"
      style={{ aspectRatio: WIDE / height }}
      role="img"
      aria-label={label}
    >
      {behind?.(frame)}
      <Grid frame={frame} across={across} up={up} height={height} />
      {children(frame)}
    </Svg>
  );
}

/** Lines and figures of both axes. */
function Grid({ frame, across, up, height }: { frame: Frame; across: Extent; up: Extent; height: number }) {
  const t = useTokens();
  const { right, bottom } = frame;
  const figures = { fill: t.soft, fontFamily: 'AtkinsonHyperlegibleMono_500Medium', fontSize: 13 } as const;
  return (
    <>
      {ticks(up.low, up.high, 4).map((value) => (
        <G key={value}>
          <Line
            x1={LEFT}
            x2={right}
            y1={frame.y(value)}
            y2={frame.y(value)}
            stroke={t.line}
            strokeWidth={1.5}
          />
          <Text x={LEFT - 7} y={frame.y(value) + 4.5} textAnchor="end" {...figures}>
            {plain(value, 5)}
          </Text>
        </G>
      ))}
      <Line x1={LEFT} x2={right} y1={bottom} y2={bottom} stroke={t.ink} strokeWidth={2} />
      {ticks(across.low, across.high, 5).map((value) => (
        <G key={value}>
          <Line
            x1={frame.x(value)}
            x2={frame.x(value)}
            y1={bottom}
            y2={bottom + 5}
            stroke={t.ink}
            strokeWidth={1.5}
          />
          <Text x={frame.x(value)} y={bottom + 19} textAnchor="middle" {...figures}>
            {plain(value, 5)}
          </Text>
        </G>
      ))}
      <Text x={8} y={15} {...figures}>
        {up.unit}
      </Text>
      <Text x={right} y={height - 5} textAnchor="end" {...figures}>
        {across.unit}
      </Text>
    </>
  );
}

/** A share of the sheet's width, from top to bottom. */
export function Strip({
  frame,
  from,
  to,
  fill,
  words,
  ink,
}: {
  frame: Frame;
  from: number;
  to: number;
  fill: string;
  words?: string;
  ink?: string;
}) {
  const [left, right] = [Math.max(frame.left, frame.x(from)), Math.min(frame.right, frame.x(to))];
  if (right - left < 0.5) return null;
  return (
    <G>
      <Rect x={left} y={frame.top} width={right - left} height={frame.bottom - frame.top} fill={fill} />
      {words && right - left > 14 && (
        <Text
          x={(left + right) / 2 + 4}
          y={frame.top + 12}
          fill={ink}
          fontFamily="AtkinsonHyperlegibleNext_600SemiBold"
          fontSize={13}
          textAnchor="end"
          transform={`rotate(-90 ${(left + right) / 2 + 4} ${frame.top + 12})`}
        >
          {words}
        </Text>
      )}
    </G>
  );
}

/** A row of places as a path. */
export const pathOf = (frame: Frame, points: readonly (readonly [x: number, y: number])[]): string =>
  points
    .filter(([x, y]) => Number.isFinite(x) && Number.isFinite(y))
    .map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${frame.x(x).toFixed(1)} ${frame.y(y).toFixed(1)}`)
    .join(' ');
