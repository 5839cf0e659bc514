import { chainOf } from '@keypost/core/scaling';
import { injectionSummary } from '@keypost/core/proving';
import { written } from '@keypost/core/units';
import type { InjectionSummary } from '@keypost/core/proving';
import { View } from 'react-native';
import { Line, Path, Rect } from 'react-native-svg';
import type { OpenPoint } from '../point/usePoint';
import { Axes } from '../drawing/Axes';
import type { Frame } from '../drawing/Axes';
import { useTokens } from '../ui/theme';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** The errors of an injection over its range: rising, falling, and how far apart. */
export function ErrorChart({ point }: { point: OpenPoint }) {
  const { id } = point.analysis.context.point;
  const made = chainOf(point.analysis);
  if (!made || 'problem' in made) return null;
  const { low, high } = made.chain.sensor;
  const results = point.view.content.results.filter(({ pointId }) => pointId === id);
  const summary = injectionSummary(results, high - low);
  const points = summary.points.filter(({ place }) => place === 'controller');
  if (points.length === 0) return null;
  const max = Math.max(0.1, ...points.map(({ errorPercent }) => Math.abs(errorPercent))) * 1.25;
  return (
    <Card title="Errors at the controller">
      <Row first className="gap-1">
        <Axes
          label="Errors over the range, % of span"
          across={{ low: -5, high: 105, unit: '% of range' }}
          up={{ low: -max, high: max, unit: '% of span' }}
          height={200}
        >
          {(frame) => <Places frame={frame} points={points} />}
        </Axes>
        <Said summary={summary} />
      </Row>
    </Card>
  );
}

function Places({ frame, points }: { frame: Frame; points: InjectionSummary['points'] }) {
  const t = useTokens();
  return (
    <>
      <Line
        x1={frame.left}
        x2={frame.right}
        y1={frame.y(0)}
        y2={frame.y(0)}
        stroke={t.ink}
        strokeWidth={1.5}
      />
      {points.map(({ share, way, errorPercent, pass }) => {
        const [x, y] = [frame.x(share) + (way === 'up' ? -5 : 5), frame.y(errorPercent)];
        const colour = pass ? t.accent : t.fail;
        const tip = way === 'up' ? -6 : 6;
        return pass ? (
          <Path
            key={`${way}${share}`}
            d={`M${x - 5.5} ${y - tip} L${x + 5.5} ${y - tip} L${x} ${y + tip} Z`}
            fill={colour}
          />
        ) : (
          <Rect key={`${way}${share}`} x={x - 5} y={y - 5} width={10} height={10} fill={colour} />
        );
      })}
    </>
  );
}

function Said({ summary: { hysteresisPercent, repeatabilityPercent } }: { summary: InjectionSummary }) {
  return (
    <View className="gap-0.5">
      <Text as="small">▲ rising, ▼ falling, ■ failed</Text>
      {hysteresisPercent !== undefined && (
        <Text as="body">{`Hysteresis ${written(hysteresisPercent, 2)} % of span`}</Text>
      )}
      {repeatabilityPercent !== undefined && (
        <Text as="body">{`Repeatability ${written(repeatabilityPercent, 2)} % of span`}</Text>
      )}
    </View>
  );
}
