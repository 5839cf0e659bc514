import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Button } from './Button';
import { useFormKeys } from './useFormKeys';

/** The foot of a form: store, whatever else it offers, and leave it. */
export function FormActions({
  label,
  onStore,
  onCancel,
  disabled,
  waiting,
  children,
}: {
  label: string;
  onStore: () => void;
  onCancel: () => void;
  disabled?: boolean;
  waiting: boolean;
  children?: ReactNode;
}) {
  const isOpen = !disabled && !waiting;
  const { foot, store } = useFormKeys({ onStore, onCancel, isOpen, waiting });
  return (
    <View ref={foot} className="flex-row flex-wrap gap-3">
      <Button
        label={label}
        kind="main"
        testID="store"
        disabled={disabled}
        waiting={waiting}
        onPress={store}
        grow
      />
      {children}
      <Button label="Cancel" onPress={onCancel} />
    </View>
  );
}
