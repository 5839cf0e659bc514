import { View } from 'react-native';
import { StatusIcon } from '../ui/StatusIcon';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** Everything that would not work, a sentence each. */
export function FaultList({
  title,
  faults,
  clear,
}: {
  title: string;
  faults: readonly string[];
  clear: string;
}) {
  return (
    <Card title={title} aside={<StatusIcon kind={faults.length ? 'failed' : 'proven'} size={22} />}>
      <View role="list" aria-label={title}>
        {faults.length === 0 && (
          <Row first>
            <Text as="body">{clear}</Text>
          </Row>
        )}
        {faults.map((sentence, i) => (
          <Row key={sentence} first={i === 0}>
            <View role="listitem">
              <Text as="body">{sentence}</Text>
            </View>
          </Row>
        ))}
      </View>
    </Card>
  );
}
