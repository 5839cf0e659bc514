import { useEffect, useState } from 'react';
import { Modal, Pressable, View } from 'react-native';
import { vars } from 'nativewind';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';
import { useScheme } from '../ui/theme';
import { variables } from '../ui/tokens';
import { shortcutOf, SHORTCUTS } from './shortcuts';

/** Listens to the keys of a job's pages; ? shows what they do. */
export function Shortcuts() {
  const [isShown, setShown] = useState(false);
  const scheme = useScheme();
  useEffect(() => {
    const pressed = (event: KeyboardEvent): void => {
      const shortcut = shortcutOf(event);
      const asks = event.key === '?' && !(event.target instanceof HTMLInputElement);
      if (!shortcut && !asks) return;
      event.preventDefault();
      if (asks) setShown(true);
      else shortcut?.act();
    };
    // Before the field in which somebody writes, which keeps its keys to itself.
    document.addEventListener('keydown', pressed, true);
    return () => document.removeEventListener('keydown', pressed, true);
  }, []);
  if (!isShown) return null;
  const close = () => setShown(false);
  return (
    <Modal transparent visible onRequestClose={close}>
      <View style={vars(variables(scheme))} className="flex-1 items-center justify-center">
        <Pressable
          role="none"
          aria-hidden
          tabIndex={-1}
          onPress={close}
          className="absolute inset-0 bg-ink opacity-40"
        />
        <View
          role="dialog"
          aria-label="Keys"
          className="w-[420px] max-w-[92%] gap-2 rounded-plate border-fine border-edge bg-plate p-4"
        >
          <Text as="head">Keys</Text>
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
        </View>
      </View>
    </Modal>
  );
}
