import { changesFor, landingFor } from '@keypost/core/job';
import type { SingleChange } from '@keypost/core/job';
import { useState } from 'react';
import { View } from 'react-native';
import type { Saver } from '../data/useSave';
import { channelOptions } from '../point/channelOptions';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';

/** Where the point's signal is landed, and the way to move it. */
export function ChannelCard({ point, saver }: { point: OpenPoint; saver: Saver }) {
  const { context } = point.analysis;
  const now = context.place ? `${context.place.moduleId}:${context.place.channel}` : '';
  const [chosen, setChosen] = useState(now);
  const options = channelOptions(point.index, context, context.point.id);
  const move = () => {
    const { point: own, type, output } = context;
    const [moduleId = '', channel] = chosen.split(':');
    const place = chosen === '' ? null : { moduleId, channel: Number(channel) };
    const landing = place && landingFor(point.index, place, type, output);
    const set = landing ? changesFor(point.index, landing) : [];
    const move: SingleChange = { kind: 'assign', pointId: own.id, place };
    void saver.save(set.length ? { kind: 'batch', changes: [...set, move] } : move);
  };
  return (
    <Card title="Channel" aside={context.address ? <Text as="mono">{context.address}</Text> : undefined}>
      <Row first className="gap-3">
        {options.length === 0 && <Text as="soft">There is no free channel. Add a module in Panel.</Text>}
        <Select
          label="Channel of the signal wire"
          value={chosen}
          onChange={setChosen}
          options={[{ value: '', label: 'no channel' }, ...options]}
        />
        {chosen !== now && (
          <View className="flex-row gap-3">
            <Button
              label={chosen === '' ? 'Take it off its channel' : 'Land it here'}
              kind="main"
              waiting={saver.saving}
              onPress={move}
              grow
            />
          </View>
        )}
      </Row>
    </Card>
  );
}
