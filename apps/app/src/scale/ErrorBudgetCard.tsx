import { refusalText } from '../data/refusalText';
import { textOf } from '@keypost/core/messages';
import { budgetAt } from '@keypost/core/scaling';
import { JobProblem } from '@keypost/core/model';
import { written } from '@keypost/core/units';
import { useMemo } from 'react';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { useTokens } from '../ui/theme';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import type { ChainMoment } from '../chain/useChain';

/** From what the error at this value comes, the largest first; all at their worst, and as a root of squares. */
export function ErrorBudgetCard({ point, moment }: { point: OpenPoint; moment: ChainMoment }) {
  const { edge, accent } = useTokens();
  const value = moment.state.rows.value.value;
  const budget = useMemo(() => {
    try {
      return budgetAt(point.analysis, moment.made, value);
    } catch (error) {
      if (error instanceof JobProblem) return refusalText(error);
      throw error;
    }
  }, [point.analysis, moment.made, value]);
  if (typeof budget === 'string')
    return (
      <Card title="Error budget">
        <Row first>
          <Text as="fail">{budget}</Text>
        </Row>
      </Card>
    );
  const { unit, contributions, largest } = budget;
  const of = (error: number, percent: number): string =>
    `±${written(error, 3)}\u00a0${unit}, ${written(percent, 2)}\u00a0%`;
  return (
    <Card title="Error budget">
      <Row first className="gap-1">
        <Line label="Worst case" value={of(budget.worst, budget.worstPercent)} />
        <Line label="Root of squares" value={of(budget.rootSumSquare, budget.rootSumSquarePercent)} />
        {largest && (
          <Text as="small">{`The largest is ${textOf(largest.label).toLowerCase()}: ${textOf(largest.from)}.`}</Text>
        )}
      </Row>
      {contributions.map(({ key, label, from, plusMinus }) => (
        <Row key={key} className="gap-1 py-2">
          <View className="flex-row flex-wrap items-baseline justify-between gap-2">
            <Text as="body">{textOf(label)}</Text>
            <Text as="number">{`±${written(plusMinus, 2)}\u00a0${unit}`}</Text>
          </View>
          <View style={{ height: 5, borderRadius: 3, backgroundColor: edge }}>
            <View
              style={{
                height: 5,
                borderRadius: 3,
                backgroundColor: accent,
                width: `${(100 * plusMinus) / (largest?.plusMinus ?? plusMinus)}%`,
              }}
            />
          </View>
          <Text as="small">{textOf(from)}</Text>
        </Row>
      ))}
    </Card>
  );
}

function Line({ label, value }: { label: string; value: string }) {
  return (
    <View className="flex-row flex-wrap items-baseline justify-between gap-x-2">
      <Text as="strong">{label}</Text>
      <Text as="number">{value}</Text>
    </View>
  );
}
