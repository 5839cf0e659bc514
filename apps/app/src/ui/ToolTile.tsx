import type { ComponentType } from 'react';
import { Pressable } from 'react-native';
import { Text } from './Text';
import { useTokens } from './theme';

/** A tool in a row of some: a sign with its word below; one that stays on is filled. */
export function ToolTile({
  icon: Icon,
  word,
  label,
  on,
  onPress,
}: {
  icon: ComponentType<{ size: number; color: string }>;
  word: string;
  /** For those who hear it. */
  label: string;
  /** Absent of a tool that does one thing at a time. */
  on?: boolean;
  /** Absent while it can do nothing. */
  onPress: (() => void) | undefined;
}) {
  const { ink, plate } = useTokens();
  return (
    <Pressable
      role="button"
      aria-label={label}
      aria-pressed={on}
      aria-disabled={!onPress}
      disabled={!onPress}
      onPress={onPress}
      className={`min-h-[52px] flex-1 items-center justify-center gap-0.5 rounded-plate border-fine px-1 active:opacity-70 ${on ? 'border-ink bg-ink' : 'border-rim bg-plate'} ${onPress ? '' : 'opacity-40'}`}
    >
      <Icon size={20} color={on ? plate : ink} />
      <Text as="small" className={on ? 'text-plate' : 'text-ink'}>
        {word}
      </Text>
    </Pressable>
  );
}
