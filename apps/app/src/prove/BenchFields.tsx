import { Field } from '../ui/Field';
import { Notice } from '../ui/Notice';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';
import type { useBench } from './useBench';

/** Where a source on the bench answers, and what it said last. */
export function BenchFields({
  bench: { typed, simulated, change, given, problem },
}: {
  bench: ReturnType<typeof useBench>;
}) {
  const source = Object.values(given).at(-1)?.source;
  return (
    <Plate title="Bench source">
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
        {source && <Words as="small">{`Last answer from ${source}.`}</Words>}
        {problem && <Notice>{problem}</Notice>}
      </Row>
    </Plate>
  );
}
