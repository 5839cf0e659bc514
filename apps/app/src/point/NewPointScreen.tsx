import { z } from 'zod';
import type { JobView } from '@keypost/api';

import { mainsFor } from '@keypost/core/planning';
import { applyChange, freeTag, JobIndex, NOBODY } from '@keypost/core/job';
import { outputOfType } from '@keypost/core/catalog';
import { analyse } from '@keypost/core/analysis';
import { say, textOf } from '@keypost/core/messages';
import { judge } from '@keypost/core/verdict';
import type { Judgement } from '@keypost/core/verdict';
import { useGlobalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { useDraftState, useFormDraft } from '../data/drafts';
import type { Draft } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { useIndex } from '../data/useIndex';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import type { Saver } from '../data/useSave';
import { JobPage } from '../job/JobPage';
import { channelOptions } from './channelOptions';
import { Button } from '../ui/Button';
import { StatusIcon } from '../ui/StatusIcon';
import { MoreRow } from '../ui/MoreRow';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { additionOf, firstFor, modulesToAdd, portsAt, sharable } from './newPoint';
import { PointFields, takeOutput, usePointForm } from './PointForm';
import type { PointTexts } from './PointForm';

/** A new point with its device; says at once whether it would work on the chosen channel. */
export function NewPointScreen() {
  return (
    <JobPage pair title="New point" what="the job">
      {(view) => <NewPoint view={view} />}
    </JobPage>
  );
}

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

function NewPoint({ view }: { view: JobView }) {
  const index = useIndex(view);
  const router = useRouter();
  const saver = useSave(view);
  const { at } = useGlobalSearchParams<{ at?: string }>();
  const ports = portsAt(index, at);
  const first = firstFor(index, ports);
  const form = usePointForm(index.types, first);
  const { draft, onDevice, setOnDevice, place, setPlace, drop } = useNewPointDraft(view, form, at);
  const sharing = sharable(index);
  const shared = sharing.find(({ device }) => device.id === onDevice);
  const [ids] = useState(() => ({ point: uuid(), device: uuid(), module: uuid() }));
  const values = form.watch();
  const type = index.types.device(values);
  const options = channelOptions(index, { type, output: outputOfType(type, values.outputId) }, undefined);
  const verdict = useTrial(index, ids, values, place, onDevice);
  const choose = (id: string) => {
    setOnDevice(id);
    const chosen = sharing.find(({ device }) => device.id === id);
    form.setValue('typeId', chosen?.device.typeId ?? first.typeId);
    takeOutput(form, chosen ? chosen.free[0] : outputOfType(index.types.device(first), first.outputId));
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
        ports={ports}
        foot={() => <NotInList jobId={view.id} />}
      >
        <Select
          label="Channel"
          value={place}
          onChange={setPlace}
          options={[{ value: '', label: 'choose later' }, ...options, ...modulesToAdd(index, values)]}
          hint={options.length === 0 ? 'No channel is free: a module can be added with it.' : undefined}
        />
        {verdict && <Trial verdict={verdict} />}
        <MainsToAdd index={index} typeId={values.typeId} />
        <AddFoot draft={draft} saver={saver} onAdd={() => void submit()} />
      </PointFields>
    </Card>
  );
}

function AddFoot({ draft, saver, onAdd }: { draft: Draft; saver: Saver; onAdd: () => void }) {
  return (
    <>
      <DraftNotice draft={draft} />
      <SaveNotice saver={saver} />
      <Button label="Add the point" kind="main" waiting={saver.saving} onPress={onAdd} />
    </>
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

function Trial({ verdict: { status, sentence } }: { verdict: Judgement }) {
  return (
    <View className="flex-row items-center gap-3" role="status">
      <StatusIcon kind={status === 'works' ? 'proven' : status} />
      <Text as={status === 'works' ? 'body' : 'fail'} className="min-w-0 flex-1">
        {status === 'works'
          ? 'It would work on this channel.'
          : textOf(say('text.brief', { text: sentence }))}
      </Text>
    </View>
  );
}

function MainsToAdd({ index, typeId }: { index: JobIndex; typeId: string }) {
  const [mains] = mainsFor(index.job, typeId);
  return mains ? (
    <Text as="small">
      {`It works on mains, and the job has none: supply ${mains.supply.tag}, ${mains.supply.volts} V a.c., is added with it.`}
    </Text>
  ) : null;
}

/** What a value is called does not matter to the circuit. */
const TRIAL_RANGE = { low: 0, high: 100, unit: '%' };

/** Solves the point as it would be, before anything is stored. */
function useTrial(
  index: JobIndex,
  ids: { point: string; device: string; module: string },
  values: PointTexts,
  place: string,
  onDevice: string,
): Judgement | undefined {
  const { tag, typeId, outputId, kind, logic, bit } = values;
  return useMemo(() => {
    if (place === '') return undefined;
    const names = { tag: tag.trim() || freeTag(index.job, 'B'), name: 'trial', area: '' };
    try {
      const trial = additionOf(
        index,
        ids,
        { typeId, outputId, kind, logic, bit, ...names, ...TRIAL_RANGE },
        place,
        onDevice,
      );
      return judge(analyse(new JobIndex(applyChange(index.job, trial, NOBODY)), ids.point));
    } catch {
      return undefined;
    }
  }, [index, ids, tag, typeId, outputId, kind, logic, bit, place, onDevice]);
}
