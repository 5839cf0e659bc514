import { JobProblem } from '@keypost/core/model';
import { movedBy } from '@keypost/core/setting';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { FormFoot } from '../data/FormFoot';
import { useIndex, useJob } from '../data/jobs';
import { Loaded } from '../data/Loaded';
import { expecting, useSave } from '../data/useSave';
import type { Saver } from '../data/useSave';
import { useKnown } from '../data/WhoAmI';
import { useJobId, usePointId } from '../job/useJobId';
import { MovedValues } from '../set/MovedValues';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Plate } from '../ui/Plate';
import { PageHead, Screen } from '../ui/Screen';
import { PointFields, rangeOf, rangeTexts, readPoint, usePointForm } from './PointForm';
import type { PointTexts } from './PointForm';
import { usePoint } from './usePoint';
import type { OpenPoint } from './usePoint';

/** Edits or removes a point and its device. */
export function EditPointScreen() {
  const jobId = useJobId();
  const pointId = usePointId();
  const job = useJob(jobId);
  const index = useIndex(job.data);
  return (
    <Screen
      narrow
      head={
        <PageHead
          title="Edit point"
          over={job.data?.content.name ?? ''}
          back={`/job/${jobId}/point/${pointId}`}
        />
      }
    >
      <Loaded data={job.data} error={job.error} retry={() => void job.mutate()} what="the point">
        {(view) => <Found view={view} index={index!} pointId={pointId} />}
      </Loaded>
    </Screen>
  );
}

function Found({
  view,
  index,
  pointId,
}: {
  view: OpenPoint['view'];
  index: OpenPoint['index'];
  pointId: string;
}) {
  const point = usePoint(view, index, pointId);
  if (!point) return <Notice>This point is not in the job any more.</Notice>;
  return <EditPoint point={point} />;
}

function EditPoint({ point }: { point: OpenPoint }) {
  const router = useRouter();
  const saver = useSave(point.view);
  const { point: row, device } = point.analysis.context;
  const [seen] = useState(() => [
    ...expecting(point.view, 'points', row.id),
    ...expecting(point.view, 'devices', device.id),
  ]);
  const { tag, name, bit } = row;
  const { typeId, output, logic } = device;
  const form = usePointForm({ tag, name, bit, typeId, output, logic, ...rangeTexts(row.range) });
  const back = () => router.navigate(point.base as never);
  const submit = form.handleSubmit(async (values) => {
    const { low: _low, high: _high, unit: _unit, ...own } = values;
    const patch = { ...own, range: rangeOf(values) ?? null };
    await saver.save({ kind: 'editPoint', id: row.id, patch }, { expects: seen, then: back });
  });
  return (
    <Plate title={row.tag}>
      <PointFields form={form} saver={saver}>
        <MovedByEdit point={point} form={form} />
        <FormFoot view={point.view} saver={saver} label="Store" onStore={() => void submit()} onDone={back} />
        <Removal point={point} saver={saver} />
      </PointFields>
    </Plate>
  );
}

/** What another device, signal or range does to the sheets, told before it is stored. */
function MovedByEdit({ point, form }: { point: OpenPoint; form: ReturnType<typeof usePointForm> }) {
  const texts = useWatch({ control: form.control }) as PointTexts;
  const { point: row, device, ports } = point.analysis.context;
  const moved = useMemo(() => {
    const read = readPoint(texts);
    if (!read) return [];
    const { low: _low, high: _high, unit: _unit, tag: _tag, ...own } = read;
    const patch = { ...own, range: rangeOf(read) ?? null };
    const parts = [device.id, ...ports.map(({ module }) => module.id)];
    try {
      return movedBy(point.view.content, { kind: 'editPoint', id: row.id, patch }, [...new Set(parts)]);
    } catch (error) {
      // What cannot be is told when it is stored, at its field.
      if (error instanceof JobProblem) return [];
      throw error;
    }
  }, [texts, point, row, device, ports]);
  return <MovedValues moved={moved} />;
}

function Removal({ point, saver }: { point: OpenPoint; saver: Saver }) {
  const router = useRouter();
  const known = useKnown();
  const [asked, setAsked] = useState(false);
  const { id, tag } = point.analysis.context.point;
  const leave = () => router.navigate(`/job/${point.view.id}` as never);
  const remove = () => saver.save({ kind: 'removePoint', id }, { then: leave });
  if (!asked)
    return (
      <Button label="Remove this point" kind="danger" disabled={!known} onPress={() => setAsked(true)} />
    );
  return (
    <Notice
      actions={
        <>
          <Button label={`Remove ${tag}`} kind="danger" onPress={() => void remove()} />
          <Button label="Keep it" onPress={() => setAsked(false)} />
        </>
      }
    >
      {`This removes ${tag}, its device and its wires from the job. Its log stays.`}
    </Notice>
  );
}
