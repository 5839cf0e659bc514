import { lookText } from '@keypost/core/fault';
import type { Dictionary, Look, Seen } from '@keypost/core/fault';
import { textOf } from '@keypost/core/messages';
import { Pressable, View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { indicatorText, readText } from './suspectText';

/** What was seen so far; each can be taken back, and what no suspect explains is to be looked at again. */
export function SeenCard({
  point,
  dictionary,
  seen,
  odd,
  onDrop,
}: {
  point: OpenPoint;
  dictionary: Dictionary;
  seen: readonly Seen[];
  odd: readonly number[];
  onDrop: (look: number) => void;
}) {
  if (!seen.length) return null;
  return (
    <Card title="Seen so far" aside={<Text as="mono">{String(seen.length)}</Text>}>
      {seen.map(({ look, is }, i) => {
        const one = dictionary.looks[look];
        if (!one) return null;
        const { what, state } = lookText(point.analysis, one);
        const name = textOf(what);
        return (
          <Row key={one.id} first={i === 0} className="flex-row items-center gap-3 py-2">
            <View className="min-w-0 flex-1">
              <Text as="body">{name}</Text>
              <Text as="small">{textOf(state)}</Text>
              {odd.includes(look) && <Text as="fail">No suspect explains this: look again.</Text>}
            </View>
            <Text as="number">{shownText(one, is)}</Text>
            <Pressable
              role="button"
              aria-label={`Take back: ${name}, ${textOf(state)}`}
              onPress={() => onDrop(look)}
              className="min-h-[48px] min-w-[48px] items-center justify-center"
            >
              <Text as="small" className="text-accent underline">
                Take back
              </Text>
            </Pressable>
          </Row>
        );
      })}
    </Card>
  );
}

const shownText = (look: Look, is: Seen['is']): string =>
  typeof is === 'number' ? readText(look, is) : indicatorText(look.kind, is);
