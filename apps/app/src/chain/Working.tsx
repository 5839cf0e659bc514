import { View } from 'react-native';
import { Button } from '../ui/Button';
import { useTokens } from '../ui/theme';
import { Text } from '../ui/Text';
import { grouped } from './chainText';

/** How far long work is, with a way to stop it. */
export function Working({ count, all, onStop }: { count: number; all: number; onStop: () => void }) {
  const { line, accent } = useTokens();
  return (
    <View className="gap-2">
      <View
        role="progressbar"
        aria-valuenow={count}
        aria-valuemax={all}
        aria-label="Progress"
        style={{ height: 8, borderRadius: 4, backgroundColor: line }}
      >
        <View
          style={{ height: 8, borderRadius: 4, backgroundColor: accent, width: `${(100 * count) / all}%` }}
        />
      </View>
      <View className="flex-row items-center justify-between">
        <Text as="mono">{`${grouped(count)} of ${grouped(all)}`}</Text>
        <Button label="Stop" onPress={onStop} />
      </View>
    </View>
  );
}
