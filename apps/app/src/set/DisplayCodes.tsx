import { nth } from '@keypost/core/lists';
import { useState } from 'react';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** What a point's device shows instead of a value: what that means, and where to look. */
export function DisplayCodes({ point }: { point: OpenPoint }) {
  const { index, analysis } = point;
  const { device } = analysis.context;
  const { codes = [] } = index.deviceType(device).handling ?? {};
  const [shown, setShown] = useState(false);
  if (codes.length === 0) return null;
  const least = nth(codes, 0).shows;
  return (
    <Card title={`When ${device.tag} shows no value`}>
      {shown ? (
        <View role="list" aria-label={`What ${device.tag} may show`}>
          {codes.map(({ shows, means, look }, i) => (
            <View role="listitem" key={shows}>
              <Row first={i === 0} className="gap-1">
                <Text as="strong">{shows}</Text>
                <Text as="small" className="text-ink">{`Means: ${means}.`}</Text>
                <Text as="small">{look}</Text>
              </Row>
            </View>
          ))}
        </View>
      ) : (
        <Row first className="gap-3">
          <Text as="small">{`“${least}” and ${codes.length - 1} others: what each means, and where to look. Its manual has the numbers.`}</Text>
          <Button label="Show them" onPress={() => setShown(true)} />
        </Row>
      )}
    </Card>
  );
}
