import { View } from 'react-native';
import { OptionTile } from './OptionTile';
import { Text } from './Text';

/** Some of a few, at least one, all in sight. */
export function Chips<T extends string>({
  label,
  options,
  chosen,
  onChange,
}: {
  label: string;
  options: readonly { value: T; label: string }[];
  chosen: readonly T[];
  onChange: (chosen: T[]) => void;
}) {
  const toggle = (value: T) => {
    const next = options.map((option) => option.value).filter((v) => (v === value) !== chosen.includes(v));
    if (next.length) onChange(next);
  };
  return (
    <View className="gap-1.5" role="group" aria-label={label}>
      <Text as="strong">{label}</Text>
      <View className="flex-row flex-wrap gap-2">
        {options.map(({ value, label: name }) => (
          <OptionTile key={value} label={name} isOn={chosen.includes(value)} onPress={() => toggle(value)} />
        ))}
      </View>
    </View>
  );
}
