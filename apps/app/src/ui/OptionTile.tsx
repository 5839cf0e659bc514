import { Pressable } from 'react-native';
import { Text } from './Text';

/** One of the options that stand in sight: of which one is taken (`radio`), or some (`checkbox`). */
export function OptionTile({
  role,
  label,
  hint,
  isOn,
  onPress,
}: {
  role: 'radio' | 'checkbox';
  label: string;
  hint?: string;
  isOn: boolean;
  onPress: () => void;
}) {
  return (
    <Pressable
      role={role}
      aria-checked={isOn}
      aria-label={label}
      onPress={onPress}
      className={`min-h-[48px] max-w-full justify-center rounded-plate border-fine px-4 py-1.5 ${isOn ? 'border-ink bg-ink' : 'border-edge bg-plate'}`}
    >
      <Text as="strong" className={isOn ? 'text-plate' : ''}>
        {label}
      </Text>
      {hint && (
        <Text as="small" className={isOn ? 'text-plate opacity-80' : ''}>
          {hint}
        </Text>
      )}
    </Pressable>
  );
}
