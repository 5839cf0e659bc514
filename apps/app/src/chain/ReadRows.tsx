import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';
import type { ReadingSource } from './readingSources';
import { useReadings } from './useReadings';

/** So many readings are taken at once, one every so many seconds. */
const MOST = 10;
export const EVERY = 1;

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
  /** Between two, s. */
  every?: number;
  onDone: (values: readonly number[]) => void;
}) {
  const { rows, running, problem, start, stop } = useReadings(source, every, onDone);
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
          {`Read ${rows.length} times, every ${every} s.`}
        </Text>
      )}
    </View>
  );
}
