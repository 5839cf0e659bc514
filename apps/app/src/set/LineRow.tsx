import { textOf } from '@keypost/core/messages';
import { lineWords, presentWords } from '@keypost/core/setting';
import type { LineState, SheetLine } from '@keypost/core/setting';
import type { Mark as MarkKind } from '@keypost/core/proving';
import { Pressable, View } from 'react-native';
import { Mark } from '../ui/Mark';
import { Words } from '../ui/Words';

const MARKS: Readonly<Record<LineState, MarkKind>> = {
  done: 'proven',
  differs: 'failed',
  unknown: 'open',
  free: 'open',
};
const STATE_WORDS: Readonly<Record<LineState, string>> = {
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
  const shown = required ? lineWords(line, required.value) : present ? lineWords(line, present.value) : '';
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      aria-label={`${parameter.label}: ${shown || 'no value'}, ${STATE_WORDS[state]}`}
      onPress={onPress}
      className={`min-h-[56px] flex-row gap-3 px-4 py-2.5 active:bg-wash ${first ? '' : 'border-t border-line'} ${open ? 'bg-wash' : ''}`}
    >
      <View className="w-[26px] items-center gap-0.5 pt-0.5">
        {state !== 'free' && <Mark kind={MARKS[state]} size={20} label={STATE_WORDS[state]} />}
        <Words as="small" className="text-[12px] leading-[14px]">
          {String(place)}
        </Words>
      </View>
      <View className="min-w-0 flex-1 gap-0.5">
        <View className="flex-row items-baseline justify-between gap-3">
          <Words as="strong" className="min-w-0 flex-1">
            {parameter.label}
          </Words>
          <Words as="number" className={`max-w-[55%] text-right ${state === 'free' ? 'text-soft' : ''}`}>
            {shown || '–'}
          </Words>
        </View>
        {required && (
          <Words as="small">{`${required.override ? 'by hand: ' : required.usual ? 'usual: ' : 'from '}${textOf(required.from)}`}</Words>
        )}
        {problem !== undefined && (
          <Words as="small" className="font-wordsemi text-wait">
            {textOf(problem)}
          </Words>
        )}
        {differs && <Words as="fail">{`stands at ${presentWords(line)}`}</Words>}
        {!differs && found && found !== present && (
          <Words as="small">{`found ${lineWords(line, found.value)}${left ? `, left ${lineWords(line, left.value)}${left.how === 'read' ? ', read back' : ''}` : ''}`}</Words>
        )}
        {warning !== undefined && (
          <Words as="small" className="font-wordsemi text-wait">
            {textOf(warning)}
          </Words>
        )}
      </View>
    </Pressable>
  );
}
