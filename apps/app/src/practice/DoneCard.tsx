import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { looksText, timeText } from '../fault/suspectText';
import { actText, seenText } from './actText';
import type { Play } from './useRound';

/** What was done so far, newest first, and what it cost. */
export function DoneCard({
  point,
  acts,
  seconds,
}: {
  point: OpenPoint;
  acts: Play['acts'];
  seconds: number;
}) {
  return (
    <Card
      title="Done so far"
      aside={<Text as="mono">{`${looksText(acts.length)}, ${timeText(seconds)}`}</Text>}
    >
      {acts.length === 0 && (
        <Row first>
          <Text as="soft">Nothing yet. Begin with what is seen without a tool.</Text>
        </Row>
      )}
      {[...acts].reverse().map(({ act, is }, i) => {
        const { what, state } = actText(point, act);
        return (
          <Row key={acts.length - i} first={i === 0} className="flex-row items-center gap-3 py-2">
            <View className="min-w-0 flex-1">
              <Text as="body">{what}</Text>
              <Text as="small">{state}</Text>
            </View>
            <Text as="number">{seenText(point, act.kind, is)}</Text>
          </Row>
        );
      })}
    </Card>
  );
}
