import { readSetting, settingsOf } from '@keypost/core/catalog';
import type { PartType, Setting } from '@keypost/core/catalog';
import { sure } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import type { Settings } from '@keypost/core/model';
import { useState } from 'react';
import { View } from 'react-native';
import { Field } from '../ui/Field';
import { Caution } from '../ui/Notice';
import { RadioGroup } from '../ui/RadioGroup';
import { Select } from '../ui/Select';
import { typedStyle } from '../ui/typedNumbers';

const PLACES: Readonly<Record<Setting['place'], string>> = {
  switch: 'switch on the unit',
  parameter: 'in its menu',
  version: '',
};

/** Switches and parameters of a part as they are chosen now. */
export function SettingRows({
  type,
  settings = type.settings ?? [],
  chosen,
  onChange,
}: {
  type: PartType;
  /** Those that are shown; all where nothing is said. */
  settings?: readonly Setting[];
  chosen: Settings | undefined;
  /** Called with all that is chosen then. */
  onChange: (chosen: Settings) => void;
}) {
  const now = settingsOf(type, chosen);
  return settings.map((setting) => (
    <SettingRow
      key={setting.key}
      setting={setting}
      value={sure(now[setting.key])}
      onChange={(value) => onChange({ ...chosen, [setting.key]: value })}
    />
  ));
}

/** One switch or parameter: few choices all in sight, many in a list. */
function SettingRow({
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
  const control = setting.any ? (
    <AnyNumber key={value} label={words} setting={setting} value={value} onChange={onChange} />
  ) : choices.length > 4 ? (
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

/** A setting that takes any number: kept once the field is left. */
function AnyNumber({
  label,
  setting,
  value,
  onChange,
}: {
  label: string;
  setting: Setting;
  value: string;
  onChange: (value: string) => void;
}) {
  const [text, setText] = useState(value);
  const [problem, setProblem] = useState<string>();
  const take = () => {
    const read = readSetting(setting, text, typedStyle());
    setProblem(read.ok ? undefined : textOf(read.problem));
    if (read.ok && read.value !== value) onChange(read.value);
  };
  return (
    <Field
      label={label}
      value={text}
      unit={setting.any?.unit}
      mono
      inputMode="decimal"
      problem={problem}
      onChange={setText}
      onBlur={take}
      onSubmitEditing={take}
    />
  );
}
