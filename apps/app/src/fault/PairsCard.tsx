import type { Seen } from '@keypost/core/fault';
import { textOf } from '@keypost/core/messages';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { useTask } from '../workers/useTask';
import { ShareRow } from './ShareRow';

const SHOWN = 3;

/** Two things at once, where no single one explains all that was seen. */
export function PairsCard({ point, seen }: { point: OpenPoint; seen: readonly Seen[] }) {
  const { start, busy, answer, error } = useTask('pairs');
  const { id } = point.analysis.context.point;
  const look = () => start({ job: point.view.content, pointId: id, seen });
  return (
    <Card title="Two things at once">
      <Row first className="gap-3">
        <Text as="small">
          No single suspect explains all that was seen. Look again first at what stands out; if it is so, two
          things may be broken.
        </Text>
        <Button
          label={answer ? 'Work it out again' : 'Which two could it be'}
          waiting={busy}
          onPress={look}
        />
        {error && <Text as="fail">{error.message}</Text>}
      </Row>
      {answer && (
        <View role="list" aria-label="Pairs">
          {answer.slice(0, SHOWN).map(({ first, second, share }) => (
            <Row key={`${first.id} ${second.id}`}>
              <ShareRow text={textOf(first.what)} share={share}>
                <Text as="small">{`and: ${textOf(second.what)}`}</Text>
              </ShareRow>
            </Row>
          ))}
        </View>
      )}
    </Card>
  );
}
