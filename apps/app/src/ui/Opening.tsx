import { View } from 'react-native';
import { Busy } from './Busy';
import { Text } from './Text';
import { useTokens } from './theme';

/** Stands where a page will be, while its program is fetched. */
export function Opening() {
  const { ink } = useTokens();
  return (
    <View role="status" className="flex-1 flex-row items-center justify-center gap-3 p-8">
      <Busy color={ink} />
      <Text as="soft">Opening …</Text>
    </View>
  );
}
