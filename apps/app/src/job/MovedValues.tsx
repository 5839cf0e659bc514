import { textOf } from '@keypost/core/messages';
import type { Text as Said } from '@keypost/core/messages';
import type { Moved } from '@keypost/core/setting';
import { View } from 'react-native';
import { Text } from '../ui/Text';

/** What a change does to parts, wires and required values, told before it is stored. */
export function MovedValues({ moved, rows = [] }: { moved: readonly Moved[]; rows?: readonly Said[] }) {
  if (moved.length === 0 && rows.length === 0) return null;
  return (
    <View
      className="gap-1 rounded-plate border-fine border-accent bg-wash p-3"
      role="status"
      aria-label="What this changes"
    >
      {rows.length > 0 && <Text as="strong">This changes</Text>}
      {rows.map((row) => (
        <Text as="small" key={textOf(row)} className="text-ink">
          {textOf(row)}
        </Text>
      ))}
      {moved.length > 0 && (
        <Text as="strong">{`This changes ${moved.length} required ${moved.length === 1 ? 'value' : 'values'}`}</Text>
      )}
      {moved.map(({ itemId, tag, label, before, after }) => (
        <Text as="small" key={`${itemId} ${textOf(label)}`} className="text-ink">
          {`${tag}, ${textOf(label)}: ${textOf(before)} → ${textOf(after)}`}
        </Text>
      ))}
    </View>
  );
}
