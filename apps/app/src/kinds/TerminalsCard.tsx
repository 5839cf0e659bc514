import { isNameSettled, withTerminalNamed } from '@keypost/core/catalog';
import type { DeviceDescription, ModuleDescription } from '@keypost/core/catalog';
import { useState } from 'react';
import { View } from 'react-native';
import { Field } from '../ui/Field';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

const NAME = /^[^:\s~]{1,16}$/;

/** The terminals under the names that stand on the part itself, and what each is for. */
export function TerminalsCard<T extends DeviceDescription | ModuleDescription>({
  description,
  onChange,
}: {
  description: T;
  onChange: (description: T) => void;
}) {
  const { terminals } = description;
  return (
    <Card title="Terminals" aside={<Text as="mono">{String(terminals.length)}</Text>}>
      {terminals.map(({ name, words }, i) => (
        <Row key={i} first={i === 0} className="flex-row gap-3 py-2">
          <View className="w-[116px]">
            {isNameSettled(description, name) ? (
              <Text as="number" className="py-3">
                {name}
              </Text>
            ) : (
              <TerminalName
                name={name}
                taken={terminals.map((other) => other.name)}
                onChange={(next) => onChange(withTerminalNamed(description, name, next))}
              />
            )}
          </View>
          <View className="min-w-0 flex-1">
            <Field
              label={`What ${name} is for`}
              bare
              value={words ?? ''}
              placeholder="what it is for"
              maxLength={40}
              onChange={(text) =>
                onChange({
                  ...description,
                  terminals: terminals.map((terminal, k) => {
                    const { words: _, ...rest } = terminal;
                    return k === i ? { ...rest, ...(text && { words: text }) } : terminal;
                  }),
                })
              }
            />
          </View>
        </Row>
      ))}
    </Card>
  );
}

/** A name is taken over when it can be one; until then it is only in the field. */
function TerminalName({
  name,
  taken,
  onChange,
}: {
  name: string;
  taken: readonly string[];
  onChange: (name: string) => void;
}) {
  const [typed, setTyped] = useState<string>();
  const problem =
    typed === undefined || typed === name
      ? undefined
      : !NAME.test(typed)
        ? '1 to 16 characters, no space.'
        : taken.includes(typed)
          ? 'Taken already.'
          : undefined;
  return (
    <Field
      label={`Name of terminal ${name}`}
      bare
      mono
      value={typed ?? name}
      problem={problem}
      onChange={(text) => {
        const free = NAME.test(text) && !taken.includes(text);
        setTyped(free || text === name ? undefined : text);
        if (free) onChange(text);
      }}
    />
  );
}
