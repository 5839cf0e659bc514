import type { BoardRow } from '@keypost/api';
import type { Status as StatusKind } from '@keypost/core/proving';
import { View } from 'react-native';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';

const ORDER: readonly StatusKind[] = ['cannot', 'failed', 'doubtful', 'underway', 'open', 'proven'];
const NAMES: Record<StatusKind, string> = {
  cannot: 'can’t work',
  failed: 'failed',
  doubtful: 'doubtful',
  underway: 'under way',
  open: 'to do',
  proven: 'proven',
};

/** Points that are stopped come first, those that are done last; equal ones keep the job's order. */
export function inOrder<Row extends Pick<BoardRow, 'overall'>>(rows: readonly Row[]): Row[] {
  return [...rows].sort((a, b) => ORDER.indexOf(a.overall) - ORDER.indexOf(b.overall));
}

/** How many points stand where. */
export function Tally({
  progress,
  narrow,
}: {
  progress: readonly Pick<BoardRow, 'overall'>[];
  narrow: boolean;
}) {
  const counts = ORDER.map((kind) => ({
    kind,
    count: progress.filter(({ overall }) => overall === kind).length,
  }));
  return (
    <View className="flex-row flex-wrap overflow-hidden rounded-plate border-fine border-edge bg-plate">
      {counts.map(({ kind, count }, i) => (
        <View
          key={kind}
          role="group"
          aria-label={`${count} ${NAMES[kind]}`}
          className={`min-w-[2.9rem] flex-1 items-center gap-0.5 px-0.5 py-2 ${i > 0 ? 'border-l border-line' : ''}`}
        >
          <View className="flex-row items-center gap-1">
            <StatusIcon kind={kind} size={16} />
            <Text as="number">{String(count)}</Text>
          </View>
          {!narrow && (
            <Text as="small" className="text-center text-[0.75rem] leading-[0.9375rem]">
              {NAMES[kind]}
            </Text>
          )}
        </View>
      ))}
    </View>
  );
}
