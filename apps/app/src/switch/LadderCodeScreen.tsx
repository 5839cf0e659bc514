import { plcOpenXml, printProgram } from '@keypost/core/scaling';
import { FLAWS, ladderProgram } from '@keypost/core/switching';
import type { Flaw, LadderExecuted, PointLadder, RealType } from '@keypost/core/switching';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { CodeCard } from '../chain/CodeCard';
import { grouped } from '../chain/chainText';
import { Working } from '../chain/Working';
import { now } from '../data/now';
import { refusalText } from '../data/refusalText';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Notice } from '../ui/Notice';
import { RealTypes } from '../chain/RealTypes';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { useTask } from '../workers/useTask';
import { ladderHere } from './ladderHere';

/** The ladder as a function block, executed beside itself. */
export function LadderCodeScreen() {
  return (
    <PointSubPage title="Code of the alarms" of="switch">
      {(point) => <Code point={point} />}
    </PointSubPage>
  );
}

function Code({ point }: { point: OpenPoint }) {
  const [type, setType] = useState<RealType>('REAL');
  const found = useMemo(() => ladderHere(point), [point]);
  if (typeof found === 'string') return <Notice>{found}</Notice>;
  return <Written point={point} found={found} type={type} onType={setType} />;
}

function Written({
  point,
  found: { ladder, unit, findings },
  type,
  onType,
}: {
  point: OpenPoint;
  found: PointLadder;
  type: RealType;
  onType: (type: RealType) => void;
}) {
  const { tag } = point.analysis.context.point;
  const program = useMemo(() => ladderProgram({ tag, unit }, ladder, type), [tag, unit, ladder, type]);
  const text = useMemo(() => printProgram(program), [program]);
  return (
    <>
      {findings.length > 0 && (
        <Notice>
          The check of the ladder found something. This is its code as it is, with what is wrong in it.
        </Notice>
      )}
      <RealTypes value={type} onChange={onType} />
      <ExecutedCard key={type} ladder={ladder} type={type} />
      <CodeCard
        title={`Alarms of ${tag}`}
        file={`${tag} alarms ${type}`}
        text={text}
        xml={() => plcOpenXml(point.view.content.name, program, now())}
      />
    </>
  );
}

const STEPS = 1_000_000;

const FLAW_TEXT: Readonly<Record<Flaw, string>> = {
  bare: 'Bare comparison, no delay',
  equals: '= on a REAL',
  chatter: 'Delay that chatter resets',
  noReset: 'Latch without a reset',
  wrongSide: 'Delay on the wrong side',
};

/** Executes the code beside the ladder, over a made-up plant; also as it is often written wrong. */
function ExecutedCard({ ladder, type }: { ladder: PointLadder['ladder']; type: RealType }) {
  const task = useTask('executeLadder');
  const [flaw, setFlaw] = useState<Flaw | 'none'>('none');
  const given = { ladder, type, cycle: 100, steps: STEPS, ...(flaw !== 'none' && { flaw }) };
  return (
    <Card title="Executed beside the ladder">
      <Row first className="gap-3">
        <Text as="small">
          A made-up plant that wanders, chatters at its limits, loses its wire and its power. One step is a
          cycle of 100 ms.
        </Text>
        <Select
          label="Written"
          value={flaw}
          onChange={(next) => setFlaw(next as Flaw | 'none')}
          options={[
            { value: 'none', label: 'As below' },
            ...FLAWS.map((value) => ({ value, label: FLAW_TEXT[value] })),
          ]}
        />
        {task.busy ? (
          <Working count={task.count} all={STEPS} onStop={task.cancel} />
        ) : (
          <Button label={`Execute ${grouped(STEPS)} steps`} kind="main" onPress={() => task.start(given)} />
        )}
        {task.error && <Notice>{refusalText(task.error)}</Notice>}
        {task.answer && <Came of={task.answer} />}
      </Row>
    </Card>
  );
}

function Came({ of: { steps, equal, first, comes } }: { of: LadderExecuted }) {
  return (
    <View className="gap-1" role="status" aria-label="What the code does">
      {equal === steps ? (
        <Text
          as="strong"
          className="text-pass"
        >{`All outputs equal at each of ${grouped(steps)} steps`}</Text>
      ) : (
        <Text
          as="strong"
          className="text-fail"
        >{`Another output at ${grouped(steps - equal)} of ${grouped(steps)} steps`}</Text>
      )}
      {first && <Text as="body">{`First at step ${grouped(first.step)}: ${first.output}.`}</Text>}
      <Text as="body">{`Levels came ${grouped(comes.code)} times; by the ladder, ${grouped(comes.right)} times.`}</Text>
    </View>
  );
}
