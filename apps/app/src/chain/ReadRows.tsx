import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';
import { written } from '@keypost/core/units';
import type { ReadingSource } from './readingSources';
import { useReadings } from './useReadings';
import type { Reading } from './useReadings';

/** So many readings are taken at once, one every so many seconds. */
const MOST = 10;
const EVERY = 1;

/** How far apart readings truly came, s. */
const apart = (rows: readonly Reading[]): number => (rows.at(-1)?.at ?? 0) / Math.max(1, rows.length - 1);

/** Takes a row of readings from the device, or from a bench source in its place. */
export function ReadRows({
  source,
  what = '',
  most = MOST,
  every = EVERY,
  onDone,
}: {
  source: ReadingSource;
  /** Which row it is, where there are two. */
  what?: string;
  most?: number;
  /** Between two, s; what answers more slowly is read as it answers. */
  every?: number;
  /** @param period between two as they came, s. */
  onDone: (values: readonly number[], period: number) => void;
}) {
  const { rows, running, problem, start, stop } = useReadings(source, every, (all) =>
    onDone(
      all.flatMap(({ value }) => (value === undefined ? [] : [value])),
      Number(apart(all).toPrecision(2)),
    ),
  );
  return (
    <View className="gap-2">
      <Button
        label={
          running
            ? `Reading ${rows.length} of ${most}: stop`
            : `Read ${source.name} ${most} times${what && `, ${what}`}`
        }
        onPress={() => (running ? stop() : start(most))}
      />
      {problem !== undefined && <Notice>{problem}</Notice>}
      {!running && problem === undefined && rows.length > 0 && (
        <Text as="small" role="status">
          {`Read ${rows.length} times, every ${written(apart(rows), 2)} s.`}
        </Text>
      )}
    </View>
  );
}
