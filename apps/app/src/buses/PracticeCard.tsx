import { textOf } from '@keypost/core/messages';
import type { ApiProblem, PracticeState } from '@keypost/api';
import { useState } from 'react';
import { View } from 'react-native';
import useSWR from 'swr';
import { server } from '../data/server';
import { asProblem } from '../data/asProblem';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

const KEY = 'practice';
const STATES: Readonly<Record<PracticeState['ports'][number]['state'], string>> = {
  plugged: 'plugged in',
  unplugged: 'unplugged',
  wrong: 'another device plugged in',
  failing: 'made to fail',
  empty: 'empty',
};

type Act = 'unplug' | 'plug' | 'replace' | 'fail' | 'mend';
type What = { port: number } | { unit: number };

/** The simulated partners: pull a plug, put in the wrong device, let one fail. Only where this server runs them. */
export function PracticeCard() {
  const practice = useSWR<PracticeState, ApiProblem>(KEY, () => server('practice', {}));
  const [problem, setProblem] = useState<string>();
  const state = practice.data;
  if (!state?.links) return null;
  const act = (what: What, entry: Act) =>
    void server('practise', { body: { what, act: entry } })
      .then((next) => practice.mutate(next, { revalidate: false }))
      .catch((error: unknown) => setProblem(textOf(asProblem(error).details.message)));
  return (
    <Card title="Practice: simulated devices">
      <Row first className="gap-1">
        <Text as="small">{`Master at ${state.links.ioLink}, power monitor at ${state.links.modbusTcp} and ${state.links.modbusRtu}. Nothing real is connected.`}</Text>
        {problem && <Text as="fail">{problem}</Text>}
      </Row>
      {state.ports
        .filter(({ state: now }) => now !== 'empty')
        .map(({ port, name, state: now }) => (
          <Row key={port} className="gap-2">
            <Text as="strong">
              {`Port ${port}: ${name}`}
              <Text as="body" className="text-soft">{`  ${STATES[now]}`}</Text>
            </Text>
            <View className="flex-row flex-wrap gap-2">
              {now === 'plugged' ? (
                <>
                  <Button label={`Unplug port ${port}`} onPress={() => act({ port }, 'unplug')} />
                  <Button label="Wrong device" onPress={() => act({ port }, 'replace')} />
                  <Button label="Let it fail" onPress={() => act({ port }, 'fail')} />
                </>
              ) : (
                <Button
                  label={now === 'failing' ? `Mend port ${port}` : `Plug in port ${port}`}
                  kind="main"
                  onPress={() => act({ port }, now === 'failing' ? 'mend' : 'plug')}
                />
              )}
            </View>
          </Row>
        ))}
      {state.units.map(({ unit, silent }) => (
        <Row key={unit} className="gap-2">
          <Text as="strong">{`Unit ${unit}: power monitor`}</Text>
          <Button
            label={silent ? `Switch unit ${unit} on` : `Switch unit ${unit} off`}
            onPress={() => act({ unit }, silent ? 'plug' : 'unplug')}
          />
        </Row>
      ))}
    </Card>
  );
}
