import type { Suspect } from '@keypost/core/fault';
import { openCase } from '@keypost/core/job';
import type { FaultCase } from '@keypost/core/job';
import type { FaultBody } from '@keypost/core/model';
import { useState } from 'react';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { useDraftState } from '../data/drafts';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import type { Saver } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { dateAndTime } from '../ui/dates';
import { Field } from '../ui/Field';
import { Text } from '../ui/Text';
import { MendedForm } from './MendedForm';

export type Kept = Extract<FaultBody, { kind: 'opened' }>['seen'];

/** The fault of a point as it is kept in the job: reported, handed over, mended. */
export function CaseCard({
  point,
  kept,
  found,
}: {
  point: OpenPoint;
  kept: Kept;
  found: readonly Suspect[];
}) {
  const saver = useSave(point.view);
  const { id } = point.analysis.context.point;
  const open = openCase(point.view.content, id);
  const store = (body: FaultBody, then?: () => void) =>
    void saver.save({ kind: 'reportFault', fault: { id: uuid(), pointId: id, body } }, { then });
  const of = { point, kept, found, saver, store };
  return (
    <Card title={open ? 'Hand over, or mended' : 'Keep it in the job'}>
      {open ? <Open {...of} open={open} /> : <Report {...of} />}
      {saver.problem && (
        <Row>
          <SaveNotice saver={saver} />
        </Row>
      )}
    </Card>
  );
}

/** What was reported of a point that does not work, and who had it last. */
export function OpenFault({ point }: { point: OpenPoint }) {
  const open = openCase(point.view.content, point.analysis.context.point.id);
  if (!open) return null;
  const { handed, opened } = open;
  return (
    <Card title="Open fault">
      <Row first className="gap-1">
        <Text as="strong">{open.symptom}</Text>
        <Text as="small">{`Reported ${dateAndTime(opened.at)} · ${opened.by}`}</Text>
        {handed && (
          <Text as="small">
            {`Handed over ${dateAndTime(handed.at)} · ${handed.by}${handed.note ? `: ${handed.note}` : ''}`}
          </Text>
        )}
      </Row>
    </Card>
  );
}

interface Of {
  readonly point: OpenPoint;
  readonly kept: Kept;
  readonly found: readonly Suspect[];
  readonly saver: Saver;
  readonly store: (body: FaultBody, then?: () => void) => void;
}

function Report({ point, kept, saver, store }: Of) {
  const { id } = point.analysis.context.point;
  const [symptom, setSymptom] = useDraftState(`${point.view.id}.${id}.symptom`, z.string(), '');
  const [problem, setProblem] = useState<string>();
  const report = () => {
    if (symptom.trim() === '')
      setProblem('Say what does not work, such as “counts no boxes since the shift”.');
    else store({ kind: 'opened', symptom: symptom.trim(), seen: kept }, () => setSymptom(''));
  };
  return (
    <Row first className="gap-3">
      <Text as="small">
        Reported, everybody on the job sees that this point does not work, and what was seen so far.
      </Text>
      <Field
        label="What does not work"
        value={symptom}
        onChange={setSymptom}
        problem={problem}
        maxLength={200}
      />
      <Button label="Report the fault" waiting={saver.saving} onPress={report} />
    </Row>
  );
}

function Open({ point, kept, found, saver, store, open }: Of & { open: FaultCase }) {
  const [mending, setMending] = useDraftState(`${point.view.id}.${open.id}.mending`, z.boolean(), false);
  const [note, setNote] = useDraftState(`${point.view.id}.${open.id}.note`, z.string(), '');
  const handOver = () =>
    store({ kind: 'seen', of: open.id, seen: kept, note: note.trim() }, () => setNote(''));
  return (
    <>
      {mending ? (
        <MendedForm
          point={point}
          open={open}
          found={found}
          waiting={saver.saving}
          onStore={store}
          onCancel={() => setMending(false)}
        />
      ) : (
        <Row first className="gap-3">
          <Button label="Mended" kind="main" onPress={() => setMending(true)} />
          <Field label="A word for who takes over" value={note} onChange={setNote} maxLength={200} />
          <Button
            label={`Hand over what was seen (${kept.length})`}
            waiting={saver.saving}
            onPress={handOver}
          />
        </Row>
      )}
    </>
  );
}
