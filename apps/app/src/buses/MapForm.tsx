import { schemaResolver } from '../ui/schemaResolver';
import type { JobView } from '@keypost/api';
import { MappedValue, REGISTER_TYPES } from '@keypost/core/model';
import type { Change } from '@keypost/core/job';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { Button } from '../ui/Button';
import { FormChoice } from '../ui/FormChoice';
import { FormActions } from '../ui/FormActions';
import { FormField } from '../ui/FormField';
import { numeric } from '../ui/numeric';
import { Select } from '../ui/Select';

const Form = z.object({
  name: MappedValue.shape.name,
  table: MappedValue.shape.table,
  address: numeric(MappedValue.shape.address),
  type: MappedValue.shape.type,
  unit: MappedValue.shape.unit,
});

/** A further value of a unit's registers. */
export function MapForm({
  view,
  name,
  change,
}: {
  view: JobView;
  /** Of the draft: the unit that it is about. */
  name: string;
  change: (added: MappedValue) => Change;
}) {
  const [open, setOpen] = useState(false);
  return open ? (
    <OpenForm view={view} name={name} change={change} onDone={() => setOpen(false)} />
  ) : (
    <Button label="Add a value" onPress={() => setOpen(true)} />
  );
}

function OpenForm({
  view,
  name,
  change,
  onDone,
}: {
  view: JobView;
  name: string;
  change: (added: MappedValue) => Change;
  onDone: () => void;
}) {
  const saver = useSave(view);
  const form = useForm({
    resolver: schemaResolver(Form),
    defaultValues: { name: '', table: 'input', address: '', type: 'uint16', unit: '' } as z.input<
      typeof Form
    >,
  });
  const { control, handleSubmit } = form;
  const { draft, leave } = useLeaving(form, `${view.id}.map.${name}`, onDone);
  const submit = handleSubmit((row) => {
    void saver.save(change({ ...row, id: uuid(), words: 'high', bytes: 'high', scale: 1 }), { then: leave });
  });
  return (
    <View className="gap-4">
      <DraftNotice draft={draft} />
      <Fields control={control} />
      <SaveNotice saver={saver} />
      <FormActions label="Add it" onStore={() => void submit()} onCancel={leave} waiting={saver.saving} />
    </View>
  );
}

function Fields({ control }: { control: Control<z.input<typeof Form>, unknown, z.output<typeof Form>> }) {
  return (
    <>
      <FormField control={control} name="name" label="Name" hint="such as Active power" />
      <FormChoice
        control={control}
        name="table"
        label="Table"
        options={[
          { value: 'input', label: 'Input' },
          { value: 'holding', label: 'Holding' },
        ]}
      />
      <View className="flex-row gap-3">
        <View className="flex-1">
          <FormField
            control={control}
            name="address"
            label="First register"
            mono
            inputMode="numeric"
            hint="as sent, from 0"
          />
        </View>
        <View className="flex-1">
          <FormField control={control} name="unit" label="Unit" />
        </View>
      </View>
      <Controller
        control={control}
        name="type"
        render={({ field }) => (
          <Select
            label="Type"
            value={field.value}
            onChange={field.onChange}
            options={REGISTER_TYPES.map((value) => ({ value, label: value }))}
          />
        )}
      />
    </>
  );
}
