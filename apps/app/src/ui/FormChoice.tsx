import { Controller } from 'react-hook-form';
import type { Control, FieldPath, FieldValues } from 'react-hook-form';
import type { ComponentProps } from 'react';
import { RadioGroup } from './RadioGroup';

/** One of a few as a field of a form. */
export function FormChoice<T extends FieldValues, U>({
  control,
  name,
  ...rest
}: Omit<ComponentProps<typeof RadioGroup<string>>, 'value' | 'onChange'> & {
  control: Control<T, unknown, U>;
  name: FieldPath<T>;
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => <RadioGroup {...rest} value={String(field.value)} onChange={field.onChange} />}
    />
  );
}
