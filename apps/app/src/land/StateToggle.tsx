import { Pressable, View } from 'react-native';
import { Words } from '../ui/Words';

/** Takes the target away or puts it in front of the device. */
export function StateToggle({
  words,
  present,
  onChange,
}: {
  words: { present: string; away: string };
  present: boolean;
  onChange: (present: boolean) => void;
}) {
  return (
    <View
      role="radiogroup"
      aria-label="Target"
      className="flex-row rounded-full border-fine border-edge bg-plate p-1"
    >
      {[false, true].map((value) => (
        <Pressable
          key={String(value)}
          role="radio"
          aria-checked={present === value}
          aria-label={value ? words.present : words.away}
          onPress={() => onChange(value)}
          className={`min-h-[46px] flex-1 items-center justify-center rounded-full ${present === value ? 'bg-ink' : ''}`}
        >
          <Words as="strong" className={present === value ? 'text-plate' : 'text-soft'}>
            {value ? words.present : words.away}
          </Words>
        </Pressable>
      ))}
    </View>
  );
}
