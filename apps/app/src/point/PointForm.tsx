import { codeOf, textOf } from '@keypost/core/messages';
import { canBe } from '@keypost/core/units';
import { Logic, OutputKind, Point } from '@keypost/core/model';
import { choiceWithin, outputOfType, takesRange } from '@keypost/core/catalog';
import { LOGIC_EXPLAINED, LOGIC_TEXT, OUTPUT_EXPLAINED, OUTPUT_TEXT } from '@keypost/core/network';
import type { Range } from '@keypost/core/model';
import type { DeviceOutput, DeviceType, PartTypes, Port } from '@keypost/core/catalog';
import { portFits } from '@keypost/core/job';
import { schemaResolver } from '../ui/schemaResolver';
import type { ComponentProps, ReactNode } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import type { UseFormReturn } from 'react-hook-form';
import { z } from 'zod';
import { View } from 'react-native';
import { refusedField } from '../data/refusedField';
import type { Saver } from '../data/useSave';
import { deviceRefusal, DEVICE_SIGHTS, pointKinds } from '../job/kindOptions';
import { FormChoice } from '../ui/FormChoice';
import { RadioGroup } from '../ui/RadioGroup';
import { Beside } from '../ui/Beside';
import { FormField } from '../ui/FormField';
import { readInto } from '../ui/numeric';
import { Row } from '../ui/Card';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';

const Fields = z.object({
  tag: Point.shape.tag,
  name: Point.shape.name,
  /** Empty where nobody said one. */
  area: z.string().trim().max(40),
  bit: Point.shape.bit,
  typeId: z.string(),
  /** Empty for a device without outputs. */
  outputId: z.string(),
  kind: OutputKind,
  logic: Logic,
  low: z.string(),
  high: z.string(),
  unit: z.string().trim().max(12),
});

/** Both ends of the range as they are typed, bare or in a unit that belongs to its own. */
const Ranged = Fields.transform(({ low, high, unit, ...rest }, context) => ({
  ...rest,
  unit,
  low: readInto(low, unit, context, ['low']),
  high: readInto(high, unit, context, ['high']),
}));

const formOf = (types: PartTypes) =>
  Ranged.superRefine(({ typeId, low, high, unit }, context) => {
    if (!takesRange(types.device({ typeId }))) return;
    for (const [field, value] of Object.entries({ low, high }))
      if (!canBe(value, unit))
        context.addIssue({
          code: 'custom',
          path: [field],
          message: codeOf('model.range-below-absolute-zero'),
        });
    if (low === high)
      context.addIssue({
        code: 'custom',
        path: ['high'],
        message: codeOf('model.range-needs-two-different'),
      });
  });

export type PointTexts = z.input<typeof Fields>;
export type PointValues = z.output<typeof Ranged>;
type PointFormState = UseFormReturn<PointTexts, unknown, PointValues>;

export function usePointForm(types: PartTypes, values: PointTexts): PointFormState {
  return useForm({ resolver: schemaResolver(formOf(types)), defaultValues: values });
}

/** The form's texts as values; nothing while one of them is wrong. */
export const readPoint = (types: PartTypes, texts: PointTexts): PointValues | undefined =>
  formOf(types).safeParse(texts).data;

/** The range that was entered; nothing for a device whose value does not move. */
export const rangeOf = (types: PartTypes, { typeId, low, high, unit }: PointValues): Range | undefined =>
  takesRange(types.device({ typeId })) ? { low, high, unit } : undefined;

/** The output that was chosen, where the device leaves a choice of how it works. */
export function choiceOf(
  types: PartTypes,
  { typeId, outputId, kind, logic }: PointValues | PointTexts,
): { readonly id: string; readonly kind: OutputKind; readonly logic: Logic } | undefined {
  const output = outputOfType(types.device({ typeId }), outputId);
  return output && output.kinds.length * output.logics.length > 1
    ? { id: output.id, kind, logic }
    : undefined;
}

/** The texts of a range, or those of a usual one. */
export const rangeTexts = (range: Range | undefined): Pick<PointTexts, 'low' | 'high' | 'unit'> => ({
  low: String(range?.low ?? 0),
  high: String(range?.high ?? 100),
  unit: range?.unit ?? '%',
});

const BITS = [
  { value: 'direct', label: 'As the LED' },
  { value: 'inverted', label: 'Inverted' },
] as const;

type Foot = ComponentProps<typeof Select>['foot'];

