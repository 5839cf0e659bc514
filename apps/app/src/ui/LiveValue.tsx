import { memo } from 'react';
import { View } from 'react-native';
import { Text } from './Text';

/** One value; drawn again only when what it says changes. Where it does not count, its flag stands in its place. */
export const LiveValue = memo(function LiveValue({
  name,
  text,
  flag,
  dim = false,
  long = false,
}: {
  name: string;
  text: string;
  flag?: string;
  /** Shown back, such as an output that is off. */
  dim?: boolean;
  /** Too long to stand beside its name. */
  long?: boolean;
}) {
  return (
    <View className={long ? 'gap-0.5' : 'flex-row flex-wrap items-baseline justify-between gap-x-3'}>
      <Text as="small" className={long ? '' : 'min-w-[40%] flex-1'}>
        {name}
      </Text>
      {flag !== undefined ? (
        <Text as="fail">{flag}</Text>
      ) : (
        <Text as="number" className={dim ? 'text-soft' : ''}>
          {text}
        </Text>
      )}
    </View>
  );
});
