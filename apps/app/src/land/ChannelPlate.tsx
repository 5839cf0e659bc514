import { commonWords } from '@keypost/core/network';
import { deviceType } from '@keypost/core/catalog';
import { portFits, railWords } from '@keypost/core/job';
import type { DeviceType } from '@keypost/core/catalog';
import { useState } from 'react';
import { View } from 'react-native';
import type { Saver } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Plate, Row } from '../ui/Plate';
import { Select } from '../ui/Select';
import { Words } from '../ui/Words';
import type { JobIndex } from '@keypost/core/job';

/** Where the point's signal is landed, and the way to move it. */
export function ChannelPlate({ point, saver }: { point: OpenPoint; saver: Saver }) {
  const { context } = point.analysis;
  const known = useKnown();
  const now = context.place ? `${context.place.moduleId}:${context.place.channel}` : '';
  const [chosen, setChosen] = useState(now);
  const options = channelOptions(point.index, point.type, context.device.id);
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

/** Free places that suit a device, and its own, by group with what its common sits on. */
export function channelOptions(
  index: JobIndex,
  type: DeviceType,
  deviceId: string | undefined,
): { value: string; label: string; group: string }[] {
  return index.job.modules.flatMap((module) =>
    index.portsOf(module.id).flatMap((port) => {
      if (!portFits(type, port)) return [];
      const holder = index.deviceAt({ moduleId: module.id, channel: port.channel });
      const shared = port.kind === 'serial' || (holder && deviceType(holder.typeId).family === 'between');
      if (holder && holder.id !== deviceId && !shared) return [];
      const rail = index.railOf(module.id, port.common)?.rail ?? port.inside?.rail;
      const volts = port.inside?.volts ?? index.job.supplies[0]!.volts;
      const sits = rail ? `on ${railWords(rail, volts)}` : 'on no rail';
      const group =
        port.kind === 'digital'
          ? `${module.tag}, ${commonWords(port).toLowerCase()} ${sits}`
          : `${module.tag}`;
      return [{ value: `${module.id}:${port.channel}`, label: `${module.tag} ${port.label}`, group }];
    }),
  );
}
