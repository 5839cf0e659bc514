import { takesAc } from '@keypost/core/job';
import { textOf } from '@keypost/core/messages';
import { inputVocabulary, relayedRuleFor, ruleFor, senseOf } from '@keypost/core/network';
import type { OpenPoint } from '../point/usePoint';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** The rule of landing for this device on this input. */
export function RuleCard({ point: { analysis } }: { point: OpenPoint }) {
  const { context } = analysis;
  const sense = senseOf(context);
  const relayed = relayedRuleFor(context);
  const { place, port, rail } = context;
  // Sink and source are words of direct current.
  const words = place && sense && !(port && takesAc(port)) && inputVocabulary(rail, sense);
  return (
    <Card title="The rule">
      <Row first>
        <Text as="body">{textOf(ruleFor(context))}</Text>
        {relayed && (
          <Text as="body" className="pt-2">
            {textOf(relayed)}
          </Text>
        )}
      </Row>
      {words && (
        <Row>
          <Text as="body">{`${textOf(words.byCurrent)}.`}</Text>
          <Text as="small" className="pt-1">{`Other words: ${textOf(words.bySensor)}.`}</Text>
        </Row>
      )}
    </Card>
  );
}
