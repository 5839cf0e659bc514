import * as Radios from '@rn-primitives/radio-group';
import { useRef } from 'react';
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
  const { watch, follow, tell } = useArrows(value, onChange);
  return (
    <View className="gap-1.5">
      {label && <Text as="strong">{label}</Text>}
      <Radios.Root
        value={value}
        onValueChange={(next) => tell(next as T)}
        {...watch}
        aria-label={label}
        className="flex-row flex-wrap gap-2"
      >
        {options.map((option) => (
          <Radios.Item
            key={option.value}
            value={option.value}
            aria-label={option.label}
            onFocus={() => follow(option.value)}
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

/**
 * An arrow chooses what it leads to. The library does so only while the key is still down when the focus has moved, which
 * on a busy page it is not any more; where both choose, it is told once.
 */
function useArrows<T extends string>(value: T, onChange: (value: T) => void) {
  const byArrow = useRef(false);
  const told = useRef<T>(undefined);
  const tell = (next: T): void => {
    if (told.current === next) return;
    told.current = next;
    setTimeout(() => (told.current = undefined));
    onChange(next);
  };
  const follow = (next: T): void => {
    if (byArrow.current && next !== value) tell(next);
    byArrow.current = false;
  };
  const watch = {
    onKeyDown: ({ key }: { readonly key: string }) => {
      byArrow.current = key.startsWith('Arrow');
    },
  };
  return { watch, follow, tell };
}
