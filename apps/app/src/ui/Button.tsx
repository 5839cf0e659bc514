import type { ReactNode } from 'react';
import { Pressable } from 'react-native';
import { Busy } from './Busy';
import { useTokens } from './theme';
import { Text } from './Text';

/** Classes of box and text by the kind of a button. */
export const BUTTON_KINDS = {
  main: { box: 'bg-ink border-ink', text: 'text-plate' },
  plain: { box: 'bg-plate border-rim', text: 'text-ink' },
  danger: { box: 'bg-plate border-fail', text: 'text-fail' },
  bare: { box: 'bg-transparent border-transparent -mr-4', text: 'text-accent' },
} as const;

export const BUTTON_BOX =
  'min-h-[48px] max-w-full shrink flex-row items-center justify-center gap-2 rounded-plate border-fine px-4 py-2 active:opacity-70';

/** A button of at least 48 high. Shows that it waits; cannot be pressed twice meanwhile. */
export function Button({
  label,
  onPress,
  kind = 'plain',
  waiting = false,
  disabled = false,
  icon,
  grow = false,
  testID,
}: {
  label: string;
  onPress: () => void;
  kind?: keyof typeof BUTTON_KINDS;
  waiting?: boolean;
  disabled?: boolean;
  icon?: ReactNode;
  grow?: boolean;
  /** By which keys find it. */
  testID?: string;
}) {
  const tokens = useTokens();
  const { box, text } = BUTTON_KINDS[kind];
  return (
    <Pressable
      role="button"
      testID={testID}
      aria-label={label}
      aria-disabled={disabled || waiting}
      disabled={disabled || waiting}
      onPress={onPress}
      className={`no-print ${BUTTON_BOX} ${box} ${disabled ? 'opacity-40' : ''} ${grow ? 'flex-1' : ''}`}
    >
      {waiting ? (
        <Busy label="Working" size="small" color={kind === 'main' ? tokens.plate : tokens.ink} />
      ) : (
        icon
      )}
      <Text as="strong" className={`shrink text-center ${text}`}>
        {label}
      </Text>
    </Pressable>
  );
}
