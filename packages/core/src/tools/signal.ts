import { sure } from '../lists/index.ts';
import { withUnit } from '../units/index.ts';
import { say } from '../messages/index.ts';
import { SIGNALS } from '../catalog/index.ts';
import {
  bandOf,
  bandText,
  countsOf,
  findRawFormat,
  RAW_FORMATS,
  resolutionOf,
  usualBands,
  valueOfCounts,
} from '../scaling/index.ts';
import { straight } from '../sensing/index.ts';
import type { SignalKind } from '../catalog/index.ts';
import { refuse, Scaling } from '../model/index.ts';
import { at, ToolReader } from './tool.ts';
import type { Tool, ToolField, ToolLine } from './tool.ts';

const same = (values: readonly string[]) => values.map((value) => ({ value, label: value }));

const RANGE: readonly ToolField[] = [
  { key: 'signal', label: say('proof.signal'), kind: 'choice', choices: same(Object.keys(SIGNALS)) },
  { key: 'low', label: say('scaling.value-bottom'), kind: 'number' },
  { key: 'high', label: say('scaling.value-top'), kind: 'number' },
  { key: 'unit', label: say('tools.unit'), kind: 'words', optional: true },
];

const FIRST = { signal: '4-20 mA', low: '0', high: '100', unit: '%' };

/** The signal's ends and the line from signal to value. */
function rangeOf(read: ToolReader) {
  const signal = SIGNALS[read.choice('signal') as SignalKind];
  const [low, high] = [read.number('low'), read.number('high')];
  if (low === high) refuse(say('scaling.range-zero-scaled-two'), 'high');
  return { signal, low, high, unit: read.text('unit'), line: straight(signal.low, low, signal.high, high) };
}

const bandLine = (low: number, high: number, unit: string, value: number): ToolLine => {
  const band = bandOf(usualBands(low, high, unit), value);
  return {
    label: say('tools.it-is'),
    value: bandText(band, { unit }),
    tone: band === 'range' ? 'good' : 'bad',
  };
};

/** Gives a point the range that was worked with. */
const rangeChange: Tool['send'] = (values, _index, point) => {
  const read = new ToolReader({ fields: RANGE }, values);
  const { low, high, unit } = rangeOf(read);
  return [{ kind: 'editPoint', id: point.id, patch: { range: { low, high, unit } } }];
};

export const SIGNAL_TOOL: Tool = {
  id: 'signal',
  name: say('tools.signal-value'),
  hint: say('tools.ma-v-value-back'),
  fields: [
    ...RANGE,
    {
      key: 'known',
      label: say('tools.known-is'),
      kind: 'choice',
      choices: [
        { value: 'signal', label: say('tools.the-signal') },
        { value: 'value', label: say('tools.the-value') },
        { value: 'share', label: say('tools.per-cent') },
      ],
    },
    { key: 'number', label: say('tools.how-much'), kind: 'number' },
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
          ? line.inverse(number)
          : signal.low + (number / 100) * (signal.high - signal.low);
    const value = line.at(signalValue);
    const share = (100 * (value - low)) / (high - low);
    return {
      title: `${withUnit(signalValue, signal.unit)} = ${withUnit(value, unit)}`,
      lines: [
        { label: say('proof.signal'), value: withUnit(signalValue, signal.unit) },
        { label: say('tools.value'), value: withUnit(value, unit) },
        { label: say('tools.of-the-range'), value: withUnit(share, '%') },
        bandLine(signal.low, signal.high, signal.unit, signalValue),
      ],
      words: [],
    };
  },
  send: rangeChange,
};

export const COUNTS_TOOL: Tool = {
  id: 'counts',
  name: say('tools.counts'),
  hint: say('tools.raw-number-converter-both'),
  fields: [
    {
      key: 'format',
      label: say('tools.format'),
      kind: 'choice',
      choices: RAW_FORMATS.map(({ id, name }) => ({ value: id, label: name })),
    },
    {
      key: 'zero',
      label: say('tools.live-zero'),
      kind: 'choice',
      choices: [
        { value: 'removed', label: say('tools.taken-off') },
        { value: 'included', label: say('tools.in-the-counts') },
      ],
    },
    ...RANGE,
    {
      key: 'known',
      label: say('tools.known-are'),
      kind: 'choice',
      choices: [
        { value: 'counts', label: say('tools.the-counts') },
        { value: 'signal', label: say('tools.the-signal') },
        { value: 'value', label: say('tools.the-value') },
      ],
    },
    { key: 'number', label: say('tools.how-much'), kind: 'number' },
  ],
  first: { ...FIRST, format: '27648', zero: 'removed', known: 'counts', number: '13824' },
  work(values) {
    const read = new ToolReader(COUNTS_TOOL, values);
    const { signal, unit, line } = rangeOf(read);
    const format = sure(findRawFormat(read.choice('format')));
    const range = { low: signal.low, high: signal.high, zero: read.choice('zero') as 'removed' | 'included' };
    const known = read.choice('known');
    const number = read.number('number');
    if (known === 'counts' && !Number.isInteger(number)) refuse(say('model.counts-whole-numbers'), 'number');
    if (known === 'counts' && (number < format.min || number > format.max))
      refuse(say('tools.format-writes-never-comes', { min: format.min, max: format.max, number }), 'number');
    const wanted = known === 'signal' ? number : line.inverse(number);
    const { counts, stopped } =
      known === 'counts' ? { counts: number, stopped: undefined } : countsOf(format, range, wanted);
    const seen = valueOfCounts(format, range, counts);
    return {
      title: `${counts} = ${withUnit(line.at(seen), unit)}`,
      lines: [
        { label: say('tools.counts'), value: String(counts) },
        { label: say('tools.hexadecimal'), value: hex(counts) },
        { label: say('proof.signal'), value: withUnit(seen, signal.unit) },
        { label: say('tools.value'), value: withUnit(line.at(seen), unit) },
        {
          label: say('tools.one-count-is'),
          value: withUnit(Math.abs(line.at(seen + resolutionOf(format, range)) - line.at(seen)), unit, 3),
        },
        bandLine(signal.low, signal.high, signal.unit, seen),
      ],
      words: stopped ? [{ text: say('tools.converter-stops-what-should', { counts }), tone: 'bad' }] : [],
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
      ...sure(rangeChange)(values, index, point),
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
