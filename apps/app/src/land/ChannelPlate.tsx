import { channelsOf, groupOfChannel, moduleType, railWords } from '@keypost/core';
import { useState } from 'react';
import { View } from 'react-native';
import type { Saver } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Plate, Row } from '../ui/Plate';
import { Select } from '../ui/Select';
import { Words } from '../ui/Words';
import type { JobIndex } from '@keypost/core';

/** Where the point's signal is landed, and the way to move it. */
export function ChannelPlate({ point, saver }: { point: OpenPoint; saver: Saver }) {
  const { context } = point.analysis;
  const known = useKnown();
  const now = context.place ? `${context.place.moduleId}:${context.place.channel}` : '';
  const [chosen, setChosen] = useState(now);
  const options = channelOptions(point.index, context.device.id);
  const move = () => {
    const [moduleId, channel] = chosen.split(':');
    const place = chosen === '' ? null : { moduleId: moduleId!, channel: Number(channel) };
    void saver.save({ kind: 'assign', pointId: context.point.id, place });
  };
  return (
    <Plate title="Channel" aside={context.address ? <Words as="mono">{context.address}</Words> : undefined}>
      <Row first className="gap-3">
        {options.length === 0 && <Words as="soft">There is no free channel. Add a module in Panel.</Words>}
        <Select
          label="Channel of the signal wire"
          value={chosen}
          onChange={setChosen}
          options={[{ value: '', label: 'no channel' }, ...options]}
        />
        {chosen !== now &&
          (known ? (
            <View className="flex-row gap-3">
              <Button
                label={chosen === '' ? 'Take it off its channel' : 'Land it here'}
                kind="main"
                waiting={saver.saving}
                onPress={move}
                grow
              />
            </View>
          ) : (
            <WhoAmI />
          ))}
      </Row>
    </Plate>
  );
}

/** Free channels, and that of the device itself, by group with what its common sits on. */
export function channelOptions(
  index: JobIndex,
  deviceId: string | undefined,
): { value: string; label: string; group: string }[] {
  return index.job.modules.flatMap((module) => {
    const type = moduleType(module.typeId);
    return channelsOf(type).flatMap((channel) => {
      const holder = index.deviceAt({ moduleId: module.id, channel });
      if (holder && holder.id !== deviceId) return [];
      const { common } = groupOfChannel(type, channel)!;
      const rail = index.railOf(module.id, common);
      const sits = rail ? `on ${railWords(rail.rail, rail.supply.volts)}` : 'on no rail';
      return [
        {
          value: `${module.id}:${channel}`,
          label: `${module.tag} channel ${channel}`,
          group: `${module.tag}, common ${common.slice(3)} ${sits}`,
        },
      ];
    });
  });
}
