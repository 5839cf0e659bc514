import { textOf } from '@keypost/core/messages';
import { lineText, presentText } from '@keypost/core/setting';
import type { LineState, SheetLine } from '@keypost/core/setting';
import type { Status as StatusKind } from '@keypost/core/proving';
import { Pressable, View } from 'react-native';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';

const STATUS_ICONS: Readonly<Record<LineState, StatusKind>> = {
  done: 'proven',
  differs: 'failed',
  unknown: 'open',
  free: 'open',
};
const STATE_TEXT: Readonly<Record<LineState, string>> = {
  done: 'as required',
  differs: 'differs',
  unknown: 'not looked at',
  free: 'nothing required',
};

/** One parameter: what is required and from what, what stands there, what was left. */
export function LineRow({
  line,
  place,
  first,
  open,
  onPress,
}: {
  line: SheetLine;
  /** Its place in the safe order. */
  place: number;
  first: boolean;
  open: boolean;
  onPress: () => void;
}) {
  const { parameter, required, present, found, left, state, problem, warning } = line;
  const differs = state === 'differs';
  const shown = required ? lineText(line, required.value) : present ? lineText(line, present.value) : '';
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      aria-label={`${parameter.label}: ${shown || 'no value'}, ${STATE_TEXT[state]}`}
      onPress={onPress}
      className={`min-h-[56px] flex-row gap-3 px-4 py-2.5 active:bg-wash ${first ? '' : 'border-t border-line'} ${open ? 'bg-wash' : ''}`}
    >
      <View className="w-[26px] items-center gap-0.5 pt-0.5">
        {state !== 'free' && <StatusIcon kind={STATUS_ICONS[state]} size={20} label={STATE_TEXT[state]} />}
        <Text as="small" className="text-[0.75rem] leading-[0.875rem]">
          {String(place)}
        </Text>
      </View>
      <View className="min-w-0 flex-1 gap-0.5">
        <View className="flex-row items-baseline justify-between gap-3">
          <Text as="strong" className="min-w-0 flex-1">
            {parameter.label}
          </Text>
          <Text as="number" className={`max-w-[55%] text-right ${state === 'free' ? 'text-soft' : ''}`}>
            {shown || '–'}
          </Text>
        </View>
        {required && (
          <Text as="small">{`${required.override ? 'by hand: ' : required.usual ? 'usual: ' : 'from '}${textOf(required.from)}`}</Text>
        )}
        {problem !== undefined && (
          <Text as="small" className="font-wordsemi text-wait">
            {textOf(problem)}
          </Text>
        )}
        {differs && <Text as="fail">{`found ${presentText(line)}`}</Text>}
        {!differs && found && found !== present && (
          <Text as="small">{`found ${lineText(line, found.value)}${left ? `, left ${lineText(line, left.value)}${left.how === 'read' ? ', read back' : ''}` : ''}`}</Text>
        )}
        {warning !== undefined && (
          <Text as="small" className="font-wordsemi text-wait">
            {textOf(warning)}
          </Text>
        )}
      </View>
    </Pressable>
  );
}
