import { FONTS } from '../ui/fonts';
import { bandAt, courseThrough, hysteresisOf, switchedOver } from '@keypost/core/switching';
import type { PointOutput, Signal } from '@keypost/core/switching';
import type { Analysis } from '@keypost/core/analysis';
import { written } from '@keypost/core/units';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { scaleLinear } from 'd3-scale';
import Svg, { Line, Rect, Text as SvgText } from 'react-native-svg';
import { Axes, CHART } from '../drawing/Axes';
import type { Extent } from '../drawing/Axes';
import { Text } from '../ui/Text';
import { useTokens } from '../ui/theme';
import { Course, Cursor, LimitLine } from './chartParts';
import { LinksAt } from './LinksAt';
import { TimeSlider } from './TimeSlider';
import { clockText, endOf, timeScale, valueAt } from './times';

/** A threshold over a made-up course through it: value, points with their bands, and its output beneath. */
export function OutputChart({ analysis, found }: { analysis: Analysis; found: PointOutput }) {
  const { own, made, output } = found;
  const t = useTokens();
  const signal = useMemo(() => courseThrough(found), [found]);
  const limits = useMemo(
    () => limitsOf(found).map((limit) => ({ ...limit, band: bandAt(analysis, found, limit.on) })),
    [analysis, found],
  );
  const [share, setShare] = useState(0.5);
  const end = endOf(signal);
  const at = share * end;
  const { sensor } = made.chain;
  const { unit } = sensor;
  const [low, high] = [Math.min(sensor.low, sensor.high), Math.max(sensor.low, sensor.high)];
  const scale = timeScale(end);
  const across: Extent = { low: 0, high: end / scale.seconds, unit: scale.unit };
  const value = valueAt(signal, at);
  return (
    <View className="gap-2">
      <Text as="small">A made-up course through it and back; nothing of it was measured.</Text>
      <Axes
        label={`${output.name} over time; at ${clockText(at)} the value is ${written(value, 4)} ${unit}`}
        across={across}
        up={{ low, high: high + 0.04 * (high - low), unit }}
        height={236}
      >
        {(frame) => (
          <>
            {limits.map((limit) => (
              <LimitLine key={limit.name} frame={frame} {...limit} ink={t.ink} />
            ))}
            <Course frame={frame} signal={signal} seconds={scale.seconds} />
            <Cursor frame={frame} x={at / scale.seconds} y={value} />
          </>
        )}
      </Axes>
      <OutputLane own={own} signal={signal} at={at} across={across} seconds={scale.seconds} />
      <TimeSlider at={at} end={end} onChange={(to) => setShare(to / end)} />
      <LinksAt made={made} value={value} />
    </View>
  );
}

/** Its lines: on and off again, or both ends of a window with what lies beyond them. */
function limitsOf({ own: { mode } }: PointOutput) {
  if (mode.kind === 'points') {
    const up = mode.set > mode.reset;
    return [{ name: `${up ? '↑' : '↓'} on`, on: mode.set, back: mode.reset, above: up }];
  }
  const beyond = hysteresisOf(mode);
  return [
    { name: 'to', on: mode.high, back: mode.high + beyond, above: true },
    { name: 'from', on: mode.low, back: mode.low - beyond, above: false },
  ];
}

/** Its output under the chart and on its axis: full while it is on. */
function OutputLane({
  own,
  signal,
  at,
  across,
  seconds,
}: {
  own: PointOutput['own'];
  signal: Signal;
  at: number;
  across: Extent;
  seconds: number;
}) {
  const t = useTokens();
  const end = endOf(signal);
  const stretches = useMemo(() => switchedOver(own, signal), [own, signal]);
  const x = scaleLinear([across.low, across.high], [CHART.left, CHART.wide - CHART.right]);
  const isOn = stretches.some(({ from, to }) => at >= from && at < to);
  return (
    <Svg
      viewBox={`0 0 ${CHART.wide} 34`}
      width="100%"
      style={{ aspectRatio: CHART.wide / 34 }}
      role="img"
      aria-label={`Its output is ${isOn ? 'on' : 'off'} at ${clockText(at)}`}
    >
      <Line x1={x(0)} x2={x(end / seconds)} y1={31} y2={31} stroke={t.line} strokeWidth={1.5} />
      <SvgText x={CHART.left + 2} y={12} fill={t.soft} fontFamily={FONTS.semi} fontSize={12.5}>
        {`Output ${isOn ? 'on' : 'off'}`}
      </SvgText>
      {stretches.map(({ from, to }) => (
        <Rect
          key={from}
          x={x(from / seconds)}
          y={16}
          width={Math.max(1.5, x(to / seconds) - x(from / seconds))}
          height={14}
          fill={t.ink}
        />
      ))}
      <Line x1={x(at / seconds)} x2={x(at / seconds)} y1={0} y2={34} stroke={t.ink} strokeWidth={1.8} />
    </Svg>
  );
}
