import { textOf } from '@keypost/core/messages';
import { formatFineBand, formatFineVolts } from '@keypost/core/units';
import { readMeter } from '@keypost/core/analysis';
import { changedText } from '@keypost/core/presentation';
import type { StampedStep } from '@keypost/core/presentation';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { SaveNotice } from '../data/SaveNotice';
import type { Saver } from '../data/useSave';
import { AddPhoto, PhotoMarks } from '../photo/PhotoMarks';
import type { OpenPoint } from './usePoint';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { StatusIcon } from '../ui/StatusIcon';
import { Caution } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { dayAndTime } from '../ui/dates';

/** Steps of a stage, each with its stamp; a stamp can be undone with a reason. */
export function StampSteps({
  point,
  steps,
  title,
  label,
  saver,
}: {
  point: OpenPoint;
  steps: readonly StampedStep[];
  title: string;
  /** Read aloud for the list. */
  label: string;
  saver: Saver;
}) {
  const [undoing, setUndoing] = useState<string>();
  if (steps.length === 0) return null;
  const next = steps.find(({ stamp }) => !stamp);
  return (
    <Card
      title={title}
      aside={<Text as="mono">{`${steps.filter(({ stamp }) => stamp).length} of ${steps.length}`}</Text>}
    >
      <View role="list" aria-label={label}>
        {steps.map((stamped, i) => (
          <Row key={stamped.step.key} first={i === 0} className={stamped === next ? 'bg-wash' : ''}>
            <StepRow
              point={point}
              stamped={stamped}
              isNext={stamped === next}
              onUndo={() => setUndoing(stamped.stamp?.id)}
            />
            {stamped.stamp && undoing === stamped.stamp.id && (
              <Undo stampId={undoing} saver={saver} onDone={() => setUndoing(undefined)} />
            )}
          </Row>
        ))}
      </View>
    </Card>
  );
}

function StepRow({
  point,
  stamped: { step, stamp, changed },
  isNext,
  onUndo,
}: {
  point: OpenPoint;
  stamped: StampedStep;
  isNext: boolean;
  onUndo: () => void;
}) {
  const { meter } = step;
  const reading = useMemo(
    () => meter && readMeter(point.analysis.away, meter.red, meter.black),
    [point, meter],
  );
  const photographed = {
    view: point.view,
    subject: { kind: 'step', pointId: point.analysis.context.point.id, step: step.key },
    name: textOf(step.title),
  } as const;
  return (
    <View role="listitem" className="flex-row gap-3">
      <StatusIcon kind={stamp ? 'proven' : 'open'} size={22} />
      <View className="min-w-0 flex-1 gap-0.5">
        <Text as={isNext ? 'strong' : 'body'}>{textOf(step.title)}</Text>
        {step.detail && !stamp && <Text as="small">{textOf(step.detail)}</Text>}
        {reading && !stamp && (
          <Text as="mono">{`${formatFineVolts(reading.volts.nom)} (${formatFineBand(reading.volts.min, reading.volts.max)})`}</Text>
        )}
        {changed.length > 0 && (
          <Text as="fail">{`Changed since this was done: ${textOf(changedText(point.index, changed))}. Do it again.`}</Text>
        )}
        {step.caution && !stamp && <Caution>{textOf(step.caution)}</Caution>}
        {stamp && <Text as="small">{`${dayAndTime(stamp.at)} · ${stamp.by}`}</Text>}
        <PhotoMarks {...photographed} />
      </View>
      <View className="-mr-2 items-center gap-3">
        <AddPhoto {...photographed} words={textOf(step.title)} />
        {stamp && (
          <Pressable
            role="button"
            aria-label={`Undo: ${textOf(step.title)}`}
            onPress={onUndo}
            className="no-print -my-2 min-h-[48px] min-w-[48px] items-center justify-center"
          >
            <Text as="small" className="text-accent underline">
              Undo
            </Text>
          </Pressable>
        )}
      </View>
    </View>
  );
}

function Undo({ stampId, saver, onDone }: { stampId: string; saver: Saver; onDone: () => void }) {
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string>();
  const undo = async () => {
    if (reason.trim() === '') setProblem('Say why, such as: wire came loose.');
    else await saver.save({ kind: 'undoStamp', id: stampId, reason }, { then: onDone });
  };
  return (
    <View className="gap-3 pt-3">
      <Field
        label="Why is it undone?"
        value={reason}
        onChange={setReason}
        problem={problem}
        maxLength={200}
        autoFocus
      />
      <View className="flex-row gap-3">
        <Button label="Undo this step" kind="danger" waiting={saver.saving} onPress={() => void undo()} />
        <Button label="Leave it" onPress={onDone} />
      </View>
    </View>
  );
}

/** The next thing to do, always in reach of the thumb. */
export function NextStep({
  point,
  steps,
  saver,
}: {
  point: OpenPoint;
  steps: readonly StampedStep[];
  saver: Saver;
}) {
  const wide = useWide();
  const next = steps.find(({ stamp }) => !stamp)?.step;
  if (!next) return null;
  const stamp = () => {
    const { id: pointId } = point.analysis.context.point;
    const row = { id: uuid(), pointId, step: next.key, fingerprint: next.about() };
    return void saver.save({ kind: 'stamp', stamp: row });
  };
  return (
    <View className="no-print gap-2 border-t-[1.5px] border-edge bg-plate px-4 py-2">
      <SaveNotice saver={saver} />
      <View className="flex-row items-center gap-3">
        <Text as="strong" className="min-w-0 flex-1">
          <Text as="soft">{'Next  '}</Text>
          {textOf(next.title)}
        </Text>
        <Button label="Done" kind="main" waiting={saver.saving} onPress={stamp} />
      </View>
      {next.caution && !wide && <Caution>{textOf(next.caution)}</Caution>}
    </View>
  );
}
