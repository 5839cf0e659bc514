import { besideRules } from '@keypost/core/fault';
import { textOf } from '@keypost/core/messages';
import { useMemo } from 'react';
import type { OpenPoint } from '../point/usePoint';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** What no circuit shows: how it looks, and the check that confirms it. */
export function BesideCard({ point: { analysis } }: { point: OpenPoint }) {
  const rules = useMemo(() => besideRules(analysis), [analysis]);
  if (!rules.length) return null;
  return (
    <Card title="Beside the circuit">
      {rules.map(({ id, looks, confirm }, i) => (
        <Row key={id} first={i === 0} className="gap-0.5">
          <Text as="strong">{textOf(looks)}</Text>
          <Text as="small">{textOf(confirm)}</Text>
        </Row>
      ))}
    </Card>
  );
}
