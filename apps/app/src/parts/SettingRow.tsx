import type { Setting } from '@keypost/core/catalog';
import { View } from 'react-native';
import { Caution } from '../ui/Notice';
import { RadioGroup } from '../ui/RadioGroup';
import { Select } from '../ui/Select';

const PLACES: Readonly<Record<Setting['place'], string>> = {
  switch: 'switch on the unit',
  parameter: 'in its menu',
  version: '',
};

/** One switch or parameter: few choices all in sight, many in a list. */
export function SettingRow({
  setting,
  value,
  onChange,
}: {
  setting: Setting;
  value: string;
  onChange: (value: string) => void;
}) {
  const { label, place, choices, caution } = setting;
  const words = PLACES[place] ? `${label} (${PLACES[place]})` : label;
  const options = choices.map((choice) => ({ value: choice.value, label: choice.label }));
  const control =
    choices.length > 4 ? (
      <Select label={words} value={value} options={options} onChange={onChange} />
    ) : (
      <RadioGroup label={words} value={value} options={options} onChange={onChange} />
    );
  if (!caution) return control;
  const risky = choices.find((choice) => choice.value === caution.value)?.label ?? caution.value;
  return (
    <View className="gap-2">
      {control}
      <Caution>{`${risky}: ${caution.text}`}</Caution>
    </View>
  );
}
