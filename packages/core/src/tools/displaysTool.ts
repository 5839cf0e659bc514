import { Scaling } from '../model/index.ts';
import { reconcile } from '../scaling/index.ts';
import type { Reconciled } from '../scaling/index.ts';
import { plain } from '../units/index.ts';
import { at, ToolReader, withUnit } from './tool.ts';
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
  name: 'Two displays',
  hint: 'which span makes the second agree with the first',
  fields: [
    { key: 'unit', label: 'Unit', kind: 'words', optional: true },
    { key: 'low', label: 'Second display, bottom of its span', kind: 'number' },
    { key: 'high', label: 'Second display, top of its span', kind: 'number' },
    { key: 'step', label: 'Step of what can be set', kind: 'number' },
    { key: 'pairs', label: 'At the same moment', kind: 'pairs', columns: ['First shows', 'Second shows'] },
  ],
  first: { unit: 'm³/h', low: '0', high: '12', step: '0.01', pairs: '2;2.1\n10;10.5' },
  work(values) {
    const { becomes, was, after, remains, fixedZero, unit } = reconciled(values);
    return {
      title: `SingleChange its span from ${plain(was.low)} … ${plain(was.high)} to ${plain(becomes.low)} … ${withUnit(becomes.high, unit)}`,
      lines: [
        { label: 'Bottom', value: `${plain(was.low)} → ${withUnit(becomes.low, unit)}` },
        { label: 'Top', value: `${plain(was.high)} → ${withUnit(becomes.high, unit)}` },
        ...after.map(({ first, shows, off }) => ({
          label: `At ${withUnit(first, unit)}`,
          value: `${withUnit(shows, unit, 4)}, off by ${withUnit(Math.abs(off), unit, 2)}`,
        })),
        { label: 'Largest that stays', value: withUnit(remains, unit, 2) },
      ],
      words: fixedZero
        ? [
            {
              text: 'From one pair only: the bottom is taken as right. A second pair, far from the first, would tell.',
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
