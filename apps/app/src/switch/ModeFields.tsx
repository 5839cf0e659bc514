import { View } from 'react-native';
import { z } from 'zod';
import { Field } from '../ui/Field';
import { RadioGroup } from '../ui/RadioGroup';
import { typedMaybe } from '../ui/typedNumbers';

/** At which values something switches, as it is typed. */
export const ModeTexts = z.object({
  kind: z.enum(['points', 'window']),
  set: z.string(),
  reset: z.string(),
  low: z.string(),
  high: z.string(),
  hysteresis: z.string(),
});
export type ModeTexts = z.infer<typeof ModeTexts>;

export const NO_MODE: ModeTexts = { kind: 'points', set: '', reset: '', low: '', high: '', hysteresis: '' };

/** What is stored, as it is typed. */
export function modeTexts(mode: { readonly kind: ModeTexts['kind'] }): ModeTexts {
  const numbers = Object.entries(mode).flatMap(([key, value]) =>
    typeof value === 'number' ? [[key, String(value)]] : [],
  );
  return { ...NO_MODE, ...Object.fromEntries(numbers), kind: mode.kind };
}

/** What was typed as its schema takes it; a number that is none is left to it. */
export function modeRead({ kind, set, reset, low, high, hysteresis }: ModeTexts, unit: string) {
  const number = (text: string): number | undefined => typedMaybe(text, unit);
  return kind === 'points'
    ? { kind, set: number(set), reset: number(reset) }
    : { kind, low: number(low), high: number(high), hysteresis: number(hysteresis) };
}

/** One point or a window, and the values at which it switches. */
export function ModeFields({
  texts,
  unit,
  problems,
  change,
}: {
  texts: ModeTexts;
  unit: string;
  problems: Readonly<Record<string, string>>;
  change: (patch: Partial<ModeTexts>) => void;
}) {
  const number = (name: Exclude<keyof ModeTexts, 'kind'>, label: string) => (
    <View className="min-w-0 flex-1">
      <Field
        label={label}
        value={texts[name]}
        onChange={(text) => change({ [name]: text })}
        problem={problems[name]}
        unit={unit}
        mono
        inputMode="decimal"
      />
    </View>
  );
  return (
    <>
      <RadioGroup
        label="How"
        value={texts.kind}
        onChange={(kind) => change({ kind })}
        options={[
          { value: 'points', label: 'At one point' },
          { value: 'window', label: 'Within a window' },
        ]}
      />
      {texts.kind === 'points' ? (
        <View className="flex-row gap-3">
          {number('set', 'On at')}
          {number('reset', 'Off again at')}
        </View>
      ) : (
        <>
          <View className="flex-row gap-3">
            {number('low', 'From')}
            {number('high', 'To')}
          </View>
          {number('hysteresis', 'Hysteresis')}
        </>
      )}
    </>
  );
}

/** Whether an output is on or off there. */
export function LogicField({
  value,
  onChange,
}: {
  value: 'no' | 'nc';
  onChange: (logic: 'no' | 'nc') => void;
}) {
  return (
    <RadioGroup
      label="Its output"
      value={value}
      onChange={onChange}
      options={[
        { value: 'no', label: 'NO', hint: 'on there' },
        { value: 'nc', label: 'NC', hint: 'off there, as a broken wire' },
      ]}
    />
  );
}
