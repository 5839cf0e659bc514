import type { DeviceDescription, ModuleDescription, Parameter } from '@keypost/core/catalog';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { FormActions } from '../ui/FormActions';
import { Plus } from '../ui/icons';
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

const number = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')));

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
  const [label, setLabel] = useState('');
  const [unit, setUnit] = useState('');
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [problem, setProblem] = useState<string>();
  const store = () => {
    const [min, max] = [number(from), number(to)];
    const key = label
      .trim()
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 40);
    if (!key || taken.includes(key)) return setProblem('Give it a name that no other has.');
    if (!(min < max)) return setProblem('Its limits are two numbers, the lower one first.');
    return onParameter({
      key,
      label: label.trim(),
      kind: 'number',
      place: 'parameter',
      min,
      max,
      ...(unit.trim() && { unit: unit.trim() }),
    });
  };
  return (
    <View className="gap-4">
      <Field label="Called in its menu" value={label} onChange={setLabel} maxLength={60} />
      <View className="flex-row gap-3">
        <View className="flex-1">
          <Field label="From" value={from} onChange={setFrom} mono inputMode="decimal" />
        </View>
        <View className="flex-1">
          <Field label="to" value={to} onChange={setTo} mono inputMode="decimal" />
        </View>
        <View className="w-[92px]">
          <Field label="Unit" value={unit} onChange={setUnit} maxLength={12} />
        </View>
      </View>
      {problem && <Text as="fail">{problem}</Text>}
      <FormActions label="Add it" waiting={false} onStore={store} onCancel={onCancel} />
    </View>
  );
}
