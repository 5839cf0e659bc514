import { textOf } from '@keypost/core/messages';
import { movedBy, plateLines, plateProblem } from '@keypost/core/setting';
import type { Change } from '@keypost/core/job';
import type { Card as PlateFacts } from '@keypost/core/model';
import type { PlateLine } from '@keypost/core/setting';
import { useMemo, useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import { View } from 'react-native';
import { MovedValues } from '../job/MovedValues';
import { typedStyle } from '../ui/typedNumbers';
import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { FormActions } from '../ui/FormActions';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';

/** Facts copied from the name-plate; settings follow from them. */
export function NamePlate({ point }: { point: OpenPoint }) {
  const [editing, setEditing] = useState(false);
  const lines = plateLines(point.index, point.analysis.context.point);
  if (lines.length === 0) return null;
  if (editing) return <PlateForm point={point} lines={lines} onDone={() => setEditing(false)} />;
  return (
    <Card
      title="Name-plate and medium"
      aside={<Button label="Copy facts" kind="bare" onPress={() => setEditing(true)} />}
    >
      {lines.map(({ fact, typed, converted }, i) => (
        <Row key={fact.key} first={i === 0} className="flex-row items-baseline justify-between gap-3">
          <Text as="body" className="flex-1">
            {fact.label}
          </Text>
          <View className="items-end">
            <Text as={typed ? 'number' : 'small'}>{typed ? shown({ fact, typed }) : 'not copied yet'}</Text>
            {converted && converted !== typed && <Text as="small">{`= ${converted}`}</Text>}
          </View>
        </Row>
      ))}
    </Card>
  );
}

function shown({ fact, typed = '' }: PlateLine): string {
  const named = fact.choices?.find(({ value }) => value === typed)?.label;
  if (named) return named;
  return fact.kind === 'number' && fact.unit && /^[\d.,]+$/.test(typed) ? `${typed} ${fact.unit}` : typed;
}

function PlateForm({
  point,
  lines,
  onDone,
}: {
  point: OpenPoint;
  lines: readonly PlateLine[];
  onDone: () => void;
}) {
  const { view, analysis } = point;
  const saver = useSave(view);
  const form = useForm<{ texts: string[] }>({
    mode: 'onChange',
    defaultValues: { texts: lines.map(({ typed = '' }) => typed) },
  });
  const { control, handleSubmit } = form;
  const { draft, leave } = useLeaving(form, `${view.id}.${analysis.context.point.id}.plate`, onDone);
  const texts = useWatch({ control, name: 'texts' });
  const change = useMemo<Change>(() => {
    const filled = lines.flatMap(({ fact }, i) => (texts[i]?.trim() ? [[fact.key, texts[i]]] : []));
    const plate: PlateFacts = Object.fromEntries(filled);
    return { kind: 'setPlate', pointId: analysis.context.point.id, plate };
  }, [lines, texts, analysis]);
  const sound = lines.every(({ fact }, i) => plateProblem(fact, texts[i] ?? '', typedStyle()) === undefined);
  const moved = useMemo(
    () => (sound ? movedBy(view.content, change, [analysis.context.device.id]) : []),
    [view, change, sound, analysis],
  );
  return (
    <Card title="Name-plate and medium">
      <Row first className="gap-4">
        <DraftNotice draft={draft} />
        <Text as="small">
          As it stands there, in any unit: 80 mm, 8 cm, 3 in. What the menu asks is converted.
        </Text>
        {lines.map(({ fact }, i) => (
          <FactField key={fact.key} fact={fact} control={control} name={`texts.${i}`} />
        ))}
        <MovedValues moved={moved} />
        <SaveNotice saver={saver} />
        <FormActions
          label="Store the facts"
          onStore={() => void handleSubmit(() => saver.save(change, { then: leave }))()}
          onCancel={leave}
          disabled={!sound}
          waiting={saver.saving}
        />
      </Row>
    </Card>
  );
}

function FactField({
  fact,
  control,
  name,
}: {
  fact: PlateLine['fact'];
  control: Control<{ texts: string[] }>;
  name: `texts.${number}`;
}) {
  const { label, kind, choices, example } = fact;
  return (
    <Controller
      control={control}
      name={name}
      rules={{ validate: (text) => textOf(plateProblem(fact, text, typedStyle())) ?? true }}
      render={({ field, fieldState }) =>
        kind === 'choice' ? (
          <Select
            label={label}
            value={field.value}
            options={[{ value: '', label: 'not known yet' }, ...(choices ?? [])]}
            onChange={field.onChange}
          />
        ) : (
          <Field
            label={label}
            value={field.value}
            onChange={field.onChange}
            problem={fieldState.error?.message}
            hint={`such as ${example}`}
            mono={kind === 'number'}
            maxLength={60}
          />
        )
      }
    />
  );
}
