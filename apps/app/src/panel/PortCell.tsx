import { textOf } from '@keypost/core/messages';
import { addressOf } from '@keypost/core/job';
import { commonText } from '@keypost/core/network';
import type { ChannelPlace, JobIndex } from '@keypost/core/job';
import type { Module } from '@keypost/core/model';
import type { PointProgress } from '@keypost/core/proving';
import type { Port } from '@keypost/core/catalog';
import { Pressable, View } from 'react-native';
import { GoTo } from '../ui/GoTo';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';
import type { Moving } from './useMoving';

/** One channel of a module: its name, what is on it, and how far that is. Opens it, or takes part in a move. */
export function PortCell({
  index,
  module,
  port,
  progress,
  jobBase,
  moving,
}: {
  index: JobIndex;
  module: Module;
  port: Port;
  progress: readonly PointProgress[] | undefined;
  jobBase: `/job/${string}`;
  moving: Moving;
}) {
  const place: ChannelPlace = { moduleId: module.id, channel: port.channel };
  const point = index.pointAt(place);
  const row = progress?.find(({ pointId }) => pointId === point?.id);
  const channel = module && port.kind === 'digital' ? String(port.channel) : port.label;
  const state = moving.stateOf(place, point?.id);
  const inside = (
    <>
      <View className="min-w-0 flex-1">
        <Text as="small" className="font-figure text-[0.75rem] leading-[0.9375rem]">
          {`${channel}  ${addressOf(module, index.moduleType(module), port.channel) ?? ''}`}
        </Text>
        <Text as={point ? 'strong' : 'soft'}>{point?.tag ?? (state === 'target' ? 'here' : 'free')}</Text>
      </View>
      {row && <StatusIcon kind={row.overall} size={20} />}
    </>
  );
  const box = `min-h-[52px] flex-row items-center gap-2 border-b border-r border-line px-3 py-1 active:bg-wash ${BOX[state]}`;
  const said = `${module.tag} ${port.label}, ${textOf(commonText(port)).toLowerCase()}`;
  if (moving.on)
    return (
      <Pressable
        role="button"
        aria-label={`${said}, ${point ? `${point.tag} ${point.name}` : 'free'}`}
        aria-pressed={state === 'picked' || state === 'chosen'}
        aria-disabled={state === 'idle'}
        disabled={state === 'idle'}
        onPress={() => moving.touch(place, point?.id)}
        className={box}
      >
        {inside}
      </Pressable>
    );
  return (
    <GoTo
      label={point ? `${said}, ${point.tag} ${point.name}` : `${said}, free: add a point here`}
      to={point ? `${jobBase}/point/${point.id}` : `${jobBase}/new-point?at=${module.id}:${port.channel}`}
      className={box}
    >
      {inside}
    </GoTo>
  );
}

const BOX: Readonly<Record<ReturnType<Moving['stateOf']>, string>> = {
  rest: '',
  idle: 'opacity-40',
  source: '',
  picked: 'bg-wash border-l-[5px] border-l-accent',
  target: 'border-l-[5px] border-l-wait',
  chosen: 'bg-wash border-l-[5px] border-l-accent',
};
