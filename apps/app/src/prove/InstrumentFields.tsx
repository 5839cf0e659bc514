import { Instrument } from '@keypost/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Field } from '../ui/Field';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';

const KEY = 'keypost.instrument';
const FIRST = { name: 'Multimeter', percent: '0.5', volts: '0.02' };

type Texts = typeof FIRST;

function remembered(): Texts {
  try {
    return { ...FIRST, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Texts>) };
  } catch {
    return FIRST;
  }
}

/** The instrument in use, remembered on this device; nothing while it is not sound. */
export function useInstrument() {
  const [texts, setTexts] = useState<Texts>(remembered);
  const parsed = Instrument.safeParse({
    name: texts.name,
    percent: number(texts.percent),
    volts: number(texts.volts),
  });
  const change = (patch: Partial<Texts>) => {
    const next = { ...texts, ...patch };
    setTexts(next);
    try {
      localStorage.setItem(KEY, JSON.stringify(next));
    } catch {
      // Kept for this visit only.
    }
  };
  const problem = parsed.success ? undefined : parsed.error.issues[0]?.message;
  return {
    instrument: parsed.success ? parsed.data : undefined,
    problem,
    fields: { texts, onChange: change },
  };
}

function number(text: string): number {
  return text.trim() === '' ? Number.NaN : Number(text.replace(',', '.'));
}

/** Which instrument measured, and how well it measures. */
export function InstrumentFields({
  texts,
  onChange,
  problem,
}: {
  texts: Texts;
  onChange: (patch: Partial<Texts>) => void;
  problem: string | undefined;
}) {
  return (
    <Plate title="Instrument">
      <Row first className="gap-3">
        <Field label="Name" value={texts.name} onChange={(name) => onChange({ name })} maxLength={40} />
        <View className="flex-row gap-3">
          <View className="flex-1">
            <Field
              label="Of reading"
              value={texts.percent}
              onChange={(percent) => onChange({ percent })}
              unit="%"
              inputMode="decimal"
              mono
            />
          </View>
          <View className="flex-1">
            <Field
              label="And fixed"
              value={texts.volts}
              onChange={(volts) => onChange({ volts })}
              unit="V"
              inputMode="decimal"
              mono
            />
          </View>
        </View>
        {problem && <Words as="fail">{problem}</Words>}
        <Words as="small">Limits are widened by this much before a reading fails.</Words>
      </Row>
    </Plate>
  );
}
