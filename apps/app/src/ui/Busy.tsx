import { ActivityIndicator } from 'react-native';

/** Something goes on; it is named, since a screen reader tells of it. */
export function Busy({ color, size, label = 'Loading' }: { color: string; size?: 'small'; label?: string }) {
  return <ActivityIndicator color={color} size={size} aria-label={label} />;
}
