import { unlessRefused } from '@keypost/core/model';
import { moveChain } from '@keypost/core/scaling';
import type { PointChain } from '@keypost/core/scaling';
import { View } from 'react-native';
import { linkNumber, linkText } from '../chain/chainText';
import { Text } from '../ui/Text';

/** A value in the units of every link of its chain. */
export function LinksAt({ made, value }: { made: PointChain; value: number }) {
  const words = linkText(made);
  const rows = unlessRefused(() => moveChain(made.chain, 'value', value).rows);
  if (!rows) return null;
  const keys = (['value', 'signal', 'counts', 'engineering', 'display'] as const).filter(
    (key, i, all) =>
      all.findIndex(
        (other) => words[other].unit === words[key].unit && words[other].label === words[key].label,
      ) === i,
  );
  return (
    <View className="flex-row flex-wrap gap-x-4 gap-y-1" role="group" aria-label="The value in every unit">
      {keys.map((key) => (
        <View key={key}>
          <Text as="small">{words[key].label}</Text>
          <Text as="number">
            {`${linkNumber(key, rows[key].value, words[key].digits)} ${words[key].unit}`.trim()}
          </Text>
        </View>
      ))}
    </View>
  );
}
