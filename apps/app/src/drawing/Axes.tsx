import { FONTS } from '../ui/fonts';
import { written } from '@keypost/core/units';
import { scaleLinear } from 'd3-scale';
import type { ScaleLinear } from 'd3-scale';
import { curveLinearClosed, line } from 'd3-shape';
import type { ReactNode } from 'react';
import Svg, { ClipPath, Defs, G, Line, Rect, Text } from 'react-native-svg';
import { useTokens } from '../ui/theme';

/** Where numbers lie on the sheet of a chart. */
export interface Frame {
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
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
/** The sheet of a chart: what stands beneath it keeps to the same edges. */
export const CHART = { wide: WIDE, left: LEFT, right: RIGHT };
const TOP = 26;
const BOTTOM = 40;

function frameOf(across: Extent, up: Extent, height: number): Frame {
  const bottom = height - BOTTOM;
  const right = WIDE - RIGHT;
  return {
    x: scaleLinear([across.low, across.high], [LEFT, right]),
    y: scaleLinear([up.low, up.high], [bottom, TOP]),
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
      <Grid frame={frame} unit={across.unit} upUnit={up.unit} height={height} />
      {children(frame)}
    </Svg>
  );
}

/** What is drawn within the sheet, cut off at its edges. */
export function Clipped({ frame, id, children }: { frame: Frame; id: string; children: ReactNode }) {
  return (
    <>
      <Defs>
        <ClipPath id={id}>
          <Rect
            x={frame.left}
            y={frame.top - 4}
            width={frame.right - frame.left}
            height={frame.bottom - frame.top + 4}
          />
        </ClipPath>
      </Defs>
      <G clipPath={`url(#${id})`}>{children}</G>
    </>
  );
}

/** Lines and figures of both axes. */
function Grid({
  frame,
  unit,
  upUnit,
  height,
}: {
  frame: Frame;
  unit: string;
  upUnit: string;
  height: number;
}) {
  const t = useTokens();
  const { right, bottom } = frame;
  const figures = { fill: t.soft, fontFamily: FONTS.figures, fontSize: 13 } as const;
  return (
    <>
      {frame.y.ticks(4).map((value) => (
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
            {written(value, 5)}
          </Text>
        </G>
      ))}
      <Line x1={LEFT} x2={right} y1={bottom} y2={bottom} stroke={t.ink} strokeWidth={2} />
      {frame.x.ticks(5).map((value) => (
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
            {written(value, 5)}
          </Text>
        </G>
      ))}
      <Text x={8} y={15} {...figures}>
        {upUnit}
      </Text>
      <Text x={right} y={height - 5} textAnchor="end" {...figures}>
        {unit}
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
          fontFamily={FONTS.semi}
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

type Places = readonly (readonly [x: number, y: number])[];

const lineIn = (frame: Frame) =>
  line<Places[number]>(
    ([x]) => frame.x(x),
    ([, y]) => frame.y(y),
  );

const whole = (places: Places): Places => places.filter(([x, y]) => Number.isFinite(x) && Number.isFinite(y));

/** A row of places as a path. */
export const pathOf = (frame: Frame, places: Places): string => lineIn(frame)(whole(places)) ?? '';

/** What lies between two rows of places, as a closed path. */
export const bandOf = (frame: Frame, upper: Places, lower: Places): string =>
  lineIn(frame).curve(curveLinearClosed)(whole([...upper, ...[...lower].reverse()])) ?? '';
