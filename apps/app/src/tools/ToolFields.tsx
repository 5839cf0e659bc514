import { nth } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import type { ToolField } from '@keypost/core/tools';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { RadioGroup } from '../ui/RadioGroup';
import { Field } from '../ui/Field';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import type { ToolInUse } from './useTool';

/** More choices than this go into a list that opens. */
const MAX_IN_SIGHT = 4;

/** What a tool asks. */
export function ToolFields({ use }: { use: ToolInUse }) {
  return (
    <View className="gap-3">
      {use.fields.map((field) => (
        <OneField key={field.key} field={field} use={use} />
      ))}
    </View>
  );
}

function OneField({ field, use }: { field: ToolField; use: ToolInUse }) {
  const { key, label, kind, hint } = field;
  const choices = (field.choices ?? []).map((one) => ({ ...one, label: textOf(one.label) }));
  const value = use.values[key] ?? '';
  const problem = use.problems.find(({ path }) => path === key)?.message;
  const change = (next: string): void => use.change(key, next);
  if (kind === 'choice')
    return choices.length > MAX_IN_SIGHT ? (
      <Select
        label={textOf(label)}
        value={value}
        options={choices}
        onChange={change}
        problem={textOf(problem)}
        hint={textOf(hint)}
      />
    ) : (
      <RadioGroup
        label={textOf(label)}
        value={value}
        options={choices}
        onChange={change}
        problem={textOf(problem)}
      />
    );
  if (kind === 'pairs')
    return <Pairs field={field} value={value} problem={textOf(problem)} onChange={change} />;
  return (
    <Field
      label={textOf(label)}
      value={value}
      onChange={change}
      problem={textOf(problem)}
      hint={textOf(hint ?? (field.optional ? 'may stay empty' : undefined))}
      unit={field.unitKey ? use.values[field.unitKey] : field.unit}
      inputMode={kind === 'words' || kind === 'list' ? 'text' : 'decimal'}
      mono={kind !== 'words'}
    />
  );
}

/** Rows of two numbers. */
function Pairs({
  field,
  value,
  problem,
  onChange,
}: {
  field: ToolField;
  value: string;
  problem: string | undefined;
  onChange: (value: string) => void;
}) {
  const label = textOf(field.label);
  const columns = field.columns?.map(textOf) ?? ['First', 'Second'];
  const rows = value.split('\n').map((row) => {
    const [first = '', second = ''] = row.split(';');
    return [first, second] as const;
  });
  const put = (next: readonly (readonly [string, string])[]): void =>
    onChange(next.map((row) => row.join(';')).join('\n'));
  const edit = (at: number, side: 0 | 1, text: string): void =>
    put(rows.map((row, i) => (i === at ? (side === 0 ? [text, row[1]] : [row[0], text]) : row)));
  return (
    <View className="gap-2" role="group" aria-label={label}>
      <Text as="strong">{label}</Text>
      {rows.map(([first, second], i) => (
        <View key={i} className="flex-row gap-2">
          {([first, second] as const).map((text, side) => (
            <View key={side} className="min-w-0 flex-1">
              <Field
                label={i === 0 ? nth(columns, side) : `${nth(columns, side)}, row ${i + 1}`}
                bare={i > 0}
                value={text.trim()}
                onChange={(next) => edit(i, side as 0 | 1, next)}
                inputMode="decimal"
                mono
              />
            </View>
          ))}
        </View>
      ))}
      {problem && <Text as="fail">{problem}</Text>}
      <View className="flex-row flex-wrap gap-3">
        <Button label="Another pair" onPress={() => put([...rows, ['', '']])} />
        {rows.length > 1 && <Button label="Take the last off" onPress={() => put(rows.slice(0, -1))} />}
      </View>
    </View>
  );
}
