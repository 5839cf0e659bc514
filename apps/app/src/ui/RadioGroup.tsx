import { View } from 'react-native';
import { OptionTile } from './OptionTile';
import { Text } from './Text';

/** One of a few, all in sight. */
export function RadioGroup<T extends string>({
  label,
  value,
  options,
  onChange,
  problem,
}: {
  label?: string;
  value: T;
  options: readonly { value: T; label: string; hint?: string }[];
  onChange: (value: T) => void;
  problem?: string;
}) {
  return (
    <View className="gap-1.5" role="radiogroup" aria-label={label}>
      {label && <Text as="strong">{label}</Text>}
      <View className="flex-row flex-wrap gap-2">
        {options.map((option) => (
          <OptionTile
            key={option.value}
            role="radio"
            label={option.label}
            hint={option.hint}
            isOn={option.value === value}
            onPress={() => onChange(option.value)}
          />
        ))}
      </View>
      {problem && <Text as="fail">{problem}</Text>}
    </View>
  );
}
