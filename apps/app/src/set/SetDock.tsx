import { textOf } from '@keypost/core/messages';
import { stepsTo } from '@keypost/core/setting';
import type { Sheet } from '@keypost/core/setting';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { SaveNotice } from '../data/SaveNotice';
import type { Saver } from '../data/useSave';
import { Button } from '../ui/Button';
import { Caution } from '../ui/Notice';
import { Text } from '../ui/Text';

/** The next value to set, in safe order, always in reach of the thumb. */
export function SetDock({ sheets, saver }: { sheets: readonly Sheet[]; saver: Saver }) {
  const sheet = sheets.find(({ lines }) => stepsTo(lines).length > 0);
  const next = sheet && stepsTo(sheet.lines)[0];
  if (!sheet || !next) return null;
  const set = () => {
    const entry = {
      id: uuid(),
      itemId: sheet.itemId,
      side: 'left' as const,
      how: 'typed' as const,
      values: { [next.key]: next.value },
    };
    return void saver.save({ kind: 'enter', entries: [entry] });
  };
  return (
    <View className="no-print gap-2 border-t-[1.5px] border-edge bg-plate px-4 py-2">
      <SaveNotice saver={saver} />
      <View className="flex-row items-center gap-3">
        <View className="min-w-0 flex-1">
          <Text as="small">{`Next at ${sheet.tag}`}</Text>
          <Text as="strong">{`${textOf(next.label)}: ${textOf(next.to)}`}</Text>
        </View>
        <Button label="It is set" kind="main" waiting={saver.saving} onPress={set} />
      </View>
      {next.wipes.length > 0 && (
        <Caution>{`Changing it puts ${next.wipes.slice(0, 4).map(textOf).join(', ')}${next.wipes.length > 4 ? ' and more' : ''} back to factory values; they come after it.`}</Caution>
      )}
      {next.caution && <Caution>{textOf(next.caution)}</Caution>}
    </View>
  );
}
