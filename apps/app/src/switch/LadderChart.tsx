import { isProtective, turnsOf } from '@keypost/core/switching';
import type { Level, Signal } from '@keypost/core/switching';
import { written } from '@keypost/core/units';
import { useMemo } from 'react';
import { Circle, ClipPath, Defs, G, Line, Path, Rect, Text } from 'react-native-svg';
import { Axes, pathOf, Strip } from '../drawing/Axes';
import type { Extent, Frame } from '../drawing/Axes';
import { Text as Label } from '../ui/Text';
import { useTokens } from '../ui/theme';
import { Lanes } from './Lanes';
import { clockText, timeScale, valueAt } from './times';
import type { LadderView } from './ladderView';

/** Course, limits with their bands and hysteresis, and what each level does of it, over one axis of time. */
export function LadderChart(view: LadderView) {
  const { ladder, unit, signal, at } = view;
  const end = signal.at[signal.at.length - 1] ?? 1;
  const scale = timeScale(end);
  const across: Extent = { low: 0, high: end / scale.seconds, unit: scale.unit };
  const { low, high } = ladder.range;
  const value = valueAt(signal, at);
  return (
    <>
      <Axes
        label={`The value over time with ${ladder.levels.map(({ name, limit }) => `${name} at ${written(limit, 4)} ${unit}`).join(', ')}; at ${clockText(at)} it is ${written(value, 4)} ${unit}`}
        across={across}
        up={{ low, high: high + 0.04 * (high - low), unit }}
        height={262}
        behind={(frame) => <Faults frame={frame} signal={signal} seconds={scale.seconds} />}
      >
        {(frame) => (
          <>
            {ladder.levels.map((level) => (
              <Limit key={level.id} frame={frame} level={level} band={view.bandOf(level.limit)} />
            ))}
            <Course frame={frame} signal={signal} seconds={scale.seconds} />
            <Cursor frame={frame} x={at / scale.seconds} y={value} />
          </>
        )}
      </Axes>
      <Lanes {...view} across={across} seconds={scale.seconds} />
      <Label as="small">A frame: it waits. Full: it acts. Half: kept though nothing calls for it.</Label>
    </>
  );
}

/** Where there is nothing to measure. */
function Faults({ frame, signal, seconds }: { frame: Frame; signal: Signal; seconds: number }) {
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

/** A limit as a line, the band in which it truly lies, and how far the value must come back. */
function Limit({ frame, level, band }: { frame: Frame; level: Level; band: number }) {
  const t = useTokens();
  const { on, back } = turnsOf(level);
  const ink = isProtective(level) ? t.fail : t.ink;
  const y = frame.y(on);
  const clamp = (at: number): number => Math.min(frame.bottom, Math.max(frame.top, at));
  const [top, foot] = [clamp(frame.y(on + band)), clamp(frame.y(on - band))];
  const [from, to] = [clamp(Math.min(y, frame.y(back))), clamp(Math.max(y, frame.y(back)))];
  if (y < frame.top - 6 || y > frame.bottom + 1) return null;
  return (
    <G>
      <Rect
        x={frame.left}
        y={from}
        width={frame.right - frame.left}
        height={to - from}
        fill={ink}
        opacity={0.09}
      />
      <Rect
        x={frame.left}
        y={top}
        width={frame.right - frame.left}
        height={foot - top}
        fill={ink}
        opacity={0.16}
      />
      <Line x1={frame.left} x2={frame.right} y1={y} y2={y} stroke={ink} strokeWidth={2.2} />
      <Line
        x1={frame.left}
        x2={frame.right}
        y1={clamp(frame.y(back))}
        y2={clamp(frame.y(back))}
        stroke={ink}
        strokeWidth={1.4}
        strokeDasharray="2 5"
      />
      <Text
        x={frame.left + 6}
        y={level.direction === 'above' ? y - 5 : y + 15}
        fill={ink}
        fontFamily="AtkinsonHyperlegibleNext_600SemiBold"
        fontSize={13.5}
      >
        {`${level.direction === 'above' ? '↑' : '↓'} ${level.name}`}
      </Text>
    </G>
  );
}

/** The value, left open where there is nothing to measure. */
function Course({ frame, signal, seconds }: { frame: Frame; signal: Signal; seconds: number }) {
  const t = useTokens();
  const pieces = useMemo(() => piecesOf(signal), [signal]);
  return (
    <>
      <Defs>
        <ClipPath id="course">
          <Rect
            x={frame.left}
            y={frame.top - 4}
            width={frame.right - frame.left}
            height={frame.bottom - frame.top + 4}
          />
        </ClipPath>
      </Defs>
      <G clipPath="url(#course)">
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
      </G>
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

function Cursor({ frame, x, y }: { frame: Frame; x: number; y: number }) {
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
