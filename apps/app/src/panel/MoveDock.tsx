import { sure } from '@keypost/core/lists';
import type { JobView } from '@keypost/api';
import type { JobIndex } from '@keypost/core/job';
import type { VerdictStatus } from '@keypost/core/verdict';
import { useEffect } from 'react';
import { View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { Button } from '../ui/Button';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';
import type { Moving } from './useMoving';

const WOULD: Readonly<Record<VerdictStatus, string>> = {
  works: 'it would work',
  doubtful: 'it would be doubtful',
  cannot: 'it cannot work as the common sits now',
  open: 'it would not be landed',
};

/** Says what to touch next while something is moved, and stores the move. */
export function MoveDock({ view, index, moving }: { view: JobView; index: JobIndex; moving: Moving }) {
  const saver = useSave(view);
  const { pointId, place, status, change, end } = moving;
  useEscape(end);
  const point = pointId ? index.point(pointId) : undefined;
  const at = place && `${sure(index.module(place.moduleId)).tag} ${index.port(place).label}`;
  const words = !point
    ? 'Touch the device that moves.'
    : !at
      ? `${point.tag}: touch the free channel where it goes.`
      : `${point.tag} on ${at}: ${WOULD[status ?? 'open']}.`;
  return (
    <View className="gap-2 border-t-[1.5px] border-edge bg-plate px-4 py-2" role="status">
      <SaveNotice saver={saver} />
      <View className="flex-row items-center gap-3">
        {status && <StatusIcon kind={status === 'works' ? 'proven' : status} size={24} />}
        <Text as="strong" className="min-w-0 flex-1">
          {words}
        </Text>
      </View>
      <View className="flex-row gap-3">
        {change && (
          <Button
            label="Move it here"
            kind="main"
            grow
            waiting={saver.saving}
            onPress={() => void saver.save(change, { then: end })}
          />
        )}
        <Button label="Leave it" onPress={end} grow={!change} />
      </View>
    </View>
  );
}

/** The escape key leaves everything where it is. */
function useEscape(leave: () => void): void {
  useEffect(() => {
    const listen = ({ key }: KeyboardEvent) => {
      if (key === 'Escape') leave();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  });
}
