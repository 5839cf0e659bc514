import { vars } from 'nativewind';
import type { ReactNode } from 'react';
import { Modal, Pressable, View } from 'react-native';
import { Text } from './Text';
import { useScheme } from './theme';
import { variables } from './tokens';

/** What lies over the page behind it: darker than the page in either look. */
const SHADE = 'rgba(0, 0, 0, 0.5)';

/** Something that is answered before the page goes on: from below on a phone, in the middle where there is room. */
export function Sheet({
  title,
  onClose,
  children,
}: {
  title: string;
  onClose: () => void;
  children: ReactNode;
}) {
  const scheme = useScheme();
  return (
    <Modal transparent visible onRequestClose={onClose}>
      <View style={vars(variables(scheme))} className="flex-1 items-center justify-end sm:justify-center">
        <Pressable
          role="none"
          aria-hidden
          tabIndex={-1}
          onPress={onClose}
          className="absolute inset-0"
          style={{ backgroundColor: SHADE }}
        />
        <View
          role="dialog"
          aria-label={title}
          className="w-full max-w-[480px] gap-4 rounded-t-plate border-fine border-edge bg-plate p-4 pb-6 sm:rounded-plate"
        >
          <Text as="head" role="heading" aria-level={2}>
            {title}
          </Text>
          {children}
        </View>
      </View>
    </Modal>
  );
}
