import { textOf } from '@keypost/core/messages';
import { View } from 'react-native';
import { Text } from '../ui/Text';
import type { ToolInUse } from './useTool';

const TONE = { good: 'text-pass', bad: 'text-fail' } as const;

/** What came of a tool: the answer large, what stands behind it, and what is to be said of it. */
export function ToolOutcome({ use: { result, problems, isExample } }: { use: ToolInUse }) {
  return (
    <View role="status" aria-label="Result" className="gap-2 rounded-plate bg-ink px-4 py-3">
      {result ? (
        <>
          {isExample && (
            <Text as="small" className="text-plate">
              An example. Type your own numbers.
            </Text>
          )}
          <Text as="number" className="text-[1.4375rem] leading-[1.8125rem] text-plate">
            {textOf(result.title)}
          </Text>
          {result.lines.map(({ label, value, tone }) => (
            <View
              key={textOf(label)}
              className="flex-row flex-wrap items-baseline justify-between gap-x-3 border-t border-soft pt-1.5"
            >
              <Text as="small" className="text-plate">
                {textOf(label)}
              </Text>
              <Text as="number" className="text-right text-[1rem] text-plate">
                {tone === 'bad' ? `! ${textOf(value)}` : textOf(value)}
              </Text>
            </View>
          ))}
          {result.words.map(({ text, tone }) => (
            <View key={textOf(text)} className={tone ? 'rounded-md bg-plate px-2 py-1' : ''}>
              <Text as="small" className={tone ? `font-wordsemi ${TONE[tone]}` : 'text-plate'}>
                {textOf(text)}
              </Text>
            </View>
          ))}
        </>
      ) : (
        <Text as="strong" className="text-plate">
          {problems.length > 0
            ? 'Something below is not right yet.'
            : 'Enter what was measured: the result stands here.'}
        </Text>
      )}
    </View>
  );
}
