import { codeOf } from '@keypost/core/messages';
import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { schemaResolver } from '../ui/schemaResolver';
import type { JobView } from '@keypost/api';
import { BAUDS, FRAMES, partTypesOf } from '@keypost/core/catalog';
import { SerialUnit } from '@keypost/core/model';
import { frameOf, readFrame } from '@keypost/core/setting';
import type { SerialFrame } from '@keypost/core/catalog';
import type { SerialPlan } from '@keypost/core/model';
import { Controller, useForm } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { FormChoice } from '../ui/FormChoice';
import { FormField } from '../ui/FormField';
import { numeric } from '../ui/numeric';
import { Select } from '../ui/Select';
import { PlanRowForm, withRow } from './PlanRowForm';

const FRAME_NAMES = Object.keys(FRAMES) as [SerialFrame, ...SerialFrame[]];

const Form = z.object({
  tag: SerialUnit.shape.tag,
  itemId: z.string(),
  unit: z.union([
    z.literal('').transform(() => undefined),
    numeric(
      z.int().min(1, codeOf('model.unit-numbers-begin-1')).max(247, codeOf('model.unit-numbers-end-247')),
    ),
  ]),
  baud: z.string().transform(Number),
  frame: z.enum(FRAME_NAMES),
  plusName: SerialUnit.shape.plusName,
  terminated: z.enum(['on', 'off']),
  fromLastM: numeric(SerialUnit.shape.fromLastM, 'm'),
  unitLoad: numeric(SerialUnit.shape.unitLoad),
});
type Output = z.output<typeof Form>;
type FormControl = Control<z.input<typeof Form>, unknown, Output>;

/** One participant of a line, or a new one at its end. */
export function SerialUnitForm({
  view,
  plan,
  unit,
  onDone,
}: {
  view: JobView;
  plan: SerialPlan;
  unit?: SerialUnit;
  onDone: () => void;
}) {
  const form = useForm({
    resolver: schemaResolver(Form),
    defaultValues: textsOf(plan, unit),
  });
  const { control, handleSubmit } = form;
  const { draft, leave } = useLeaving(form, `${view.id}.unit.${plan.id}.${unit?.id ?? 'new'}`, onDone);
  return (
    <PlanRowForm
      view={view}
      planId={plan.id}
      title={unit ? unit.tag : 'New unit'}
      label="Store the unit"
      change={(row: SerialUnit) => ({ kind: 'setPlan', plan: { ...plan, units: withRow(plan.units, row) } })}
      submit={(store) => void handleSubmit((output) => store(rowFrom(unit, output)))()}
      removal={
        unit?.unit === undefined
          ? undefined
          : {
              label: `Take ${unit.tag} out`,
              change: {
                kind: 'setPlan',
                plan: { ...plan, units: plan.units.filter(({ id }) => id !== unit.id) },
              },
            }
      }
      onDone={leave}
    >
      <DraftNotice draft={draft} />
      <Fields control={control} view={view} />
    </PlanRowForm>
  );
}

function Fields({ control, view }: { control: FormControl; view: JobView }) {
  const pick = (
    name: 'baud' | 'frame' | 'itemId',
    label: string,
    options: { value: string; label: string }[],
  ) => (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <Select label={label} value={field.value} onChange={field.onChange} options={options} />
      )}
    />
  );
  return (
    <>
      <FormField control={control} name="tag" label="Tag" />
      {pick('itemId', 'Part of the job', [{ value: '', label: 'none' }, ...serialItems(view)])}
      <FormField
        control={control}
        name="unit"
        label="Unit number"
        mono
        inputMode="numeric"
        hint="1 to 247; empty for the master"
      />
      <View className="flex-row gap-3">
        <View className="flex-1">
          {pick(
            'baud',
            'Baud',
            BAUDS.map((value) => ({ value, label: value })),
          )}
        </View>
        <View className="flex-1">
          {pick(
            'frame',
            'Frame',
            FRAME_NAMES.map((value) => ({ value, label: value })),
          )}
        </View>
      </View>
      <AtTheCable control={control} />
    </>
  );
}

/** How it hangs on the two wires. */
function AtTheCable({ control }: { control: FormControl }) {
  return (
    <>
      <FormChoice
        control={control}
        name="plusName"
        label="Its name for the line that is positive at rest"
        options={(['+', 'D1', 'B', 'A'] as const).map((value) => ({ value, label: value }))}
      />
      <FormChoice
        control={control}
        name="terminated"
        label="Terminator 120 Ω"
        options={[
          { value: 'on', label: 'On' },
          { value: 'off', label: 'Off' },
        ]}
      />
      <View className="flex-row gap-3">
        <View className="flex-1">
          <FormField
            control={control}
            name="fromLastM"
            label="From the one before"
            unit="m"
            mono
            inputMode="decimal"
          />
        </View>
        <View className="flex-1">
          <FormField control={control} name="unitLoad" label="Unit loads" mono inputMode="decimal" />
        </View>
      </View>
    </>
  );
}

/** A unit as the form has it; what the form does not show stays. */
function rowFrom(
  unit: SerialUnit | undefined,
  { frame, itemId, terminated, unit: number, ...rest }: Output,
): SerialUnit {
  return {
    ...rest,
    id: unit?.id ?? uuid(),
    ...(itemId && { itemId }),
    ...(number !== undefined && { unit: number }),
    ...readFrame(frame),
    terminated: terminated === 'on',
    ...(unit?.answerMs !== undefined && { answerMs: unit.answerMs }),
    map: unit?.map ?? [],
  };
}

function serialItems({ content }: JobView): { value: string; label: string }[] {
  const types = partTypesOf(content);
  return [
    ...content.modules.filter((module) => types.module(module).description.fieldbus === 'serial'),
    ...content.devices.filter((device) =>
      types.findDevice(device)?.outputs.some(({ landsOn }) => landsOn === 'serial'),
    ),
  ].map(({ id, tag }) => ({ value: id, label: tag }));
}

function textsOf(plan: SerialPlan, unit: SerialUnit | undefined): z.input<typeof Form> {
  const like = unit ?? plan.units.at(-1);
  const frame = FRAME_NAMES.find((name) => like && name === frameOf(like));
  return {
    tag: unit?.tag ?? '',
    itemId: unit?.itemId ?? '',
    unit: unit?.unit === undefined ? '' : String(unit.unit),
    baud: String(like?.baud ?? 19200),
    frame: frame ?? '8E1',
    plusName: unit?.plusName ?? '+',
    terminated: unit?.terminated ? 'on' : 'off',
    fromLastM: String(unit?.fromLastM ?? 10),
    unitLoad: String(unit?.unitLoad ?? 1),
  };
}