/** What a point is: its label, its device from the catalog, and how the program takes it. */
export function PointFields({
  form,
  saver,
  types,
  fixed,
  ports,
  foot,
  children,
}: {
  form: PointFormState;
  saver: Saver;
  types: PartTypes;
  /** The device is there already: only those of its outputs are offered that no point is about. */
  fixed?: readonly DeviceOutput[];
  /** What the channel can be for which one is sought. */
  ports?: readonly Port[];
  /** Stands under the kinds that can be chosen. */
  foot?: Foot;
  children?: ReactNode;
}) {
  const { control } = form;
  return (
    <Row first className="gap-4">
      <Beside
        left={
          <>
            <FormField
              control={control}
              name="tag"
              label="Tag"
              hint="As on the label, such as PX-116"
              refused={refusedField(saver, 'tag')}
              autoCapitalize="characters"
              maxLength={24}
            />
            <FormField
              control={control}
              name="name"
              label="What it is for"
              hint="Such as Tray at infeed"
              maxLength={60}
            />
            <FormField
              control={control}
              name="area"
              label="Area"
              hint="Where it is, such as Wash bay; may stay empty"
              maxLength={40}
            />
            {!fixed && <TypeField form={form} types={types} ports={ports} foot={foot} />}
          </>
        }
        right={
          <>
            <OutputFields form={form} types={types} only={fixed} />
            <SignalFields form={form} types={types} />
            {children}
          </>
        }
      />
    </Row>
  );
}

/** How the program takes it: a bit, or a value over a range. */
function SignalFields({ form: { control }, types }: { form: PointFormState; types: PartTypes }) {
  const [typeId, outputId] = useWatch({ control, name: ['typeId', 'outputId'] });
  const type = types.device({ typeId });
  const output = outputOfType(type, outputId);
  return (
    <>
      {takesRange(type) && (
        <View className="flex-row gap-3">
          <View className="flex-1">
            <FormField control={control} name="low" label="Range from" mono inputMode="decimal" />
          </View>
          <View className="flex-1">
            <FormField control={control} name="high" label="to" mono inputMode="decimal" />
          </View>
          <View className="w-[92px]">
            <FormField control={control} name="unit" label="Unit" />
          </View>
        </View>
      )}
      {output?.landsOn === 'switched' && (
        <FormChoice control={control} name="bit" label="Program bit" options={BITS} />
      )}
    </>
  );
}

/** Takes another output, keeping what was chosen where it offers that too. */
export function takeOutput({ setValue, getValues }: PointFormState, output: DeviceOutput | undefined): void {
  const { outputId, kind, logic } = choiceWithin(output, getValues());
  setValue('outputId', outputId, { shouldDirty: true });
  setValue('kind', kind);
  setValue('logic', logic);
}

/** The output of a device for which a channel is sought; its usual one where none is. */
export const fittingOutput = (type: DeviceType, ports: readonly Port[] = []): DeviceOutput | undefined =>
  ports.flatMap((port) => type.outputs.filter((output) => portFits(type, output, port)))[0] ??
  outputOfType(type, undefined);

function TypeField({
  form,
  types,
  ports,
  foot,
}: {
  form: PointFormState;
  types: PartTypes;
  ports?: readonly Port[];
  foot?: Foot;
}) {
  const typeId = useWatch({ control: form.control, name: 'typeId' });
  const choose = (id: string) => {
    form.setValue('typeId', id, { shouldDirty: true });
    takeOutput(form, fittingOutput(types.device({ typeId: id }), ports));
  };
  return (
    <Select
      label="Device"
      value={typeId}
      onChange={choose}
      options={pointKinds(types, ports)}
      sights={DEVICE_SIGHTS}
      refusal={deviceRefusal}
      foot={foot}
    />
  );
}

/** Which of a device's outputs the point is about, and how that works. */
function OutputFields({
  form,
  types,
  only,
}: {
  form: PointFormState;
  types: PartTypes;
  only?: readonly DeviceOutput[];
}) {
  const { control } = form;
  const [typeId, outputId, kind] = useWatch({ control, name: ['typeId', 'outputId', 'kind'] });
  const type = types.device({ typeId });
  const output = outputOfType(type, outputId);
  const offered = only ?? type.outputs;
  return (
    <>
      {type.outputs.length > 1 && (
        <Select
          label="Signal of the device"
          value={output?.id ?? ''}
          options={offered.map(({ id, label, terminals }) => ({
            value: id,
            label: `${label}: ${terminals.join(', ')}`,
          }))}
          onChange={(id) => takeOutput(form, outputOfType(type, id))}
        />
      )}
      {output && output.kinds.length > 1 && (
        <Controller
          control={control}
          name="kind"
          render={({ field }) => (
            <RadioGroup<OutputKind>
              label="Output"
              value={field.value}
              onChange={field.onChange}
              options={output.kinds.map((value) => ({ value, label: OUTPUT_TEXT[value] }))}
            />
          )}
        />
      )}
      {kind !== 'none' && <Text as="small">{`${textOf(OUTPUT_EXPLAINED[kind])}.`}</Text>}
      {output && output.logics.length > 1 && (
        <Controller
          control={control}
          name="logic"
          render={({ field }) => (
            <RadioGroup<Logic>
              label="Logic"
              value={field.value}
              onChange={field.onChange}
              options={logicOptions(output)}
            />
          )}
        />
      )}
    </>
  );
}

function logicOptions({ logics }: DeviceOutput): { value: Logic; label: string; hint?: string }[] {
  return logics.map((value) => ({
    value,
    label: LOGIC_TEXT[value],
    hint: textOf(LOGIC_EXPLAINED[value]).split(': ')[1],
  }));
}
