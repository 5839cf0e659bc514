import { View } from 'react-native';
import { tileBox, TileText } from './OptionTile';
import { Radio, Radios } from './Radios';
import { Text } from './Text';

/** One of a few, all in sight, as on any form. */
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
      <Radios label={label} value={value} onChange={onChange} className="flex-row flex-wrap gap-2">
        {options.map((option) => (
          <Radio
            key={option.value}
            value={option.value}
            label={option.label}
            className={tileBox(option.value === value)}
          >
            <TileText label={option.label} hint={option.hint} isOn={option.value === value} />
          </Radio>
        ))}
      </Radios>
      {problem && <Text as="fail">{problem}</Text>}
    </View>
  );
}
