import { textOf } from '@keypost/core/messages';
import { movedBy, plateLines, plateProblem } from '@keypost/core/setting';
import type { Change } from '@keypost/core/job';
import type { Plate as PlateFacts } from '@keypost/core/model';
import type { PlateLine } from '@keypost/core/setting';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { MovedValues } from '../set/MovedValues';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { FormActions } from '../ui/FormActions';
import { Plate, Row } from '../ui/Plate';
import { Select } from '../ui/Select';
import { Words } from '../ui/Words';

/** Facts copied from the name-plate; settings follow from them. */
export function NamePlate({ point }: { point: OpenPoint }) {
  const [editing, setEditing] = useState(false);
  const lines = plateLines(point.index, point.analysis.context.point);
  if (lines.length === 0) return null;
  if (editing) return <PlateForm point={point} lines={lines} onDone={() => setEditing(false)} />;
  return (
    <Plate
      title="Name-plate and medium"
      aside={<Button label="Copy facts" kind="bare" onPress={() => setEditing(true)} />}
    >
      {lines.map(({ fact, typed, converted }, i) => (
        <Row key={fact.key} first={i === 0} className="flex-row items-baseline justify-between gap-3">
          <Words as="body" className="flex-1">
            {fact.label}
          </Words>
          <View className="items-end">
            <Words as={typed ? 'number' : 'small'}>{typed ? shown({ fact, typed }) : 'not copied yet'}</Words>
            {converted && converted !== typed && <Words as="small">{`= ${converted}`}</Words>}
          </View>
        </Row>
      ))}
    </Plate>
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
    <Plate title="Name-plate and medium">
      <Row first className="gap-4">
        <Words as="small">
          As it stands there, in any unit: 80 mm, 8 cm, 3 in. What the menu asks is converted.
        </Words>
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
    </Plate>
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
