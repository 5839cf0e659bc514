import { View } from 'react-native';
import { OptionTile } from './OptionTile';
import { Words } from './Words';

/** One of a few, all in sight. */
export function Choice<T extends string>({
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
      {label && <Words as="strong">{label}</Words>}
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
      {problem && <Words as="fail">{problem}</Words>}
    </View>
  );
}
