import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Text } from '../ui/Text';
import { useTokens } from '../ui/theme';

/** A suspect with its share, as a number and a bar. */
export function ShareRow({ text, share, children }: { text: string; share: number; children?: ReactNode }) {
  const { line, accent } = useTokens();
  const percent = Math.round(100 * share);
  return (
    <View role="listitem" className="gap-1">
      <View className="flex-row items-baseline justify-between gap-3">
        <Text as="strong" className="min-w-0 flex-1">
          {text}
        </Text>
        <Text as="number">{percent < 1 ? '< 1 %' : `${percent} %`}</Text>
      </View>
      <View style={{ height: 6, borderRadius: 3, backgroundColor: line }}>
        <View style={{ height: 6, borderRadius: 3, backgroundColor: accent, width: `${percent}%` }} />
      </View>
      {children}
    </View>
  );
}
