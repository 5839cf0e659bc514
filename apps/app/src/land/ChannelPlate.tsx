import { textOf } from '@keypost/core/messages';
import { commonWords } from '@keypost/core/network';
import { portFits, railWords } from '@keypost/core/job';
import type { DeviceOutput, DeviceType } from '@keypost/core/catalog';
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
  const options = channelOptions(point.index, context, context.point.id);
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

/** Free places that suit an output, and those of its own point, by group with what its common sits on. */
export function channelOptions(
  index: JobIndex,
  { type, output }: { readonly type: DeviceType; readonly output: DeviceOutput | undefined },
  pointId: string | undefined,
): { value: string; label: string; group: string }[] {
  return index.job.modules.flatMap((module) =>
    index.portsOf(module.id).flatMap((port) => {
      if (!portFits(type, output, port)) return [];
      const place = { moduleId: module.id, channel: port.channel };
      const holder = index.deviceAt(place);
      const own = pointId !== undefined && index.pointAt(place)?.id === pointId;
      const shared = port.kind === 'serial' || (holder && index.deviceType(holder).description.inline);
      if (holder && !own && !shared) return [];
      const rail = index.railOf(module.id, port.common)?.rail ?? port.inside?.rail;
      const volts = port.inside?.volts ?? index.job.supplies[0]!.volts;
      const sits = rail ? `on ${railWords(rail, volts)}` : 'on no rail';
      const group =
        port.kind === 'digital'
          ? `${module.tag}, ${textOf(commonWords(port)).toLowerCase()} ${sits}`
          : `${module.tag}`;
      return [{ value: `${module.id}:${port.channel}`, label: `${module.tag} ${port.label}`, group }];
    }),
  );
}
