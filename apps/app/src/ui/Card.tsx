import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Text } from './Text';

/** A surface with a fine edge; its title stands in its first row. */
export function Card({ title, aside, children }: { title?: string; aside?: ReactNode; children: ReactNode }) {
  return (
    <View
      className="overflow-hidden rounded-plate border-fine border-edge bg-plate"
      role="group"
      aria-label={title}
    >
      {title !== undefined && (
        <View className="min-h-[50px] flex-row flex-wrap content-center items-center justify-between gap-x-3 border-b border-line px-4">
          <Text as="head" role="heading" aria-level={2}>
            {title}
          </Text>
          {aside}
        </View>
      )}
      {children}
    </View>
  );
}

/** A row of a plate, with a line above all but the first. */
export function Row({
  first = false,
  children,
  className = '',
}: {
  first?: boolean;
  children: ReactNode;
  className?: string;
}) {
  return <View className={`px-4 py-3 ${first ? '' : 'border-t border-line'} ${className}`}>{children}</View>;
}
