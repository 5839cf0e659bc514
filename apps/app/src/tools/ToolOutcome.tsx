import { textOf } from '@keypost/core/messages';
import type { ToolResult } from '@keypost/core/tools';
import { View } from 'react-native';
import { Words } from '../ui/Words';

const TONE = { good: 'text-pass', bad: 'text-fail' } as const;

/** What came of a tool: the answer large, what stands behind it, and what is to be said of it. */
export function ToolOutcome({ result }: { result: ToolResult | undefined }) {
  return (
    <View role="status" aria-label="Result" className="gap-2 rounded-plate bg-ink px-4 py-3">
      {result ? (
        <>
          <Words as="number" className="text-[23px] leading-[29px] text-plate">
            {textOf(result.title)}
          </Words>
          {result.lines.map(({ label, value, tone }) => (
            <View
              key={textOf(label)}
              className="flex-row flex-wrap items-baseline justify-between gap-x-3 border-t border-soft pt-1.5"
            >
              <Words as="small" className="text-plate">
                {textOf(label)}
              </Words>
              <Words as="number" className="text-right text-[16px] text-plate">
                {tone === 'bad' ? `! ${textOf(value)}` : textOf(value)}
              </Words>
            </View>
          ))}
          {result.words.map(({ text, tone }) => (
            <View key={textOf(text)} className={tone ? 'rounded-md bg-plate px-2 py-1' : ''}>
              <Words as="small" className={tone ? `font-wordsemi ${TONE[tone]}` : 'text-plate'}>
                {textOf(text)}
              </Words>
            </View>
          ))}
        </>
      ) : (
        <Words as="strong" className="text-plate">
          Something above is not right yet.
        </Words>
      )}
    </View>
  );
}
