import { Pressable, View } from 'react-native';
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
        {options.map((option) => {
          const chosen = option.value === value;
          return (
            <Pressable
              key={option.value}
              role="radio"
              aria-checked={chosen}
              aria-label={option.label}
              onPress={() => onChange(option.value)}
              className={`min-h-[48px] justify-center rounded-plate border-fine px-4 py-1.5 ${chosen ? 'border-ink bg-ink' : 'border-edge bg-plate'}`}
            >
              <Words as="strong" className={chosen ? 'text-plate' : ''}>
                {option.label}
              </Words>
              {option.hint && (
                <Words as="small" className={chosen ? 'text-plate opacity-80' : ''}>
                  {option.hint}
                </Words>
              )}
            </Pressable>
          );
        })}
      </View>
      {problem && <Words as="fail">{problem}</Words>}
    </View>
  );
}
