import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Button } from './Button';

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
  return (
    <View className="flex-row flex-wrap gap-3">
      <Button
        label={label}
        kind="main"
        testID="store"
        disabled={disabled}
        waiting={waiting}
        onPress={onStore}
        grow
      />
      {children}
      <Button label="Cancel" onPress={onCancel} />
    </View>
  );
}
