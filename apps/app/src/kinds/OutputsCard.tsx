import { outputToCopy, withOutput, withoutOutput } from '@keypost/core/catalog';
import type { DeviceDescription } from '@keypost/core/catalog';
import type { OutputKind } from '@keypost/core/model';
import { OUTPUT_TEXT } from '@keypost/core/network';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Chips } from '../ui/Chips';
import { Field } from '../ui/Field';
import { Plus } from '../ui/icons';
import { useTokens } from '../ui/theme';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

type Output = DeviceDescription['outputs'][number];

/** The kinds of transistor outputs among which one chooses; others hang together with how the part is made. */
const CHOICES: readonly OutputKind[] = ['pnp', 'npn', 'pushpull'];

/** A device's outputs: what each is called, its leads, as what it is sold; one more, or one less. */
export function OutputsCard({
  description,
  onChange,
}: {
  description: DeviceDescription;
  onChange: (description: DeviceDescription) => void;
}) {
  const { ink } = useTokens();
  const { outputs } = description;
  const put = (id: string, patch: Partial<Output>) =>
    onChange({
      ...description,
      outputs: outputs.map((output) => (output.id === id ? { ...output, ...patch } : output)),
    });
  return (
    <Card title="Outputs" aside={<Text as="mono">{String(outputs.length)}</Text>}>
      {outputs.map((output, i) => (
        <Row key={output.id} first={i === 0} className="gap-3">
          <View className="flex-row items-center justify-between gap-3">
            <Text as="small">{`on ${output.terminals.join(', ')}`}</Text>
            {outputs.length > 1 && (
              <Button
                label={`Remove ${output.label}`}
                kind="bare"
                onPress={() => onChange(withoutOutput(description, output.id))}
              />
            )}
          </View>
          <Field
            label="Called"
            value={output.label}
            onChange={(label) => put(output.id, { label })}
            maxLength={40}
          />
          {output.kinds.every((kind) => CHOICES.includes(kind)) && (
            <Chips
              label={`${output.label}, sold as`}
              options={CHOICES.map((value) => ({ value, label: OUTPUT_TEXT[value] }))}
              chosen={output.kinds}
              onChange={(kinds) => put(output.id, { kinds })}
            />
          )}
        </Row>
      ))}
      {outputToCopy(description) !== undefined && outputs.length < 8 && (
        <Row first={outputs.length === 0}>
          <Button
            label="Add an output"
            icon={<Plus size={20} color={ink} />}
            onPress={() => onChange(withOutput(description))}
          />
        </Row>
      )}
    </Card>
  );
}
