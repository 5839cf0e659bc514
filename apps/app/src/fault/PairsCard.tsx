import type { Dictionary, Seen } from '@keypost/core/fault';
import { textOf } from '@keypost/core/messages';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { useTask } from '../workers/useTask';
import { ShareRow } from './ShareRow';
import { lookLabel } from './suspectText';

const SHOWN = 3;

interface Of {
  readonly point: OpenPoint;
  readonly dictionary: Dictionary;
  readonly onChoose: (look: number) => void;
}

/** Two things at once, where no single one explains all that was seen. */
export function PairsCard({ seen, ...of }: Of & { seen: readonly Seen[] }) {
  const { point } = of;
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
          {answer.pairs.slice(0, SHOWN).map(({ first, second, share, others }) => (
            <Row key={`${first.id} ${second.id}`}>
              <ShareRow text={textOf(first.what)} share={share}>
                <Text as="small">
                  {`and: ${textOf(second.what)}${others ? `, or ${others} more that nothing tells from it` : ''}`}
                </Text>
              </ShareRow>
            </Row>
          ))}
        </View>
      )}
      {answer?.next !== undefined && <Apart {...of} look={answer.next} />}
    </Card>
  );
}

/** The look that tells them apart. */
function Apart({ point, dictionary, look, onChoose }: Of & { look: number }) {
  const one = dictionary.looks[look];
  if (!one) return null;
  return (
    <Row>
      <Button
        label={`Tell them apart: ${lookLabel(point.analysis, one)}`}
        kind="main"
        onPress={() => onChoose(look)}
      />
    </Row>
  );
}
