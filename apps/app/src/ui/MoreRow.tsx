import type { Href } from 'expo-router';
import { View } from 'react-native';
import { GoTo } from './GoTo';
import { ChevronRight } from './icons';
import { useTokens } from './theme';
import { Text } from './Text';

/** A way to a further page, with what stands there now. */
export function MoreRow({
  to,
  label,
  hint,
  loud = false,
  first,
}: {
  to: Href;
  label: string;
  hint: string;
  loud?: boolean;
  first: boolean;
}) {
  const { soft } = useTokens();
  return (
    <GoTo
      label={`${label}: ${hint}`}
      to={to}
      className={`min-h-[56px] flex-row items-center gap-3 px-4 py-1.5 active:bg-wash ${first ? '' : 'border-t border-line'}`}
    >
      <View className="min-w-0 flex-1">
        <Text as="strong">{label}</Text>
        <Text as="small" className={loud ? 'font-wordsemi text-wait' : ''}>
          {hint}
        </Text>
      </View>
      <ChevronRight size={22} color={soft} />
    </GoTo>
  );
}
