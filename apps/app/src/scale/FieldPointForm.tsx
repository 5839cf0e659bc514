import { textOf } from '@keypost/core/messages';
import { written } from '@keypost/core/units';
import { parseTyped } from '../ui/typedNumbers';
import type { CalibrationBody } from '@keypost/core/model';
import { useState } from 'react';
import { View } from 'react-native';
import type { Saver } from '../data/useSave';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Card, Row } from '../ui/Card';

const EMPTY = { in: '', out: '', note: '' };

interface FormOf {
  units: { unitIn: string; unitOut: string };
  /** Signal at which the chain stands now. */
  now: number | undefined;
  saver: Saver;
  onStore: (body: CalibrationBody, then?: () => void) => void;
}

/** A point from a known load in the field: put on, waited for, then both entered. */
export function FieldPointForm({ units: { unitIn, unitOut }, now, saver, onStore }: FormOf) {
  const [texts, setTexts] = useState(EMPTY);
  const [asked, setAsked] = useState(false);
  const [signal, value] = [parseTyped(texts.in, unitIn), parseTyped(texts.out, unitOut)];
  // What was typed while it was on its way stays.
  const onEmpty = () => {
    setTexts((now) => (now === texts ? EMPTY : now));
    setAsked(false);
  };
  const store = () => {
    setAsked(true);
    if (!signal.ok || !value.ok) return;
    const note = texts.note.trim();
    onStore({ kind: 'field', unitIn, unitOut, in: signal.value, out: value.value, note }, onEmpty);
  };
  return (
    <Card title="Add a field point">
      <Row first className="gap-3">
        <View className="flex-row gap-3">
          {(
            [
              ['in', 'Signal', unitIn, signal],
              ['out', 'Known value', unitOut, value],
            ] as const
          ).map(([key, label, unit, read]) => (
            <View key={key} className="min-w-0 flex-1">
              <Field
                label={label}
                value={texts[key]}
                onChange={(next) => setTexts({ ...texts, [key]: next })}
                unit={unit}
                inputMode="decimal"
                mono
                problem={asked && !read.ok ? textOf(read.problem) : undefined}
                hint={key === 'in' && now !== undefined ? `the chain is at ${written(now, 4)}` : undefined}
              />
            </View>
          ))}
        </View>
        <Field
          label="By what it is known"
          value={texts.note}
          onChange={(next) => setTexts({ ...texts, note: next })}
          placeholder="test weight 250 kg"
          maxLength={200}
        />
        <Button label="Add the point" kind="main" waiting={saver.saving} onPress={store} />
      </Row>
    </Card>
  );
}
