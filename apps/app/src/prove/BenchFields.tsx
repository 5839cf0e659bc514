import { Field } from '../ui/Field';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import type { useBench } from '../chain/useBench';

/** Where a source on the bench answers, and what it said last. */
export function BenchFields({
  bench: { typed, simulated, change, given, problem },
}: {
  bench: ReturnType<typeof useBench>;
}) {
  const source = Object.values(given).at(-1)?.source;
  return (
    <Card title="Bench source">
      <Row first className="gap-3">
        <Field
          label="It answers at"
          value={typed}
          onChange={change}
          placeholder={simulated ?? '192.168.10.60:5025'}
          hint={
            simulated && typed.trim() === ''
              ? 'a simulated source of the demo; nothing real is connected'
              : 'SCPI over TCP; empty for none'
          }
          mono
        />
        {source && <Text as="small">{`Last answer from ${source}.`}</Text>}
        {problem && <Notice>{problem}</Notice>}
      </Row>
    </Card>
  );
}
