import { nth } from '@keypost/core/lists';
import type { ChangedRow, JobView } from '@keypost/api';
import { COLOUR_REGIONS, JobContent, Supply } from '@keypost/core/model';
import { movedBy } from '@keypost/core/setting';
import { RAIL_COLOURS } from '@keypost/core/job';
import { NUMBER_STYLES, UNIT_SYSTEMS } from '@keypost/core/units';
import type { SingleChange } from '@keypost/core/job';
import { REGION_TEXT } from '@keypost/core/presentation';
import { schemaResolver } from '../ui/schemaResolver';
import { useMemo, useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import { View } from 'react-native';
import { z } from 'zod';
import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { Conflict } from '../data/Conflict';
import { SaveNotice } from '../data/SaveNotice';
import { expecting, useSave } from '../data/useSave';
import { MovedValues } from './MovedValues';
import { Button } from '../ui/Button';
import { FormChoice } from '../ui/FormChoice';
import { FormField } from '../ui/FormField';
import { numeric } from '../ui/numeric';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

const Form = z.object({
  name: JobContent.shape.name,
  site: JobContent.shape.site,
  colours: z.enum(COLOUR_REGIONS),
  mains: z.enum(['50', '60']),
  numbers: z.enum(NUMBER_STYLES),
  units: z.enum(UNIT_SYSTEMS),
  volts: numeric(Supply.shape.volts, 'V'),
  tolerancePercent: numeric(Supply.shape.tolerancePercent, '%'),
});

/** What the conventions are called, with their colours for plus, 0 V, line and neutral. */
const COLOUR_OPTIONS = COLOUR_REGIONS.map((value) => {
  const { '+': plus, '-': minus, L, N } = RAIL_COLOURS[value];
  return { value, label: REGION_TEXT[value], hint: `DC ${plus} ${minus}, AC ${L} ${N}` };
});

type FormControl = Control<z.input<typeof Form>, unknown, z.output<typeof Form>>;

/** Name and site of a job, and its supply. */
export function JobForm({ view }: { view: JobView }) {
  // Once it was stored, the form begins anew, and so does what it keeps.
  const [times, setTimes] = useState(0);
  return <OpenForm key={times} view={view} isFirst={times === 0} onStored={() => setTimes(times + 1)} />;
}

function OpenForm({ view, isFirst, onStored }: { view: JobView; isFirst: boolean; onStored: () => void }) {
  const saver = useSave(view);
  const supply = nth(view.content.supplies, 0);
  /** Revision from which the form was filled; after a store, that of the job as it is. */
  const [seen, setSeen] = useState<ReturnType<typeof expecting> | undefined>(() =>
    isFirst ? expectations(view) : undefined,
  );
  const form = useForm({
    resolver: schemaResolver(Form),
    defaultValues: textsOf(view),
  });
  const { control, handleSubmit, formState, reset } = form;
  const { draft, leave } = useLeaving(form, `${view.id}.job`, onStored);
  const submit = handleSubmit(async ({ mains, volts, tolerancePercent, ...own }) => {
    const changes: SingleChange[] = [
      { kind: 'editJob', patch: { ...own, mainsHertz: mains === '60' ? 60 : 50 } },
      { kind: 'editSupply', id: supply.id, patch: { volts, tolerancePercent } },
    ];
    const expects = seen ?? expectations(view);
    await saver.save({ kind: 'batch', changes }, { expects, then: leave });
  });
  return (
    <Card title="Name and supply">
      <Row first className="gap-4">
        <DraftNotice draft={draft} />
        <JobFields control={control} supplyTag={supply.tag} />
        <MovedByMains view={view} control={control} />
        <Conflict
          saver={saver}
          view={view}
          onTake={(rows) => {
            setSeen(withCurrent(seen ?? expectations(view), rows));
            reset(textsOf(viewWith(view, rows)));
          }}
        />
        {saver.problem?.details.status !== 409 && <SaveNotice saver={saver} />}
        <Button
          label="Store"
          kind="main"
          disabled={!formState.isDirty}
          waiting={saver.saving}
          onPress={() => void submit()}
        />
      </Row>
    </Card>
  );
}

function JobFields({ control, supplyTag }: { control: FormControl; supplyTag: string }) {
  return (
    <>
      <FormField control={control} name="name" label="Name" />
      <FormField control={control} name="site" label="Site" />
      <FormChoice control={control} name="colours" label="Colours of panel wires" options={COLOUR_OPTIONS} />
      <Text as="small">New wires follow it. Local codes and the panel’s own papers go first.</Text>
      <FormChoice
        control={control}
        name="mains"
        label="Mains frequency of the site"
        options={[
          { value: '50', label: '50 Hz' },
          { value: '60', label: '60 Hz' },
        ]}
      />
      <NumberStyleField control={control} />
      <UnitSystemField control={control} />
      <View className="flex-row gap-3">
        <View className="flex-1">
          <FormField
            control={control}
            name="volts"
            label={`Supply ${supplyTag}`}
            unit="V"
            mono
            inputMode="decimal"
          />
        </View>
        <View className="flex-1">
          <FormField
            control={control}
            name="tolerancePercent"
            label="Tolerance"
            unit="%"
            mono
            inputMode="decimal"
          />
        </View>
      </View>
    </>
  );
}

/** In which units quantities are shown first. */
function UnitSystemField({ control }: { control: FormControl }) {
  return (
    <FormChoice
      control={control}
      name="units"
      label="Quantities are shown first"
      options={[
        { value: 'metric', label: 'Metric', hint: 'bar, °C, m³/h, m, mm²' },
        { value: 'us', label: 'US', hint: 'psi, °F, gal/min, ft, AWG' },
      ]}
    />
  );
}

/** With which decimal mark numbers are typed here. */
function NumberStyleField({ control }: { control: FormControl }) {
  return (
    <>
      <FormChoice
        control={control}
        name="numbers"
        label="Numbers on this site are written"
        options={[
          { value: 'point', label: '12.5', hint: 'a thousand is 1,000' },
          { value: 'comma', label: '12,5', hint: 'a thousand is 1.000' },
        ]}
      />
      <Text as="small">
        Either mark can be typed. Where one could part thousands, the field asks. Lists and sheets are saved
        so; pages show a decimal point.
      </Text>
    </>
  );
}

/** What another mains frequency does to the sheets of all devices, told before it is stored. */
function MovedByMains({ view, control }: { view: JobView; control: FormControl }) {
  const mains = useWatch({ control, name: 'mains' });
  const moved = useMemo(() => {
    const mainsHertz = mains === '60' ? 60 : 50;
    return mainsHertz === view.content.mainsHertz
      ? []
      : movedBy(view.content, { kind: 'editJob', patch: { mainsHertz } });
  }, [view, mains]);
  return <MovedValues moved={moved} />;
}

/** What the form was filled from: the job's head and its first supply. */
const expectations = (view: JobView) => [
  ...expecting(view, 'job', view.id),
  ...expecting(view, 'supplies', nth(view.content.supplies, 0).id),
];

type Expects = ReturnType<typeof expecting>;

const withCurrent = (expects: Expects, rows: readonly ChangedRow[]): Expects =>
  expects.map((one) => {
    const now = rows.find(({ collection, id }) => collection === one.collection && id === one.id);
    return now ? { ...one, revision: now.revision } : one;
  });

/** The job with rows as they are stored now. */
function viewWith(view: JobView, rows: readonly ChangedRow[]): JobView {
  const head = rows.find(({ collection }) => collection === 'job')?.row ?? {};
  const supply = rows.find(({ collection }) => collection === 'supplies')?.row ?? {};
  const [first, ...rest] = view.content.supplies;
  const { id: _, ...fields } = head;
  const supplies = [{ ...first, ...supply }, ...rest] as JobView['content']['supplies'];
  return { ...view, content: { ...view.content, ...fields, supplies } };
}

function textsOf({ content: { name, site, colours, mainsHertz, numbers, units, supplies } }: JobView) {
  const { volts, tolerancePercent } = nth(supplies, 0);
  const mains = mainsHertz === 60 ? ('60' as const) : ('50' as const);
  return {
    name,
    site,
    colours,
    mains,
    numbers,
    units,
    volts: String(volts),
    tolerancePercent: String(tolerancePercent),
  };
}
