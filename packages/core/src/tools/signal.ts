import { SIGNALS } from '../catalog/index.ts';
import {
  straight,
  bandOf,
  bandWords,
  countsOf,
  findRawFormat,
  RAW_FORMATS,
  resolutionOf,
  usualBands,
  valueOfCounts,
} from '../scaling/index.ts';
import type { SignalKind } from '../catalog/index.ts';
import { refuse, Scaling } from '../model/index.ts';
import { at, ToolReader, withUnit } from './tool.ts';
import type { Tool, ToolField, ToolLine } from './tool.ts';

const same = (values: readonly string[]) => values.map((value) => ({ value, label: value }));

const RANGE: readonly ToolField[] = [
  { key: 'signal', label: 'Signal', kind: 'choice', choices: same(Object.keys(SIGNALS)) },
  { key: 'low', label: 'Value at bottom', kind: 'number' },
  { key: 'high', label: 'Value at top', kind: 'number' },
  { key: 'unit', label: 'Unit', kind: 'words', optional: true },
];

const FIRST = { signal: '4-20 mA', low: '0', high: '100', unit: '%' };

/** The signal's ends and the line from signal to value. */
function rangeOf(read: ToolReader) {
  const signal = SIGNALS[read.choice('signal') as SignalKind];
  const [low, high] = [read.number('low'), read.number('high')];
  if (low === high) refuse('A range of zero cannot be scaled: its two ends must differ.', 'high');
  return { signal, low, high, unit: read.text('unit'), line: straight(signal.low, low, signal.high, high) };
}

const bandLine = (low: number, high: number, unit: string, value: number): ToolLine => {
  const band = bandOf(usualBands(low, high, unit), value);
  return { label: 'It is', value: bandWords(band, unit), tone: band === 'range' ? 'good' : 'bad' };
};

/** Gives a point the range that was worked with. */
const rangeChange: Tool['send'] = (values, _index, point) => {
  const read = new ToolReader({ fields: RANGE }, values);
  const { low, high, unit } = rangeOf(read);
  return [{ kind: 'editPoint', id: point.id, patch: { range: { low, high, unit } } }];
};

export const SIGNAL_TOOL: Tool = {
  id: 'signal',
  name: 'Signal and value',
  hint: 'mA or V to a value, and back',
  fields: [
    ...RANGE,
    {
      key: 'known',
      label: 'Known is',
      kind: 'choice',
      choices: [
        { value: 'signal', label: 'the signal' },
        { value: 'value', label: 'the value' },
        { value: 'share', label: 'per cent' },
      ],
    },
    { key: 'number', label: 'How much', kind: 'number' },
  ],
  first: { ...FIRST, known: 'signal', number: '12' },
  work(values) {
    const read = new ToolReader(SIGNAL_TOOL, values);
    const { signal, low, high, unit, line } = rangeOf(read);
    const known = read.choice('known');
    const number = at('number', () => read.number('number'));
    const signalValue =
      known === 'signal'
        ? number
        : known === 'value'
          ? line.back(number)
          : signal.low + (number / 100) * (signal.high - signal.low);
    const value = line.at(signalValue);
    const share = (100 * (value - low)) / (high - low);
    return {
      title: `${withUnit(signalValue, signal.unit)} = ${withUnit(value, unit)}`,
      lines: [
        { label: 'Signal', value: withUnit(signalValue, signal.unit) },
        { label: 'Value', value: withUnit(value, unit) },
        { label: 'Of the range', value: withUnit(share, '%') },
        bandLine(signal.low, signal.high, signal.unit, signalValue),
      ],
      words: [],
    };
  },
  send: rangeChange,
};

export const COUNTS_TOOL: Tool = {
  id: 'counts',
  name: 'Counts',
  hint: 'raw number of a converter, both ways',
  fields: [
    {
      key: 'format',
      label: 'Format',
      kind: 'choice',
      choices: RAW_FORMATS.map(({ id, name }) => ({ value: id, label: name })),
    },
    {
      key: 'zero',
      label: 'Live zero',
      kind: 'choice',
      choices: [
        { value: 'removed', label: 'taken off' },
        { value: 'included', label: 'in the counts' },
      ],
    },
    ...RANGE,
    {
      key: 'known',
      label: 'Known are',
      kind: 'choice',
      choices: [
        { value: 'counts', label: 'the counts' },
        { value: 'signal', label: 'the signal' },
        { value: 'value', label: 'the value' },
      ],
    },
    { key: 'number', label: 'How much', kind: 'number' },
  ],
  first: { ...FIRST, format: '27648', zero: 'removed', known: 'counts', number: '13824' },
  work(values) {
    const read = new ToolReader(COUNTS_TOOL, values);
    const { signal, unit, line } = rangeOf(read);
    const format = findRawFormat(read.choice('format'))!;
    const range = { low: signal.low, high: signal.high, zero: read.choice('zero') as 'removed' | 'included' };
    const known = read.choice('known');
    const number = read.number('number');
    if (known === 'counts' && !Number.isInteger(number)) refuse('Counts are whole numbers.', 'number');
    if (known === 'counts' && (number < format.min || number > format.max))
      refuse(`This format writes ${format.min} to ${format.max}; ${number} never comes.`, 'number');
    const wanted = known === 'signal' ? number : line.back(number);
    const { counts, stopped } =
      known === 'counts' ? { counts: number, stopped: undefined } : countsOf(format, range, wanted);
    const seen = valueOfCounts(format, range, counts);
    return {
      title: `${counts} = ${withUnit(line.at(seen), unit)}`,
      lines: [
        { label: 'Counts', value: String(counts) },
        { label: 'Hexadecimal', value: hex(counts) },
        { label: 'Signal', value: withUnit(seen, signal.unit) },
        { label: 'Value', value: withUnit(line.at(seen), unit) },
        {
          label: 'One count is',
          value: withUnit(Math.abs(line.at(seen + resolutionOf(format, range)) - line.at(seen)), unit, 3),
        },
        bandLine(signal.low, signal.high, signal.unit, seen),
      ],
      words: stopped
        ? [{ text: `The converter stops at ${counts}: what it should write lies beyond.`, tone: 'bad' }]
        : [],
    };
  },
  send: (values, index, point) => {
    const before = point.scaling ?? Scaling.parse({});
    const converter = {
      ...before.converter,
      formatId: values.format,
      zero: values.zero as 'removed' | 'included',
    };
    return [
      ...rangeChange!(values, index, point),
      {
        kind: 'setScaling',
        pointId: point.id,
        scaling: { ...before, converter: { ...converter, own: undefined } },
      },
    ];
  },
};

/** As the controller's monitor shows it, 16 or 32 bit, two's complement. */
const hex = (counts: number): string => {
  const width = counts >= -32768 && counts <= 65535 ? 16 : 32;
  return `16#${BigInt.asUintN(width, BigInt(counts))
    .toString(16)
    .toUpperCase()
    .padStart(width / 4, '0')}`;
};
