import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { Text } from '../ui/Text';
import { shortcutOf, SHORTCUTS } from './shortcuts';

/** Listens to the keys of a job's pages, and does what the first one asked for; ? shows what they do. */
export function Shortcuts({ first }: { first: KeyboardEvent }) {
  const [isShown, setShown] = useState(false);
  const heard = useRef<KeyboardEvent>(undefined);
  useEffect(() => {
    const pressed = (event: KeyboardEvent): void => {
      const shortcut = shortcutOf(event);
      const asks = event.key === '?' && !(event.target instanceof HTMLInputElement);
      if (!shortcut && !asks) return;
      event.preventDefault();
      if (asks) setShown(true);
      else shortcut?.act();
    };
    if (heard.current !== first) pressed(first);
    heard.current = first;
    // Before the field in which somebody writes, which keeps its keys to itself.
    document.addEventListener('keydown', pressed, true);
    return () => document.removeEventListener('keydown', pressed, true);
  }, [first]);
  if (!isShown) return null;
  const close = () => setShown(false);
  return (
    <Sheet title="Keys" onClose={close}>
      {SHORTCUTS.filter(({ words }) => words !== '').map(({ key, shown, words }) => (
        <View key={key} className="flex-row items-baseline gap-3">
          <Text as="number" className="w-[110px]">
            {key === '1' ? '1 … 6' : shown ? `${key}, ${shown}` : key}
          </Text>
          <Text as="body" className="flex-1">
            {words}
          </Text>
        </View>
      ))}
      <View className="flex-row items-baseline gap-3">
        <Text as="number" className="w-[110px]">
          + − 0
        </Text>
        <Text as="body" className="flex-1">
          draw the loop larger or smaller, while one is in it
        </Text>
      </View>
      <Button label="Close" kind="main" onPress={close} />
    </Sheet>
  );
}
