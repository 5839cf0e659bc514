import { Controller } from 'react-hook-form';
import type { Control, FieldPath, FieldValues } from 'react-hook-form';
import type { ComponentProps } from 'react';
import { Field } from './Field';

/** A field of a form: what is wrong with it comes from the form's schema, or from the server. */
export function FormField<T extends FieldValues, U>({
  control,
  name,
  refused,
  ...rest
}: Omit<ComponentProps<typeof Field>, 'value' | 'onChange' | 'problem'> & {
  control: Control<T, unknown, U>;
  name: FieldPath<T>;
  /** Why the server refused this field. */
  refused?: string;
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <Field
          {...rest}
          value={field.value}
          onChange={field.onChange}
          onBlur={field.onBlur}
          problem={fieldState.error?.message ?? refused}
        />
      )}
    />
  );
}
