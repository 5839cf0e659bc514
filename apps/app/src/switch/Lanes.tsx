import { FONTS } from '../ui/fonts';
import { isPassedOver, isProtective } from '@keypost/core/switching';
import type { Level } from '@keypost/core/switching';
import { scaleLinear } from 'd3-scale';
import Svg, { G, Line, Rect, Text } from 'react-native-svg';
import { CHART } from '../drawing/Axes';
import type { Extent } from '../drawing/Axes';
import { useTokens } from '../ui/theme';
import type { LadderView } from './ladderView';
import { endOf } from './times';

const { wide: WIDE, left: LEFT, right: RIGHT } = CHART;
const LANE = 34;

/** One stretch of a lane in which a level stands alike. */
interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly stands: 'waits' | 'acts' | 'kept' | 'passed';
}

/** A lane for each level, under the chart and on its axis: a frame while it waits, full while it acts, half while it is kept. */
export function Lanes({
  ladder,
  frames,
  signal,
  at,
  across,
  seconds,
}: LadderView & { across: Extent; seconds: number }) {
  const t = useTokens();
  const end = endOf(signal);
  const x = scaleLinear([across.low, across.high], [LEFT, WIDE - RIGHT]);
  const height = LANE * ladder.levels.length + 4;
  return (
    <Svg
      viewBox={`0 0 ${WIDE} ${height}`}
      width="100%"
      style={{ aspectRatio: WIDE / height }}
      role="img"
      aria-label={`When each level waits, acts and is kept: ${ladder.levels.map(({ name }) => name).join(', ')}`}
    >
      {ladder.levels.map((level, i) => {
        const y = i * LANE;
        const ink = isProtective(level) ? t.fail : t.ink;
        return (
          <G key={level.id}>
            <Line x1={LEFT} x2={WIDE - RIGHT} y1={y + 31} y2={y + 31} stroke={t.line} strokeWidth={1.5} />
            <Text x={LEFT + 2} y={y + 12} fill={t.soft} fontFamily={FONTS.semi} fontSize={12.5}>
              {level.name}
            </Text>
            {stretches(frames, level, i, end).map((stretch) => (
              <Bar key={stretch.from} {...stretch} x={(s) => x(s / seconds)} y={y + 16} ink={ink} />
            ))}
          </G>
        );
      })}
      <Line x1={x(at / seconds)} x2={x(at / seconds)} y1={0} y2={height} stroke={t.ink} strokeWidth={1.8} />
    </Svg>
  );
}

function Bar({
  from,
  to,
  stands,
  x,
  y,
  ink,
}: Stretch & { x: (seconds: number) => number; y: number; ink: string }) {
  const [left, width] = [x(from), Math.max(1.5, x(to) - x(from))];
  if (stands === 'waits' || stands === 'passed')
    return (
      <Rect
        x={left}
        y={y + 1}
        width={width}
        height={12}
        fill="none"
        stroke={ink}
        strokeWidth={1.6}
        {...(stands === 'passed' && { strokeDasharray: '2 4' })}
      />
    );
  return (
    <Rect
      x={left}
      y={stands === 'acts' ? y : y + 8}
      width={width}
      height={stands === 'acts' ? 14 : 6}
      fill={ink}
    />
  );
}

/** How one level stands along the frames, alike stretches as one. */
function stretches(frames: LadderView['frames'], own: Level, i: number, end: number): Stretch[] {
  const found: { from: number; to: number; stands: Stretch['stands'] }[] = [];
  frames.forEach(({ at, levels, bypassed }, n) => {
    const level = levels[i];
    const to = frames[n + 1]?.at ?? end;
    if (!level || (!level.on && !level.called) || to <= at) return;
    const stands = !level.on
      ? 'waits'
      : isPassedOver(own, bypassed)
        ? 'passed'
        : level.called
          ? 'acts'
          : 'kept';
    const last = found.at(-1);
    if (last && last.to === at && last.stands === stands) last.to = to;
    else found.push({ from: at, to, stands });
  });
  return found;
}
