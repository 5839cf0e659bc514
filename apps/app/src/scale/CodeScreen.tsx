import { refusalText } from '../data/refusalText';
import { textOf } from '@keypost/core/messages';
import {
  blockParameters,
  codeRequest,
  plcCode,
  plcOpenXml,
  pointProgram,
  printProgram,
  unfitNumbers,
} from '@keypost/core/scaling';
import { JobProblem } from '@keypost/core/model';
import type { CodeKind, CodeRequest, PointChain } from '@keypost/core/scaling';
import { useMemo, useState } from 'react';
import type { OpenPoint } from '../point/usePoint';
import { RadioGroup } from '../ui/RadioGroup';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { ExecutionCard } from './ExecutionCard';
import { SweepCard } from './SweepCard';
import { CodeCard } from '../chain/CodeCard';
import { ChainSubPage } from '../chain/ChainSubPage';
import { now } from '../data/now';

const KINDS: readonly { value: CodeKind; label: string; hint: string }[] = [
  { value: 'REAL', label: 'REAL', hint: 'single precision' },
  { value: 'LREAL', label: 'LREAL', hint: 'double precision' },
  { value: 'safe', label: 'Integer, safe', hint: 'rounded, no overflow' },
  { value: 'naive32', label: 'Integer, 32 bit', hint: 'as often written' },
  { value: 'naive16', label: 'Integer, 16 bit', hint: 'as often written' },
];

/** Code for the controller: text, files, and what it does at every count. */
export function CodeScreen() {
  return (
    <ChainSubPage title="Code for the controller">
      {(point, { made }) => <Code point={point} made={made} />}
    </ChainSubPage>
  );
}

function Code({ point, made }: { point: OpenPoint; made: PointChain }) {
  const [kind, setKind] = useState<CodeKind>('REAL');
  const { tag } = point.analysis.context.point;
  const request = useMemo(() => codeRequest(tag, made), [made, tag]);
  const block = blockParameters(request);
  return (
    <>
      <RadioGroup label="Kind" value={kind} onChange={setKind} options={KINDS} />
      <TextCard request={request} kind={kind} name={point.view.content.name} />
      <ExecutionCard key={kind} request={request} kind={kind} />
      <SweepCard point={point} />
      <Card title="Parameters of a scaling block">
        {!block && (
          <Row first>
            <Text as="body">
              A ready block scales along one straight line. This point has a table in force: use the code
              above.
            </Text>
          </Row>
        )}
        {block?.map(({ name, value }, i) => (
          <Row
            key={textOf(name)}
            first={i === 0}
            className="flex-row items-baseline justify-between gap-3 py-2"
          >
            <Text as="body">{textOf(name)}</Text>
            <Text as="number">{value}</Text>
          </Row>
        ))}
      </Card>
    </>
  );
}

function TextCard({ request, kind, name }: { request: CodeRequest; kind: CodeKind; name: string }) {
  const made = useMemo(() => {
    try {
      const program = pointProgram(request, kind);
      return { text: printProgram(program), program, unfit: unfitNumbers(plcCode(request, kind)) };
    } catch (error) {
      if (error instanceof JobProblem) return refusalText(error);
      throw error;
    }
  }, [request, kind]);
  if (typeof made === 'string') return <Notice>{made}</Notice>;
  return (
    <CodeCard
      title={`Scaling of ${request.tag}`}
      file={`${request.tag} ${kind}`}
      text={made.text}
      unfit={made.unfit}
      xml={() => plcOpenXml(name, made.program, now())}
    />
  );
}
