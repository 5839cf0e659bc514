import { FONTS } from '../ui/fonts';
import type { SerialPlan } from '@keypost/core/model';
import { useOwnWidth } from '../ui/useOwnWidth';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Rect, Text } from 'react-native-svg';
import { useTokens } from '../ui/theme';
import { Card } from '../ui/Card';

const STEP = 74;
const TOP = 34;
const PLUS = 26;
const MINUS = 50;

/** The line from one end to the other, downwards: two wires, units at their place, terminators as bridges, volts at rest. */
export function LineDrawing({ plan, volts }: { plan: SerialPlan; volts: ReadonlyMap<string, number> }) {
  const { width, box } = useOwnWidth();
  const t = useTokens();
  const height = TOP + STEP * Math.max(0, plan.units.length - 1) + 40;
  const end = TOP + STEP * Math.max(0, plan.units.length - 1);
  const figures = { fontFamily: FONTS.figures, fontSize: 13, fill: t.soft };
  return (
    <Card title="Along the cable">
      <View {...box}>
        {width > 0 && (
          <Svg
            width={width}
            height={height}
            role="img"
            aria-label={`The line: ${plan.units.map(({ tag }) => tag).join(', ')}`}
          >
            <Line x1={PLUS} y1={TOP} x2={PLUS} y2={end} stroke={t.ink} strokeWidth={4} />
            <Line x1={MINUS} y1={TOP} x2={MINUS} y2={end} stroke={t.ink} strokeWidth={4} />
            <Text x={PLUS} y={18} textAnchor="middle" {...figures} fill={t.ink}>
              +
            </Text>
            <Text x={MINUS} y={18} textAnchor="middle" {...figures} fill={t.ink}>
              −
            </Text>
            {plan.units.map((unit, i) => (
              <UnitMark
                key={unit.id}
                unit={unit}
                y={TOP + i * STEP}
                first={i === 0}
                width={width}
                volts={volts.get(unit.tag) ?? 0}
                bias={plan.bias?.at === unit.id ? `bias ${plan.bias.ohms} Ω` : ''}
              />
            ))}
          </Svg>
        )}
      </View>
    </Card>
  );
}

/** A unit on the line: its place on both wires, its terminator, its names and the volts that stand there at rest. */
function UnitMark({
  unit: { tag, unit, terminated, fromLastM, plusName },
  y,
  first,
  width,
  volts,
  bias,
}: {
  unit: SerialPlan['units'][number];
  y: number;
  first: boolean;
  width: number;
  volts: number;
  bias: string;
}) {
  const t = useTokens();
  const figures = { fontFamily: FONTS.figures, fontSize: 13, fill: t.soft };
  const ring = { r: 5.5, fill: t.plate, stroke: t.ink, strokeWidth: 2 };
  const notes = [
    unit === undefined ? '' : `unit ${unit}`,
    `+ is ${plusName}`,
    terminated ? '120 Ω' : '',
    bias,
  ];
  return (
    <G>
      {!first && <Text x={MINUS + 14} y={y - STEP / 2 + 5} {...figures}>{`${fromLastM} m`}</Text>}
      {terminated && (
        <Rect
          x={PLUS + 4}
          y={y + 9}
          width={MINUS - PLUS - 8}
          height={9}
          rx={2}
          fill={t.plate}
          stroke={t.ink}
          strokeWidth={2}
        />
      )}
      <Line x1={PLUS} y1={y} x2={86} y2={y} stroke={t.edge} strokeWidth={2} />
      <Circle cx={PLUS} cy={y} {...ring} />
      <Circle cx={MINUS} cy={y} {...ring} />
      <Text x={94} y={y + 5} fontFamily={FONTS.semi} fontSize={15} fill={t.ink}>
        {tag}
      </Text>
      <Text x={94} y={y + 23} {...figures}>
        {notes.filter(Boolean).join('  ')}
      </Text>
      <Text x={width - 14} y={y + 5} textAnchor="end" {...figures} fill={t.ink}>
        {`${volts.toFixed(2)} V`}
      </Text>
    </G>
  );
}
