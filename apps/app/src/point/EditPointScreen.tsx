import type { PartTypes } from '@keypost/core/catalog';
import { unlessRefused } from '@keypost/core/model';
import { rowChanges } from '@keypost/core/presentation';
import { movedBy } from '@keypost/core/setting';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { useFormDraft } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { FormFoot } from '../data/FormFoot';
import { useIndex } from '../data/useIndex';
import { expecting, useSave } from '../data/useSave';
import type { Saver } from '../data/useSave';
import { JobPage } from '../job/JobPage';
import { usePointId } from '../job/useJobId';
import { MovedValues } from '../job/MovedValues';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Card } from '../ui/Card';
import { choiceOf, PointFields, rangeOf, rangeTexts, readPoint, usePointForm } from './PointForm';
import type { PointTexts, PointValues } from './PointForm';
import { usePoint } from './usePoint';
import type { OpenPoint } from './usePoint';

/** Edits or removes a point and its device. */
export function EditPointScreen() {
  const pointId = usePointId();
  return (
    <JobPage pair title="Edit point" back={`/point/${pointId}`} what="the point">
      {(view) => <Found view={view} pointId={pointId} />}
    </JobPage>
  );
}

function Found({ view, pointId }: { view: OpenPoint['view']; pointId: string }) {
  const index = useIndex(view);
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
  const { output, kind, logic } = point.analysis.context;
  const { types } = point.index;
  const { typeId } = device;
  const form = usePointForm(types, {
    tag,
    name,
    area: row.area ?? '',
    bit,
    typeId,
    outputId: output.id,
    kind,
    logic,
    ...rangeTexts(row.range),
  });
  const draft = useFormDraft(form, `${point.view.id}.${row.id}.edit`);
  // Where other points are about the same device, it stays what it is.
  const shared = point.index.pointsAbout(device.id).length > 1;
  const unclaimed = point.index.freeOutputs(device);
  const free = point.type.outputs.filter((each) => each.id === output.id || unclaimed.includes(each));
  const back = () => {
    draft.drop();
    router.navigate(point.base);
  };
  const submit = form.handleSubmit(async (values) => {
    const { tag, name, area } = values;
    const patch = { tag, name, area: area || null, ...patchOf(types, values) };
    await saver.save({ kind: 'editPoint', id: row.id, patch }, { expects: seen, then: back });
  });
  return (
    <Card title={row.tag}>
      <PointFields form={form} saver={saver} types={types} fixed={shared ? free : undefined}>
        <DraftNotice draft={draft} />
        <MovedByEdit point={point} form={form} />
        <FormFoot view={point.view} saver={saver} label="Store" onStore={() => void submit()} onDone={back} />
        <Removal point={point} saver={saver} />
      </PointFields>
    </Card>
  );
}

/** What of a point is changed besides its names. */
function patchOf(types: PartTypes, values: PointValues) {
  const { bit, typeId, outputId } = values;
  const chosen = choiceOf(types, values);
  return {
    bit,
    typeId,
    ...(outputId && { outputId }),
    ...(chosen && { output: { kind: chosen.kind, logic: chosen.logic } }),
    range: rangeOf(types, values) ?? null,
  };
}

/** What another device, signal or range does to the sheets, told before it is stored. */
function MovedByEdit({ point, form }: { point: OpenPoint; form: ReturnType<typeof usePointForm> }) {
  const texts = useWatch({ control: form.control }) as PointTexts;
  const { point: row, device, ports } = point.analysis.context;
  const told = useMemo(() => {
    const { types } = point.index;
    const read = readPoint(types, texts);
    if (!read) return undefined;
    const change = { kind: 'editPoint', id: row.id, patch: patchOf(types, read) } as const;
    const parts = [device.id, ...ports.map(({ module }) => module.id)];
    // What cannot be is told when it is stored, at its field.
    return unlessRefused(() => ({
      moved: movedBy(point.view.content, change, [...new Set(parts)]),
      rows: rowChanges(point.view.content, change),
    }));
  }, [texts, point, row, device, ports]);
  return told ? <MovedValues {...told} /> : null;
}

function Removal({ point, saver }: { point: OpenPoint; saver: Saver }) {
  const router = useRouter();
  const [asked, setAsked] = useState(false);
  const { id, tag, deviceId } = point.analysis.context.point;
  const shared = point.index.pointsFor(deviceId).length > 1;
  const leave = () => router.navigate(`/job/${point.view.id}`);
  const remove = () => saver.save({ kind: 'removePoint', id }, { then: leave });
  if (!asked) return <Button label="Remove this point" kind="danger" onPress={() => setAsked(true)} />;
  return (
    <Notice
      actions={
        <>
          <Button label={`Remove ${tag}`} kind="danger" onPress={() => void remove()} />
          <Button label="Keep it" onPress={() => setAsked(false)} />
        </>
      }
    >
      {shared
        ? `This removes ${tag} and the wires of its signal from the job. The device stays for its other point. Its log stays.`
        : `This removes ${tag}, its device and its wires from the job. Its log stays.`}
    </Notice>
  );
}
