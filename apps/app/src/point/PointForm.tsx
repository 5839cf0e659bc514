import {
  Device,
  DEVICE_TYPES,
  deviceType,
  LOGIC_EXPLAINED,
  LOGIC_WORDS,
  OUTPUT_EXPLAINED,
  OUTPUT_WORDS,
  Point,
} from '@keypost/core';
import type { DeviceFamily, DeviceType, Logic, OutputKind } from '@keypost/core';
import { zodResolver } from '@hookform/resolvers/zod';
import type { ReactNode } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import type { UseFormReturn } from 'react-hook-form';
import { z } from 'zod';
import { refusedField } from '../data/refusedField';
import type { Saver } from '../data/useSave';
import { Choice } from '../ui/Choice';
import { FormField } from '../ui/FormField';
import { Row } from '../ui/Plate';
import { Select } from '../ui/Select';
import { Words } from '../ui/Words';

const Form = z.object({
  tag: Point.shape.tag,
  name: Point.shape.name,
  bit: Point.shape.bit,
  typeId: z.string(),
  output: Device.shape.output,
  logic: Device.shape.logic,
});

export type PointValues = z.infer<typeof Form>;
type PointFormState = UseFormReturn<PointValues>;

export function usePointForm(values: PointValues): PointFormState {
  return useForm<PointValues>({ resolver: zodResolver(Form), defaultValues: values });
}

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
      <Controller
        control={control}
        name="bit"
        render={({ field }) => (
          <Choice label="Program bit" value={field.value} onChange={field.onChange} options={BITS} />
        )}
      />
      {children}
    </Row>
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
