import { View } from 'react-native';
import { Mark } from '../ui/Mark';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';

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
    <Plate title={title} aside={<Mark kind={faults.length ? 'failed' : 'proven'} size={22} />}>
      <View role="list" aria-label={title}>
        {faults.length === 0 && (
          <Row first>
            <Words as="body">{clear}</Words>
          </Row>
        )}
        {faults.map((sentence, i) => (
          <Row key={sentence} first={i === 0}>
            <View role="listitem">
              <Words as="body">{sentence}</Words>
            </View>
          </Row>
        ))}
      </View>
    </Plate>
  );
}
