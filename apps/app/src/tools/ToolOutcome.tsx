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
            {result.title}
          </Words>
          {result.lines.map(({ label, value, tone }) => (
            <View
              key={label}
              className="flex-row flex-wrap items-baseline justify-between gap-x-3 border-t border-soft pt-1.5"
            >
              <Words as="small" className="text-plate">
                {label}
              </Words>
              <Words as="number" className="text-right text-[16px] text-plate">
                {tone === 'bad' ? `! ${value}` : value}
              </Words>
            </View>
          ))}
          {result.words.map(({ text, tone }) => (
            <View key={text} className={tone ? 'rounded-md bg-plate px-2 py-1' : ''}>
              <Words as="small" className={tone ? `font-wordsemi ${TONE[tone]}` : 'text-plate'}>
                {text}
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
