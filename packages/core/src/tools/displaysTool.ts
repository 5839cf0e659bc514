import { say } from '../messages/index.ts';
import { Scaling } from '../model/index.ts';
import { reconcile } from '../scaling/index.ts';
import type { Reconciled } from '../scaling/index.ts';
import { written, withUnit } from '../units/index.ts';
import { at, ToolReader } from './tool.ts';
import type { Tool, ToolValues } from './tool.ts';

/** What a tool's values make of two displays. @throws JobProblem */
export function reconciled(values: ToolValues): Reconciled & { readonly unit: string } {
  const read = new ToolReader(DISPLAYS_TOOL, values);
  const span = { low: read.number('low'), high: read.number('high') };
  const pairs = read.pairs('pairs');
  return { ...at('pairs', () => reconcile(pairs, span, read.number('step'))), unit: read.text('unit') };
}

export const DISPLAYS_TOOL: Tool = {
  id: 'displays',
  name: say('tools.two-displays'),
  hint: say('tools.which-span-makes-second'),
  fields: [
    { key: 'unit', label: say('tools.unit'), kind: 'words', optional: true },
    { key: 'low', label: say('tools.second-display-bottom-span'), kind: 'number' },
    { key: 'high', label: say('tools.second-display-top-span'), kind: 'number' },
    { key: 'step', label: say('tools.step-what-set'), kind: 'number' },
    {
      key: 'pairs',
      label: say('tools.same-moment'),
      kind: 'pairs',
      columns: [say('tools.first-shows'), say('tools.second-shows')],
    },
  ],
  first: { unit: 'm³/h', low: '0', high: '12', step: '0.01', pairs: '2;2.1\n10;10.5' },
  work(values) {
    const { becomes, was, after, remains, fixedZero, unit } = reconciled(values);
    return {
      title: say('tools.change-span', {
        low: was.low,
        high: was.high,
        low2: becomes.low,
        high2: becomes.high,
        unit,
      }),
      lines: [
        { label: say('tools.bottom'), value: `${written(was.low)} → ${withUnit(becomes.low, unit)}` },
        { label: say('tools.top'), value: `${written(was.high)} → ${withUnit(becomes.high, unit)}` },
        ...after.map(({ first, shows, off }) => ({
          label: say('tools.at', { first, unit }),
          value: say('tools.off-by', { shows, unit, off }),
        })),
        { label: say('tools.largest-stays'), value: withUnit(remains, unit, 2) },
      ],
      words: fixedZero
        ? [
            {
              text: say('tools.pair-bottom-taken-right'),
            },
          ]
        : [],
    };
  },
  send: (values, _index, point) => {
    const { becomes, unit } = reconciled(values);
    const before = point.scaling ?? Scaling.parse({});
    const display = before.display ?? {
      label: 'Panel screen',
      unit: unit || (point.range?.unit ?? ''),
      decimals: 2,
      cutoffPercent: 0,
    };
    return [
      { kind: 'setScaling', pointId: point.id, scaling: { ...before, display: { ...display, ...becomes } } },
    ];
  },
};
