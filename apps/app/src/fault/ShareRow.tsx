import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from '../ui/Text';
import { ChevronDown, ChevronUp } from '../ui/laterIcons';
import { useTokens } from '../ui/theme';

interface Shown {
  readonly text: string;
  readonly share: number;
  readonly children?: ReactNode;
}

/** A suspect with its share, as a number and a bar; perhaps opened for what lies below it. */
export function ShareRow({
  below,
  open = false,
  onToggle,
  ...shown
}: Shown & { below?: ReactNode; open?: boolean; onToggle?: () => void }) {
  if (!onToggle)
    return (
      <View role="listitem" className="gap-1">
        <Share {...shown} />
      </View>
    );
  return (
    <View role="listitem">
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={onToggle}
        className="min-h-[48px] justify-center gap-1 active:bg-wash"
      >
        <Share {...shown} mark={open ? 'open' : 'closed'} />
      </Pressable>
      {open && <View className="gap-3 pt-3">{below}</View>}
    </View>
  );
}

function Share({ text, share, children, mark }: Shown & { mark?: 'open' | 'closed' }) {
  const { line, accent, soft } = useTokens();
  const percent = Math.round(100 * share);
  return (
    <>
      <View className="flex-row items-baseline justify-between gap-3">
        <Text as="strong" className="min-w-0 flex-1">
          {text}
        </Text>
        <Text as="number">{percent < 1 ? '< 1 %' : `${percent} %`}</Text>
        {mark === 'closed' && <ChevronDown size={20} color={soft} style={{ alignSelf: 'center' }} />}
        {mark === 'open' && <ChevronUp size={20} color={soft} style={{ alignSelf: 'center' }} />}
      </View>
      <View style={{ height: 6, borderRadius: 3, backgroundColor: line }}>
        <View style={{ height: 6, borderRadius: 3, backgroundColor: accent, width: `${percent}%` }} />
      </View>
      {children}
    </>
  );
}
