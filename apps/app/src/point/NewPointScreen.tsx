import type { JobView } from '@keypost/api';
import type { JobIndex, Change } from '@keypost/core/job';
import { applyChange, NOBODY } from '@keypost/core/job';
import { deviceType } from '@keypost/core/catalog';
import { statusIn } from '@keypost/core/verdict';
import type { VerdictStatus } from '@keypost/core/verdict';
import { useGlobalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { useIndex, useJob } from '../data/jobs';
import { Loaded } from '../data/Loaded';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import { useJobId } from '../job/useJobId';
import { channelOptions } from '../land/ChannelPlate';
import { Button } from '../ui/Button';
import { Mark } from '../ui/Mark';
import { Plate } from '../ui/Plate';
import { PageHead, Screen } from '../ui/Screen';
import { Select } from '../ui/Select';
import { Words } from '../ui/Words';
import { PointFields, rangeOf, rangeTexts, usePointForm } from './PointForm';
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
        {(view) => <NewPoint view={view} index={index!} />}
      </Loaded>
    </Screen>
  );
}

const FIRST: PointTexts = {
  tag: '',
  name: '',
  bit: 'direct',
  typeId: 'inductive-3w',
  output: 'pnp',
  logic: 'no',
  ...rangeTexts(undefined),
};

function NewPoint({ view, index }: { view: JobView; index: JobIndex }) {
  const router = useRouter();
  const saver = useSave(view);
  const known = useKnown();
  const { at } = useGlobalSearchParams<{ at?: string }>();
  const form = usePointForm(FIRST);
  const [ids] = useState(() => ({ point: uuid(), device: uuid() }));
  const [place, setPlace] = useState(at ?? '');
  const type = deviceType(form.watch('typeId'));
  const options = channelOptions(index, type, undefined);
  const values = form.watch();
  const status = useTrial(view, ids, values, place);
  const open = () => router.navigate(`/job/${view.id}/point/${ids.point}` as never);
  const submit = form.handleSubmit((v) => saver.save(additionOf(ids, v, place), { then: open }));
  return (
    <Plate title="Point and device">
      <PointFields form={form} saver={saver}>
        <Select
          label="Channel"
          value={place}
          onChange={setPlace}
          options={[{ value: '', label: 'choose later' }, ...options]}
          hint={options.length === 0 ? 'There is no free channel; add a module in Panel.' : undefined}
        />
        {status && (
          <View className="flex-row items-center gap-3" role="status">
            <Mark kind={status === 'works' ? 'proven' : status} />
            <Words as={status === 'works' ? 'body' : 'fail'}>{TRIAL_WORDS[status]}</Words>
          </View>
        )}
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
    </Plate>
  );
}

const TRIAL_WORDS: Record<VerdictStatus, string> = {
  works: 'It would work on this channel.',
  doubtful: 'It would be doubtful on this channel.',
  cannot: 'It cannot work on this channel as its common sits now. Add it to see why, and the ways out.',
  open: 'Choose a channel now or later.',
};

function additionOf(ids: { point: string; device: string }, values: PointValues, place: string): Change {
  const { tag, name, bit, typeId, output, logic } = values;
  const range = rangeOf(values);
  const [moduleId, channel] = place.split(':');
  return {
    kind: 'addPoint',
    point: {
      id: ids.point,
      tag: tag.trim(),
      name: name.trim(),
      bit,
      deviceId: ids.device,
      ...(range && { range }),
    },
    device: { id: ids.device, tag: tag.trim(), typeId, output, logic },
    place: place === '' ? null : { moduleId: moduleId!, channel: Number(channel) },
  };
}

/** What a value is called does not matter to the circuit. */
const TRIAL_RANGE = { low: 0, high: 100, unit: '%' };

/** Solves the point as it would be, before anything is stored. */
function useTrial(
  view: JobView,
  ids: { point: string; device: string },
  values: PointTexts,
  place: string,
): VerdictStatus | undefined {
  const { typeId, output, logic, bit } = values;
  return useMemo(() => {
    if (place === '') return undefined;
    try {
      const trial = additionOf(
        ids,
        { typeId, output, logic, bit, tag: `trial ${ids.point.slice(0, 8)}`, name: 'trial', ...TRIAL_RANGE },
        place,
      );
      return statusIn(applyChange(view.content, trial, NOBODY), ids.point);
    } catch {
      return undefined;
    }
  }, [view, ids, typeId, output, logic, bit, place]);
}
