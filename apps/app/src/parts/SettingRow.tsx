import type { Setting } from '@keypost/core/catalog';
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
  const { label, place, choices } = setting;
  const words = PLACES[place] ? `${label} (${PLACES[place]})` : label;
  const options = choices.map((choice) => ({ value: choice.value, label: choice.label }));
  return choices.length > 4 ? (
    <Select label={words} value={value} options={options} onChange={onChange} />
  ) : (
    <RadioGroup label={words} value={value} options={options} onChange={onChange} />
  );
}
