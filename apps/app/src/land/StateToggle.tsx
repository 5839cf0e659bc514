import { textOf } from '@keypost/core/messages';
import type { PointState } from '@keypost/core/analysis';
import { ScrollView, View } from 'react-native';
import { Radio, Radios } from '../ui/Radios';
import { Text } from '../ui/Text';

/** Chooses what is done to the point: two or three states side by side, more in a row that scrolls. */
export function StateToggle({
  states,
  chosen,
  onChange,
}: {
  states: readonly PointState[];
  chosen: string;
  onChange: (key: string) => void;
}) {
  const few = states.length <= 3;
  const buttons = states.map(({ situation: { key, words } }) => {
    const on = key === chosen;
    return (
      <Radio
        key={key}
        value={key}
        label={textOf(words)}
        className={`min-h-[46px] items-center justify-center rounded-full px-3 ${few ? 'flex-1' : ''} ${on ? 'bg-ink' : ''}`}
      >
        <Text as="strong" className={`text-center ${on ? 'text-plate' : 'text-soft'}`}>
          {textOf(words)}
        </Text>
      </Radio>
    );
  });
  return (
    <Radios
      label="Target"
      value={chosen}
      onChange={onChange}
      className="rounded-full border-fine border-rim bg-plate p-1"
    >
      {few ? (
        <View className="flex-row">{buttons}</View>
      ) : (
        <ScrollView horizontal showsHorizontalScrollIndicator={false}>
          {buttons}
        </ScrollView>
      )}
    </Radios>
  );
}
