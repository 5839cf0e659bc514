import type { DeviceDescription, ModuleDescription, Parameter } from '@keypost/core/catalog';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { z } from 'zod';
import { Button } from '../ui/Button';
import { FormActions } from '../ui/FormActions';
import { FormField } from '../ui/FormField';
import { Plus } from '../ui/icons';
import { numeric } from '../ui/numeric';
import { schemaResolver } from '../ui/schemaResolver';
import { useTokens } from '../ui/theme';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** What the part is set to besides: numbers of its menu, with their limits. */
export function ParametersCard<T extends DeviceDescription | ModuleDescription>({
  description,
  onChange,
}: {
  description: T;
  onChange: (description: T) => void;
}) {
  const { ink } = useTokens();
  const [open, setOpen] = useState(false);
  const parameters = description.parameters ?? [];
  const put = (next: readonly Parameter[]) => onChange({ ...description, parameters: [...next] });
  return (
    <Card title="Parameters" aside={<Text as="mono">{String(parameters.length)}</Text>}>
      {parameters.map((parameter, i) => (
        <Row key={parameter.key} first={i === 0} className="flex-row items-center justify-between gap-3 py-2">
          <View className="min-w-0 flex-1">
            <Text as="strong">{parameter.label}</Text>
            <Text as="small">{limitsOf(parameter)}</Text>
          </View>
          <Button
            label="Remove"
            kind="bare"
            onPress={() => put(parameters.filter(({ key }) => key !== parameter.key))}
          />
        </Row>
      ))}
      <Row first={parameters.length === 0}>
        {open ? (
          <ParameterForm
            taken={parameters.map(({ key }) => key)}
            onParameter={(parameter) => {
              put([...parameters, parameter]);
              setOpen(false);
            }}
            onCancel={() => setOpen(false)}
          />
        ) : (
          <Button
            label="Add a parameter"
            icon={<Plus size={20} color={ink} />}
            onPress={() => setOpen(true)}
          />
        )}
      </Row>
    </Card>
  );
}

const limitsOf = ({ min, max, unit = '' }: Parameter): string =>
  min === undefined || max === undefined ? unit : `${min} to ${max} ${unit}`.trim();

/** What a parameter is called within its kind: its name in small letters, digits and dashes. */
const keyOf = (label: string): string =>
  label
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, 40);

const formFor = (taken: readonly string[]) =>
  z
    .object({
      label: z.string().refine((label) => keyOf(label) && !taken.includes(keyOf(label)), {
        message: 'Give it a name that no other has.',
      }),
      unit: z.string().trim(),
      min: numeric(z.number()),
      max: numeric(z.number()),
    })
    .refine(({ min, max }) => min < max, {
      path: ['max'],
      message: 'Its limits are two numbers, the lower one first.',
    });

/** A number of a menu: what it is called, its unit and its limits. */
function ParameterForm({
  taken,
  onParameter,
  onCancel,
}: {
  taken: readonly string[];
  onParameter: (parameter: Parameter) => void;
  onCancel: () => void;
}) {
  const { control, handleSubmit } = useForm({
    resolver: schemaResolver(formFor(taken)),
    defaultValues: { label: '', unit: '', min: '', max: '' },
  });
  const store = handleSubmit(({ label, unit, ...limits }) =>
    onParameter({
      key: keyOf(label),
      label: label.trim(),
      kind: 'number',
      place: 'parameter',
      ...limits,
      ...(unit && { unit }),
    }),
  );
  return (
    <View className="gap-4">
      <FormField control={control} name="label" label="Called in its menu" maxLength={60} />
      <View className="flex-row gap-3">
        <View className="flex-1">
          <FormField control={control} name="min" label="From" mono inputMode="decimal" />
        </View>
        <View className="flex-1">
          <FormField control={control} name="max" label="to" mono inputMode="decimal" />
        </View>
        <View className="w-[92px]">
          <FormField control={control} name="unit" label="Unit" maxLength={12} />
        </View>
      </View>
      <FormActions label="Add it" waiting={false} onStore={() => void store()} onCancel={onCancel} />
    </View>
  );
}
