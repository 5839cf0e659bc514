import { refusalText } from '../data/refusalText';
import { chainOf } from '@keypost/core/scaling';
import { written } from '@keypost/core/units';
import type { Sweep } from '@keypost/core/scaling';
import { View } from 'react-native';
import { Path } from 'react-native-svg';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { useTokens } from '../ui/theme';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { useTask } from '../workers/useTask';
import { Axes, bandOf, pathOf } from '../drawing/Axes';
import { grouped } from '../chain/chainText';
import { Working } from '../chain/Working';

/** Goes through the chain count by count, with its error band. */
export function SweepCard({ point }: { point: OpenPoint }) {
  const task = useTask('sweep');
  const made = chainOf(point.analysis);
  if (!made || 'problem' in made) return null;
  const { format } = made.chain.converter;
  const all = Math.floor((format.max - format.min) / format.step) + 1;
  const pointId = point.analysis.context.point.id;
  return (
    <Card title="The chain, count by count">
      <Row first className="gap-3">
        {task.busy ? (
          <Working count={task.count} all={all} onStop={task.cancel} />
        ) : (
          <Button
            label={`Go through ${grouped(all)} counts`}
            onPress={() => task.start({ job: point.view.content, pointId })}
          />
        )}
        {task.error && <Notice>{refusalText(task.error)}</Notice>}
        {task.answer && (
          <Swept sweep={task.answer} unit={made.chain.controller.unit} label={made.chain.display.label} />
        )}
      </Row>
    </Card>
  );
}

function Swept({
  sweep: { points, shown, largestStep, turnsAt, worst },
  unit,
  label,
}: {
  sweep: Sweep;
  unit: string;
  label: string;
}) {
  const t = useTokens();
  const values = points
    .flatMap(({ value, plusMinus }) => [value - plusMinus, value + plusMinus])
    .filter(Number.isFinite);
  const counts = points.map((p) => p.counts);
  const edge = (sign: 1 | -1) => points.map((p) => [p.counts, p.value + sign * p.plusMinus] as const);
  return (
    <View className="gap-1" role="status" aria-label="What the sweep found">
      <Axes
        label="Value over counts with its error band"
        across={{ low: Math.min(...counts), high: Math.max(...counts), unit: 'counts' }}
        up={{ low: Math.min(...values), high: Math.max(...values), unit }}
        height={210}
      >
        {(frame) => (
          <>
            <Path d={bandOf(frame, edge(1), edge(-1))} fill={t.accent} opacity={0.25} />
            <Path
              d={pathOf(
                frame,
                points.map((p) => [p.counts, p.value]),
              )}
              stroke={t.accent}
              strokeWidth={2.5}
              fill="none"
            />
          </>
        )}
      </Axes>
      <Text as="body">{`${label} can show ${grouped(shown)} different numbers.`}</Text>
      <Text as="body">{`Largest step from one count to the next: ${written(largestStep.size, 3)} ${unit}, at ${grouped(largestStep.at)}.`}</Text>
      <Text as="body">{`Largest error: ±${written(worst.plusMinus, 3)} ${unit}, at ${grouped(worst.at)}.`}</Text>
      {turnsAt !== undefined && (
        <Text as="fail">{`At ${grouped(turnsAt)} the value goes back while the counts rise.`}</Text>
      )}
    </View>
  );
}
