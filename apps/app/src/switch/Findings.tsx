import { textOf } from '@keypost/core/messages';
import { wayText } from '@keypost/core/switching';
import type { LadderFinding } from '@keypost/core/switching';
import { View } from 'react-native';
import { Card, Row } from '../ui/Card';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';

/** What is wrong with a ladder, each with what happens on the way there; or that nothing was found. */
export function Findings({ findings, unit }: { findings: readonly LadderFinding[]; unit: string }) {
  return (
    <Card title="Checked whole" aside={<Text as="small">every state, every order</Text>}>
      <View role="status" aria-label="What the check found">
        {findings.length === 0 ? (
          <Row first className="flex-row items-center gap-3">
            <StatusIcon kind="proven" size={22} />
            <Text as="body" className="min-w-0 flex-1">
              Nothing found. It says that the levels fit together, not that their limits are right for the
              plant.
            </Text>
          </Row>
        ) : (
          findings.map(({ sentence, way }, i) => (
            <Row key={i} first={i === 0} className="flex-row gap-3">
              <StatusIcon kind="cannot" size={22} />
              <View className="min-w-0 flex-1 gap-1">
                <Text as="strong">{textOf(sentence)}</Text>
                {way.length > 0 && (
                  <Text as="small">{`So it comes: ${wayText(way, unit)
                    .map((step) => textOf(step))
                    .join(', then ')}.`}</Text>
                )}
              </View>
            </Row>
          ))
        )}
      </View>
    </Card>
  );
}
