import { capital } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { descriptionOf } from '@keypost/core/job';
import { wayTo } from '@keypost/core/setting';
import { TEACH_COMMANDS, TEACH_SELECT_INDEX } from '@keypost/core/ioLink';
import type { TeachCommand } from '@keypost/core/ioLink';
import { useState } from 'react';
import { View } from 'react-native';
import { mutate } from 'swr';
import { keys } from '../data/jobs';
import { server } from '../data/server';
import { whoActs } from '../data/who';
import { asProblem } from '../data/asProblem';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { RadioGroup } from '../ui/RadioGroup';
import { Caution } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

const COMMANDS = Object.keys(TEACH_COMMANDS) as TeachCommand[];

/** Teaching of a smart sensor's switching points, where the device can be spoken to and has them. */
export function TeachCommands({ point }: { point: OpenPoint }) {
  const { device } = point.analysis.context;
  const [channel, setChannel] = useState<'1' | '2'>('1');
  const [said, setSaid] = useState<string>();
  const [busy, setBusy] = useState(false);
  const teachable = descriptionOf(point.view.content.descriptions, device)?.description.variables.some(
    ({ index }) => index === TEACH_SELECT_INDEX,
  );
  if (!teachable || wayTo(point.index, device.id)?.kind !== 'port') return null;
  const teach = async (command: TeachCommand) => {
    const by = await whoActs();
    if (by === undefined) return;
    setBusy(true);
    try {
      const { values, away } = await server('teach', {
        params: { jobId: point.view.id, itemId: device.id },
        body: { by, channel: channel === '1' ? 1 : 2, command },
      });
      await mutate(keys.job(point.view.id));
      setSaid(textOf(away ?? `Taken over: ${Object.values(values).join(' and ')}, read back.`));
    } catch (error) {
      setSaid(textOf(asProblem(error).details.message));
    }
    setBusy(false);
  };
  return (
    <Card title="Over IO-Link">
      <Row first className="gap-3">
        <RadioGroup
          label="Switching channel"
          value={channel}
          onChange={setChannel}
          options={[
            { value: '1', label: 'Channel 1' },
            { value: '2', label: 'Channel 2' },
          ]}
        />
        <Caution>What the output starts may move when the switching point jumps.</Caution>
        <View className="gap-2">
          {COMMANDS.map((command) => (
            <Button
              key={command}
              label={capital(command)}
              disabled={busy}
              onPress={() => void teach(command)}
            />
          ))}
        </View>
        {said && (
          <Text as="small" role="status">
            {said}
          </Text>
        )}
      </Row>
    </Card>
  );
}
