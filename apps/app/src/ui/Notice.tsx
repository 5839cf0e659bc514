import type { ReactNode } from 'react';
import { View } from 'react-native';
import { TriangleAlert } from './icons';
import { useTokens } from './theme';
import { Text } from './Text';

/** Something that went wrong, with what can be done about it. */
export function Notice({ children, actions }: { children: ReactNode; actions?: ReactNode }) {
  return (
    <View role="alert" className="gap-3 rounded-plate border-fine border-fail bg-failwash p-4">
      <Text as="body">{children}</Text>
      {actions && <View className="flex-row flex-wrap gap-3">{actions}</View>}
    </View>
  );
}

/** What can hurt at this step. A caution never gives permission. */
export function Caution({ children }: { children: string }) {
  const { wait } = useTokens();
  return (
    <View className="flex-row gap-2" role="note" aria-label={`Caution: ${children}`}>
      <TriangleAlert size={18} color={wait} style={{ marginTop: 1 }} />
      <Text as="small" className="flex-1 text-wait">
        {children}
      </Text>
    </View>
  );
}
