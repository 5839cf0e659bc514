import { typedIn } from '../ui/typedNumbers';
import { schemaRefusal } from '../data/refusalText';
import { Instrument } from '@keypost/core/model';
import { useState } from 'react';
import { z } from 'zod';
import { readStored, store } from '../data/stored';
import { View } from 'react-native';
import { Field } from '../ui/Field';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** What is taken of an instrument that nobody described yet: a meter for volts, a tape for what is really there. */
const METER = { name: 'Multimeter', percent: '0.5', fixed: '0.02' };
const GAUGE = { name: 'Tape or gauge', percent: '0', fixed: '1' };
const SOURCE = { name: 'Bench source', percent: '0.02', fixed: '0.002' };

export type InstrumentKind = 'meter' | 'source' | 'gauge';

const keyOf = (kind: InstrumentKind, unit: string): string =>
  kind === 'meter' ? 'keypost.instrument' : `keypost.${kind}.${unit}`;

type Texts = typeof METER;
const Kept = z.object({ name: z.string(), percent: z.string(), fixed: z.string() }).partial();

function remembered(kind: InstrumentKind, unit: string): Texts {
  const first = { meter: METER, source: SOURCE, gauge: GAUGE }[kind];
  return { ...first, ...(readStored(keyOf(kind, unit), Kept) as Partial<Texts> | undefined) };
}

/** The instrument in use, remembered on this device; nothing while it is not sound. */
export function useInstrument(kind: InstrumentKind = 'meter', unit = 'V') {
  const [texts, setTexts] = useState<Texts>(() => remembered(kind, unit));
  const parsed = Instrument.safeParse({
    name: texts.name,
    percent: typedIn(texts.percent, '%'),
    fixed: typedIn(texts.fixed, unit),
    ...(unit !== 'V' && { unit }),
  });
  const change = (patch: Partial<Texts>) => {
    const next = { ...texts, ...patch };
    setTexts(next);
    store(keyOf(kind, unit), next);
  };
  const problem = schemaRefusal(parsed);
  return {
    instrument: parsed.success ? parsed.data : undefined,
    problem,
    fields: { texts, onChange: change, kind, unit },
  };
}

/** Which instrument measured, and how well it measures. */
export function InstrumentFields({
  texts,
  onChange,
  problem,
  kind,
  unit,
}: {
  texts: Texts;
  kind: InstrumentKind;
  unit: string;
  onChange: (patch: Partial<Texts>) => void;
  problem: string | undefined;
}) {
  return (
    <Card title={kind === 'source' ? 'Source' : 'Instrument'}>
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
              value={texts.fixed}
              onChange={(fixed) => onChange({ fixed })}
              unit={unit}
              inputMode="decimal"
              mono
            />
          </View>
        </View>
        {problem && <Text as="fail">{problem}</Text>}
        <Text as="small">Limits are widened by this much before a reading fails.</Text>
      </Row>
    </Card>
  );
}
