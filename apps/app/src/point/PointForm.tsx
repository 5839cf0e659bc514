import { Device, Point } from '@keypost/core/model';
import { DEVICE_TYPES, deviceType, takesRange } from '@keypost/core/catalog';
import { LOGIC_EXPLAINED, LOGIC_WORDS, OUTPUT_EXPLAINED, OUTPUT_WORDS } from '@keypost/core/network';
import type { DeviceFamily, DeviceType } from '@keypost/core/catalog';
import type { Logic, OutputKind, Range } from '@keypost/core/model';
import { zodResolver } from '@hookform/resolvers/zod';
import type { ReactNode } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import type { UseFormReturn } from 'react-hook-form';
import { z } from 'zod';
import { View } from 'react-native';
import { refusedField } from '../data/refusedField';
import type { Saver } from '../data/useSave';
import { Choice } from '../ui/Choice';
import { FormField } from '../ui/FormField';
import { numeric } from '../ui/numeric';
import { Row } from '../ui/Plate';
import { Select } from '../ui/Select';
import { Words } from '../ui/Words';

const Form = z
  .object({
    tag: Point.shape.tag,
    name: Point.shape.name,
    bit: Point.shape.bit,
    typeId: z.string(),
    output: Device.shape.output,
    logic: Device.shape.logic,
    low: numeric(z.number()),
    high: numeric(z.number()),
    unit: z.string().trim().max(12, 'At most 12 characters fit here.'),
  })
  .superRefine(({ typeId, low, high }, context) => {
    if (takesRange(deviceType(typeId)) && low === high)
      context.addIssue({ code: 'custom', path: ['high'], message: 'A range needs two different ends.' });
  });

export type PointTexts = z.input<typeof Form>;
export type PointValues = z.output<typeof Form>;
type PointFormState = UseFormReturn<PointTexts, unknown, PointValues>;

export function usePointForm(values: PointTexts): PointFormState {
  return useForm({ resolver: zodResolver(Form), defaultValues: values });
}

/** The form's texts as values; nothing while one of them is wrong. */
export const readPoint = (texts: PointTexts): PointValues | undefined => Form.safeParse(texts).data;

/** The range that was entered; nothing for a device whose value does not move. */
export const rangeOf = ({ typeId, low, high, unit }: PointValues): Range | undefined =>
  takesRange(deviceType(typeId)) ? { low, high, unit } : undefined;

/** The texts of a range, or those of a usual one. */
export const rangeTexts = (range: Range | undefined): Pick<PointTexts, 'low' | 'high' | 'unit'> => ({
  low: String(range?.low ?? 0),
  high: String(range?.high ?? 100),
  unit: range?.unit ?? '%',
});

const FAMILIES: Readonly<Record<DeviceFamily, string>> = {
  'three-wire': 'Three- and four-wire sensors',
  contact: 'Contacts',
  'two-wire': 'Two-wire sensors',
  namur: 'Two-wire sensors',
  safety: 'Safety',
  transmitter: 'Transmitters',
  resistance: 'Resistance and thermocouple',
  thermocouple: 'Resistance and thermocouple',
  pulse: 'Pulse outputs',
  'io-link': 'Devices that talk',
  serial: 'Devices that talk',
  ethernet: 'Devices that talk',
  load: 'Loads on an output',
  relay: 'Relays',
  between: 'Between others',
};

/** Devices that a point can be of; relays and what stands between others are added to a point later. */
const TYPES = DEVICE_TYPES.filter(({ stimulated }) => stimulated !== 'none').map(({ id, name, family }) => ({
  value: id,
  label: name,
  group: FAMILIES[family],
}));

const BITS = [
  { value: 'direct', label: 'As the lamp' },
  { value: 'inverted', label: 'Turned round' },
] as const;

/** What a point is: its label, its device from the catalog, and how the program takes it. */
export function PointFields({
  form,
  saver,
  children,
}: {
  form: PointFormState;
  saver: Saver;
  children?: ReactNode;
}) {
  const { control } = form;
  return (
    <Row first className="gap-4">
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
      <DeviceFields form={form} />
      <SignalFields form={form} />
      {children}
    </Row>
  );
}

/** How the program takes it: a bit, or a value over a range. */
function SignalFields({ form: { control } }: { form: PointFormState }) {
  const type = deviceType(useWatch({ control, name: 'typeId' }));
  if (takesRange(type))
    return (
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
    );
  if (type.stimulated !== 'target') return null;
  return (
    <Controller
      control={control}
      name="bit"
      render={({ field }) => (
        <Choice label="Program bit" value={field.value} onChange={field.onChange} options={BITS} />
      )}
    />
  );
}

function DeviceFields({ form }: { form: PointFormState }) {
  const { control, setValue, getValues } = form;
  const [typeId, output] = useWatch({ control, name: ['typeId', 'output'] });
  const type = deviceType(typeId);
  const choose = (id: string) => {
    const next = deviceType(id);
    setValue('typeId', id, { shouldDirty: true });
    if (!next.outputs.includes(getValues('output'))) setValue('output', next.outputs[0]!);
    if (!next.logics.includes(getValues('logic'))) setValue('logic', next.logics[0]!);
  };
  return (
    <>
      <Select label="Device" value={typeId} onChange={choose} options={TYPES} />
      {type.outputs.length > 1 && (
        <Controller
          control={control}
          name="output"
          render={({ field }) => (
            <Choice<OutputKind>
              label="Output"
              value={field.value}
              onChange={field.onChange}
              options={type.outputs.map((value) => ({ value, label: OUTPUT_WORDS[value] }))}
            />
          )}
        />
      )}
      {output !== 'none' && <Words as="small">{`${OUTPUT_EXPLAINED[output]}.`}</Words>}
      {type.logics.length > 1 && (
        <Controller
          control={control}
          name="logic"
          render={({ field }) => (
            <Choice<Logic>
              label="Logic"
              value={field.value}
              onChange={field.onChange}
              options={logicOptions(type)}
            />
          )}
        />
      )}
    </>
  );
}

function logicOptions(type: DeviceType): { value: Logic; label: string; hint?: string }[] {
  return type.logics.map((value) => ({
    value,
    label: LOGIC_WORDS[value],
    hint: LOGIC_EXPLAINED[value].split(': ')[1],
  }));
}
