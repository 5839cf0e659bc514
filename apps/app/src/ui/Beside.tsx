import type { ReactNode } from 'react';
import { View } from 'react-native';
import { useWide } from './useWide';

/** One above the other; where there is room beside each other, each going on by itself. */
export function Beside({ left, right }: { left: ReactNode; right: ReactNode }) {
  if (!useWide())
    return (
      <>
        {left}
        {right}
      </>
    );
  return (
    <View className="beside flex-row items-start gap-6">
      <View className="min-w-0 flex-1 gap-4">{left}</View>
      <View className="min-w-0 flex-1 gap-4">{right}</View>
    </View>
  );
}
