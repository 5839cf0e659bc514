import * as Radios from '@rn-primitives/radio-group';
import { View } from 'react-native';
import { tileBox, TileText } from './OptionTile';
import { Text } from './Text';

/** One of a few, all in sight: one stop of the tab key, arrows go from one to the next, as on any form. */
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
    <View className="gap-1.5">
      {label && <Text as="strong">{label}</Text>}
      <Radios.Root
        value={value}
        onValueChange={(next) => onChange(next as T)}
        aria-label={label}
        className="flex-row flex-wrap gap-2"
      >
        {options.map((option) => (
          <Radios.Item
            key={option.value}
            value={option.value}
            aria-label={option.label}
            className={tileBox(option.value === value)}
          >
            <TileText label={option.label} hint={option.hint} isOn={option.value === value} />
          </Radios.Item>
        ))}
      </Radios.Root>
      {problem && <Text as="fail">{problem}</Text>}
    </View>
  );
}
