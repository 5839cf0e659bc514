import { textOf } from '@keypost/core/messages';
import { movedBy, plateLines, plateProblem } from '@keypost/core/setting';
import type { Change } from '@keypost/core/job';
import type { Card as PlateFacts } from '@keypost/core/model';
import type { PlateLine } from '@keypost/core/setting';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { MovedValues } from '../job/MovedValues';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
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
  const known = useKnown();
  const [texts, setTexts] = useState<PlateFacts>(() =>
    Object.fromEntries(lines.map(({ fact, typed = '' }) => [fact.key, typed])),
  );
  const problems = lines.map(({ fact }) => textOf(plateProblem(fact, texts[fact.key] ?? '')));
  const change = useMemo<Change>(() => {
    const filled = Object.entries(texts).filter(([, text]) => text.trim() !== '');
    return { kind: 'setPlate', pointId: analysis.context.point.id, plate: Object.fromEntries(filled) };
  }, [texts, analysis]);
  const sound = problems.every((problem) => problem === undefined);
  const moved = useMemo(
    () => (sound ? movedBy(view.content, change, [analysis.context.device.id]) : []),
    [view, change, sound, analysis],
  );
  return (
    <Card title="Name-plate and medium">
      <Row first className="gap-4">
        <Text as="small">
          As it stands there, in any unit: 80 mm, 8 cm, 3 in. What the menu asks is converted.
        </Text>
        {lines.map(({ fact }, i) => (
          <FactField
            key={fact.key}
            fact={fact}
            value={texts[fact.key] ?? ''}
            problem={problems[i]}
            onChange={(text) => setTexts({ ...texts, [fact.key]: text })}
          />
        ))}
        <MovedValues moved={moved} />
        {!known && <WhoAmI />}
        <SaveNotice saver={saver} />
        <FormActions
          label="Store the facts"
          onStore={() => void saver.save(change, { then: onDone })}
          onCancel={onDone}
          disabled={!known || !sound}
          waiting={saver.saving}
        />
      </Row>
    </Card>
  );
}

function FactField({
  fact: { label, kind, choices, example },
  value,
  problem,
  onChange,
}: {
  fact: PlateLine['fact'];
  value: string;
  problem: string | undefined;
  onChange: (text: string) => void;
}) {
  return kind === 'choice' ? (
    <Select
      label={label}
      value={value}
      options={[{ value: '', label: 'not known yet' }, ...(choices ?? [])]}
      onChange={onChange}
    />
  ) : (
    <Field
      label={label}
      value={value}
      onChange={onChange}
      problem={problem}
      hint={`such as ${example}`}
      mono={kind === 'number'}
      maxLength={60}
    />
  );
}
