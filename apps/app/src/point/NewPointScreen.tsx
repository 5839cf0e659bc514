import { z } from 'zod';
import { sure } from '@keypost/core/lists';
import type { JobView } from '@keypost/api';
import type { JobIndex, Change, SingleChange } from '@keypost/core/job';
import { applyChange, NOBODY } from '@keypost/core/job';
import { outputOfType, USUAL_DEVICE } from '@keypost/core/catalog';
import type { DeviceOutput } from '@keypost/core/catalog';
import { statusIn } from '@keypost/core/verdict';
import type { VerdictStatus } from '@keypost/core/verdict';
import type { Device } from '@keypost/core/model';
import { useGlobalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { useDraftState, useFormDraft } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { useJob } from '../data/jobs';
import { useIndex } from '../data/useIndex';
import { Loaded } from '../data/Loaded';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import { useJobId } from '../job/useJobId';
import { channelOptions } from './channelOptions';
import { Button } from '../ui/Button';
import { StatusIcon } from '../ui/StatusIcon';
import { MoreRow } from '../ui/MoreRow';
import { Card, Row } from '../ui/Card';
import { PageHead, Screen } from '../ui/Screen';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { choiceOf, PointFields, rangeOf, rangeTexts, takeOutput, usePointForm } from './PointForm';
import type { PointTexts, PointValues } from './PointForm';

/** A new point with its device; says at once whether it would work on the chosen channel. */
export function NewPointScreen() {
  const jobId = useJobId();
  const job = useJob(jobId);
  const index = useIndex(job.data);
  return (
    <Screen
      narrow
      head={<PageHead title="New point" over={job.data?.content.name ?? ''} back={`/job/${jobId}`} />}
    >
      <Loaded data={job.data} error={job.error} retry={() => void job.mutate()} what="the job">
        {(view) => <NewPoint view={view} index={sure(index)} />}
      </Loaded>
    </Screen>
  );
}

const FIRST: PointTexts = {
  tag: '',
  name: '',
  bit: 'direct',
  typeId: USUAL_DEVICE,
  outputId: 'output',
  kind: 'pnp',
  logic: 'no',
  ...rangeTexts(undefined),
};

/** What is typed of a new point, until it is added. */
function useNewPointDraft(view: JobView, form: ReturnType<typeof usePointForm>, at: string | undefined) {
  const name = `${view.id}.new-point`;
  const draft = useFormDraft(form, name);
  const [onDevice, setOnDevice] = useDraftState(`${name}.device`, z.string(), '');
  const [kept, keepPlace] = useDraftState(`${name}.place`, z.string(), '');
  // Where the page was opened for a channel, that one stands until another is chosen, "choose later" among them.
  const [asked, setAsked] = useState(at);
  const setPlace = (place: string) => {
    setAsked(undefined);
    keepPlace(place);
  };
  const drop = () => {
    draft.drop();
    setOnDevice('');
    setPlace('');
  };
  return { draft, onDevice, setOnDevice, place: asked ?? kept, setPlace, drop };
}

function NewPoint({ view, index }: { view: JobView; index: JobIndex }) {
  const router = useRouter();
  const saver = useSave(view);
  const known = useKnown();
  const { at } = useGlobalSearchParams<{ at?: string }>();
  const form = usePointForm(index.types, FIRST);
  const { draft, onDevice, setOnDevice, place, setPlace, drop } = useNewPointDraft(view, form, at);
  const sharing = sharable(index);
  const shared = sharing.find(({ device }) => device.id === onDevice);
  const [ids] = useState(() => ({ point: uuid(), device: uuid() }));
  const values = form.watch();
  const type = index.types.device(values);
  const options = channelOptions(index, { type, output: outputOfType(type, values.outputId) }, undefined);
  const status = useTrial(index, ids, values, place, onDevice);
  const choose = (id: string) => {
    setOnDevice(id);
    const chosen = sharing.find(({ device }) => device.id === id);
    form.setValue('typeId', chosen?.device.typeId ?? FIRST.typeId);
    takeOutput(form, chosen ? chosen.free[0] : outputOfType(index.types.device(FIRST), FIRST.outputId));
  };
  const open = () => {
    drop();
    router.navigate(`/job/${view.id}/point/${ids.point}`);
  };
  const submit = form.handleSubmit((v) =>
    saver.save(additionOf(index, ids, v, place, onDevice), { then: open }),
  );
  return (
    <Card title="Point and device">
      <OnDevice sharing={sharing} value={onDevice} onChange={choose} />
      <PointFields
        form={form}
        saver={saver}
        types={index.types}
        fixed={shared?.free}
        foot={() => <NotInList jobId={view.id} />}
      >
        <Select
          label="Channel"
          value={place}
          onChange={setPlace}
          options={[{ value: '', label: 'choose later' }, ...options]}
          hint={options.length === 0 ? 'There is no free channel; add a module in Panel.' : undefined}
        />
        {status && <Trial status={status} />}
        <DraftNotice draft={draft} />
        {!known && <WhoAmI />}
        <SaveNotice saver={saver} />
        <Button
          label="Add the point"
          kind="main"
          disabled={!known}
          waiting={saver.saving}
          onPress={() => void submit()}
        />
      </PointFields>
    </Card>
  );
}

function NotInList({ jobId }: { jobId: string }) {
  return (
    <MoreRow
      first={false}
      to={`/job/${jobId}/kinds`}
      label="Not in the list"
      hint="a device of your own, from its datasheet"
    />
  );
}

/** Offers the devices that have an output without a point; nothing where there are none. */
function OnDevice({
  sharing,
  value,
  onChange,
}: {
  sharing: ReturnType<typeof sharable>;
  value: string;
  onChange: (id: string) => void;
}) {
  if (sharing.length === 0) return null;
  const options = sharing.map(({ device, free }) => ({
    value: device.id,
    label: `${device.tag}: ${free.map(({ label }) => label).join(', ')}`,
  }));
  return (
    <Row first>
      <Select
        label="On which device"
        value={value}
        onChange={onChange}
        options={[{ value: '', label: 'a new one' }, ...options]}
      />
    </Row>
  );
}

function Trial({ status }: { status: VerdictStatus }) {
  return (
    <View className="flex-row items-center gap-3" role="status">
      <StatusIcon kind={status === 'works' ? 'proven' : status} />
      <Text as={status === 'works' ? 'body' : 'fail'}>{TRIAL_WORDS[status]}</Text>
    </View>
  );
}

const TRIAL_WORDS: Record<VerdictStatus, string> = {
  works: 'It would work on this channel.',
  doubtful: 'It would be doubtful on this channel.',
  cannot: 'It cannot work on this channel as its common sits now. Add it to see why, and what to change.',
  open: 'Choose a channel now or later.',
};

/** Devices of the job with outputs that no point is about. */
function sharable(index: JobIndex): { device: Device; free: readonly DeviceOutput[] }[] {
  return index.job.devices.flatMap((device) => {
    const { outputs, description } = index.deviceType(device);
    if (description.part || outputs.length < 2) return [];
    const free = index.freeOutputs(device);
    return free.length ? [{ device, free }] : [];
  });
}

/** Adds a point with its device, or one about a further output of a device that is there. */
function additionOf(
  { types }: JobIndex,
  ids: { point: string; device: string },
  values: PointValues,
  place: string,
  onDevice: string,
): Change {
  const { tag, name, bit, typeId, outputId } = values;
  const range = rangeOf(types, values);
  const chosen = choiceOf(types, values);
  const [moduleId = '', channel] = place.split(':');
  const point = {
    id: ids.point,
    tag: tag.trim(),
    name: name.trim(),
    bit,
    deviceId: onDevice || ids.device,
    ...(outputId && types.device(values).outputs.length > 1 && { outputId }),
    ...(range && { range }),
  };
  const at = place === '' ? null : { moduleId, channel: Number(channel) };
  if (!onDevice) {
    const outputs = chosen && { [chosen.id]: { kind: chosen.kind, logic: chosen.logic } };
    const device = { id: ids.device, tag: tag.trim(), typeId, ...(outputs && { outputs }) };
    return { kind: 'addPoint', point, device, place: at };
  }
  const addition: SingleChange = { kind: 'addPoint', point, device: null, place: at };
  if (!chosen) return addition;
  const { kind, logic } = chosen;
  return {
    kind: 'batch',
    changes: [addition, { kind: 'editPoint', id: ids.point, patch: { output: { kind, logic } } }],
  };
}

/** What a value is called does not matter to the circuit. */
const TRIAL_RANGE = { low: 0, high: 100, unit: '%' };

/** Solves the point as it would be, before anything is stored. */
function useTrial(
  index: JobIndex,
  ids: { point: string; device: string },
  values: PointTexts,
  place: string,
  onDevice: string,
): VerdictStatus | undefined {
  const { typeId, outputId, kind, logic, bit } = values;
  return useMemo(() => {
    if (place === '') return undefined;
    const names = { tag: `trial ${ids.point.slice(0, 8)}`, name: 'trial' };
    try {
      const trial = additionOf(
        index,
        ids,
        { typeId, outputId, kind, logic, bit, ...names, ...TRIAL_RANGE },
        place,
        onDevice,
      );
      return statusIn(applyChange(index.job, trial, NOBODY), ids.point);
    } catch {
      return undefined;
    }
  }, [index, ids, typeId, outputId, kind, logic, bit, place, onDevice]);
}
