import { NOTHING_CONDUCTS } from '@keypost/core/fault';
import type { Look, Seen } from '@keypost/core/fault';
import { capital } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Caution } from '../ui/Notice';
import { Text } from '../ui/Text';
import { parseTyped } from '../ui/typedNumbers';
import { indicatorText } from './suspectText';

/** What can be seen: an indicator in its two states, or what a meter shows. */
export function Answer({
  kind,
  unit,
  wanders = false,
  isDead,
  onDead,
  onSee,
}: {
  kind: Look['kind'];
  /** The unit of a value. */
  unit?: string;
  /** Pulses come while it is read. */
  wanders?: boolean;
  /** Somebody said that it is isolated and proven dead. */
  isDead: boolean;
  onDead: (dead: boolean) => void;
  onSee: (is: Seen['is']) => void;
}) {
  if (kind === 'ohms') return <Ohms isDead={isDead} onDead={onDead} onSee={onSee} />;
  if (kind === 'volts')
    return (
      <>
        {isDead && (
          <>
            <Caution>It was isolated: whoever isolated it puts it back on first.</Caution>
            <Button label="It is back on" onPress={() => onDead(false)} />
          </>
        )}
        <Caution>
          Measured with power on: only by who is allowed to, with a meter and leads for it, under the local
          rules.
        </Caution>
        {wanders && (
          <Text as="small">A meter may wander while pulses come: type the middle of what it shows.</Text>
        )}
        <ReadField unit="V" onSee={onSee} />
      </>
    );
  if (kind === 'value') return <ReadField unit={unit ?? ''} label="The program has" onSee={onSee} />;
  if (kind === 'milliamps')
    return (
      <>
        <Caution>
          Opening the loop takes the value away: what it controls may move, and alarms may act. Only once the
          process is safe with that and everybody knows, and by who is allowed to.
        </Caution>
        <ReadField unit="mA" onSee={onSee} />
      </>
    );
  return (
    <View className="flex-row gap-3">
      <Button label={capital(indicatorText(kind, true))} kind="main" grow onPress={() => onSee(true)} />
      <Button label={capital(indicatorText(kind, false))} kind="main" grow onPress={() => onSee(false)} />
    </View>
  );
}

/** Ohms, once somebody says that it is dead. */
function Ohms({
  isDead,
  onDead,
  onSee,
}: {
  isDead: boolean;
  onDead: (dead: boolean) => void;
  onSee: (is: Seen['is']) => void;
}) {
  if (!isDead)
    return (
      <>
        <Caution>
          Ohms are never measured on anything live. Isolate it, secure it against being switched on again and
          prove it dead first: only by who is licensed to, under the local rules.
        </Caution>
        <Button label="It is isolated and proven dead" kind="main" onPress={() => onDead(true)} />
      </>
    );
  return (
    <>
      <ReadField unit="Ω" onSee={onSee} />
      <Button label="Nothing conducts: the meter shows its limit" onPress={() => onSee(NOTHING_CONDUCTS)} />
    </>
  );
}

function ReadField({
  unit,
  label = 'The meter shows',
  onSee,
}: {
  unit: string;
  label?: string;
  onSee: (reading: number) => void;
}) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const enter = () => {
    const read = parseTyped(text, unit);
    if (!read.ok) setProblem(textOf(read.problem));
    else if (unit === 'Ω' && read.value < 0)
      setProblem('A resistance is not negative: 0 Ω or more. Less means that it is not dead.');
    else onSee(read.value);
  };
  return (
    <>
      <Field
        label={label}
        value={text}
        onChange={setText}
        problem={problem}
        unit={unit}
        mono
        inputMode="decimal"
      />
      <Button label="Take it" kind="main" onPress={enter} />
    </>
  );
}
