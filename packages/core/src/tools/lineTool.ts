import { say } from '../messages/index.ts';
import { checkLine } from '../scaling/index.ts';
import type { LineCheck } from '../scaling/index.ts';
import { withUnit } from '../units/index.ts';
import { at, ToolReader } from './tool.ts';
import type { Tool, ToolValues } from './tool.ts';

/** What a tool's values make of readings beside a tape. @throws JobProblem */
export function lineChecked(values: ToolValues): LineCheck & {
  readonly unit: string;
  readonly allowed: number;
  readonly line: { readonly gradient: number; readonly offset: number };
} {
  const read = new ToolReader(LINE_TOOL, values);
  const unit = read.text('unit');
  const line = { gradient: read.number('gradient'), offset: read.number('offset') };
  const pairs = read.pairs('pairs').map(({ first, second }) => ({ raw: first, measured: second }));
  const allowed = read.number('allowed');
  return { ...at('pairs', () => checkLine({ ...line, unit }, pairs, allowed)), unit, allowed, line };
}

export const LINE_TOOL: Tool = {
  id: 'line',
  name: say('tools.readings-beside-a-tape'),
  hint: say('tools.whether-they-lie-on-the-line'),
  fields: [
    { key: 'unit', label: say('tools.unit'), kind: 'words', optional: true },
    { key: 'gradient', label: say('tools.each-raw-number-is'), kind: 'number', unitKey: 'unit' },
    { key: 'offset', label: say('tools.raw-zero-is'), kind: 'number', unitKey: 'unit' },
    { key: 'allowed', label: say('tools.may-be-off-by'), kind: 'number', unitKey: 'unit' },
    {
      key: 'pairs',
      label: say('tools.same-moment'),
      kind: 'pairs',
      columns: [say('tools.raw-number'), say('tools.measured')],
    },
  ],
  first: { unit: 'mm', gradient: '0.5', offset: '0', allowed: '5', pairs: '900;451\n3100;1549' },
  work(values) {
    const { pairs, verdict, pass, worst, unit } = lineChecked(values);
    return {
      title: pass ? say('tools.on-the-stated-line') : say('tools.not-on-the-stated-line'),
      lines: [
        ...pairs.map(({ raw, stated, off, holds }) => ({
          label: say('tools.raw', { raw }),
          value: say('tools.off-by', { shows: stated, unit, off }),
          tone: holds ? ('good' as const) : ('bad' as const),
        })),
        { label: say('tools.largest-difference'), value: withUnit(worst, unit, 3) },
      ],
      words: [{ text: verdict, tone: pass ? 'good' : 'bad' }],
    };
  },
};
