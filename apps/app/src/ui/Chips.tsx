import { Pressable, View } from 'react-native';
import { Words } from './Words';

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
      <Words as="strong">{label}</Words>
      <View className="flex-row flex-wrap gap-2">
        {options.map((option) => {
          const isOn = chosen.includes(option.value);
          return (
            <Pressable
              key={option.value}
              role="checkbox"
              aria-checked={isOn}
              aria-label={option.label}
              onPress={() => toggle(option.value)}
              className={`min-h-[48px] justify-center rounded-plate border-fine px-4 py-1.5 ${isOn ? 'border-ink bg-ink' : 'border-edge bg-plate'}`}
            >
              <Words as="strong" className={isOn ? 'text-plate' : ''}>
                {option.label}
              </Words>
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}
