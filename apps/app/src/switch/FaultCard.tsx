import { textOf } from '@keypost/core/messages';
import type { PointLadder } from '@keypost/core/switching';
import { written } from '@keypost/core/units';
import { View } from 'react-native';
import { Card, Row } from '../ui/Card';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';

/** What each fault of the wiring comes to, worked out from the circuit; those that are not safe first. */
export function FaultCard({ found: { outcomes, unsafe, unit } }: { found: PointLadder }) {
  const sorted = [...outcomes].sort((a, b) => Number(a.safe) - Number(b.safe));
  if (!sorted.length) return null;
  return (
    <Card title="With a fault of the wiring" aside={<Text as="small">from the circuit</Text>}>
      {unsafe.map(({ sentence }, i) => (
        <Row key={i} first className="bg-failwash">
          <Text as="strong" className="text-fail">
            {textOf(sentence)}
          </Text>
        </Row>
      ))}
      {sorted.map(({ fault: { what, input, inputUnit, taken, seen, value }, comes, safe }, i) => (
        <Row key={textOf(what)} first={i === 0 && !unsafe.length} className="flex-row gap-3 py-2">
          <StatusIcon
            kind={safe ? 'proven' : 'cannot'}
            size={20}
            label={safe ? 'safe side' : 'not on the safe side'}
          />
          <View className="min-w-0 flex-1">
            <Text as="body">{textOf(what)}</Text>
            <Text as="small">
              {[
                input === undefined ? '' : `${written(Math.abs(input) < 0.005 ? 0 : input, 4)} ${inputUnit}`,
                seen
                  ? textOf(taken)
                  : value === undefined
                    ? textOf(taken)
                    : `reads ${written(value, 3)} ${unit}`,
                comes.length
                  ? `${comes.join(', ')} ${comes.length === 1 ? 'comes' : 'come'}`
                  : 'nothing comes',
              ]
                .filter(Boolean)
                .join(', ')}
            </Text>
          </View>
        </Row>
      ))}
      <Row>
        <Text as="small">
          A value that stands still is seen by no limit: compare it with another, or watch that it moves.
        </Text>
      </Row>
    </Card>
  );
}
