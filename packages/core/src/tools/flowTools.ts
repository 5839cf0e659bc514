import { PULSE_WIDTHS } from '../catalog/index.ts';
import {
  checkCoil,
  checkCutOff,
  checkPulses,
  rollOver,
  velocityIn,
  velocityWords,
} from '../scaling/index.ts';
import { widestWidth } from '../setting/index.ts';
import { parametersOf } from '../job/index.ts';
import type { SingleChange, JobIndex } from '../job/index.ts';
import type { Point } from '../model/index.ts';
import { convert } from '../units/index.ts';
import { at, ToolReader, withUnit } from './tool.ts';
import type { Tool, ToolField } from './tool.ts';

const FLOW_UNITS = ['m³/h', 'l/min', 'l/s', 'l/h', 'gal/min'].map((value) => ({ value, label: value }));
const FULL: readonly ToolField[] = [
  { key: 'unit', label: 'Unit of flow', kind: 'choice', choices: FLOW_UNITS },
  { key: 'full', label: 'Full flow', kind: 'number', unitKey: 'unit' },
];

/** Requires values of a point's device by hand, as far as it has such parameters. */
function required(index: JobIndex, point: Point, wanted: Readonly<Record<string, string>>): SingleChange[] {
  const own = parametersOf(index.job, point.deviceId);
  return Object.entries(wanted)
    .filter(([key]) => own.some((parameter) => parameter.key === key))
    .map(([key, value]) => ({
      kind: 'require',
      itemId: point.deviceId,
      key,
      override: { value, reason: 'worked out in the tool drawer' },
    }));
}

export const PULSE_TOOL: Tool = {
  id: 'pulse',
  name: 'Pulses',
  hint: 'pulses a second, width, duty, and when the totaliser is full',
  fields: [
    ...FULL,
    { key: 'litres', label: 'Volume of a pulse', kind: 'number', unit: 'l' },
    { key: 'width', label: 'Pulse width', kind: 'number', unit: 'ms' },
    { key: 'most', label: 'Counter takes at most', kind: 'number', unit: 'Hz' },
    { key: 'least', label: 'Shortest pulse it sees', kind: 'number', unit: 'ms' },
    { key: 'digits', label: 'Digits of the totaliser', kind: 'number', optional: true },
  ],
  first: { unit: 'm³/h', full: '36', litres: '0.02', width: '1', most: '1000', least: '0.5', digits: '8' },
  work(values) {
    const read = new ToolReader(PULSE_TOOL, values);
    const full = convert(read.number('full'), read.choice('unit'), 'm³/h')!;
    const [litres, width] = [read.number('litres'), read.number('width')];
    const counter = { maxHertz: read.number('most'), minPulse: read.number('least') };
    const check = at('litres', () => checkPulses(full, litres, width, counter));
    const digits = read.maybe('digits');
    const roll = digits === undefined ? undefined : at('digits', () => rollOver(digits, litres, full));
    const offered = widestWidth(check.hertz, PULSE_WIDTHS);
    return {
      title: `${withUnit(check.hertz, 'Hz', 4)} at full flow, ${check.counted && check.fits ? 'fits' : 'does not fit'}`,
      lines: [
        {
          label: 'At full flow',
          value: withUnit(check.hertz, 'Hz', 4),
          tone: check.hertz > counter.maxHertz ? 'bad' : 'good',
        },
        {
          label: 'On for',
          value: withUnit(check.duty * 100, '% of the time', 3),
          tone: check.duty > 0.5 ? 'bad' : 'good',
        },
        { label: 'Widest that fits', value: withUnit(check.widest, 'ms', 4) },
        ...(offered === undefined ? [] : [{ label: 'Widest usual one', value: withUnit(offered, 'ms') }]),
        ...(roll
          ? [
              {
                label: 'Totaliser full after',
                value: `${withUnit(roll.litres / 1000, 'm³', 4)}, ${withUnit(roll.hours, 'h', 4)}`,
              },
            ]
          : []),
      ],
      words: check.sentences.map((text) => ({ text, tone: check.counted && check.fits ? 'good' : 'bad' })),
    };
  },
  send: (values, index, point) =>
    required(index, point, {
      pulseValue: new ToolReader(PULSE_TOOL, values).number('litres').toString(),
      pulseWidth: new ToolReader(PULSE_TOOL, values).number('width').toString(),
    }),
};

export const CUTOFF_TOOL: Tool = {
  id: 'cutoff',
  name: 'Low-flow cut-off',
  hint: 'what it hides, and what the noise needs',
  fields: [
    ...FULL,
    { key: 'percent', label: 'Cut-off', kind: 'number', unit: '%' },
    {
      key: 'lowest',
      label: 'Lowest flow that must be seen',
      kind: 'number',
      unitKey: 'unit',
      optional: true,
    },
    {
      key: 'rest',
      label: 'Readings with no flow',
      kind: 'list',
      unitKey: 'unit',
      optional: true,
      hint: 'ten or so, with spaces between',
    },
  ],
  first: { unit: 'm³/h', full: '40', percent: '0.5', lowest: '0.4', rest: '' },
  work(values) {
    const read = new ToolReader(CUTOFF_TOOL, values);
    const unit = read.choice('unit');
    const percent = read.number('percent');
    const check = at('percent', () =>
      checkCutOff(percent, read.number('full'), read.maybe('lowest'), read.list('rest')),
    );
    const { flow, hides, mostPercent, leastPercent, clash } = check;
    return {
      title: `${withUnit(percent, '%')} hides what is below ${withUnit(flow, unit, 4)}`,
      lines: [
        { label: 'Shows nothing below', value: withUnit(flow, unit, 4), tone: hides ? 'bad' : undefined },
        ...(mostPercent === undefined
          ? []
          : [{ label: 'At most, to see the lowest', value: withUnit(mostPercent, '%', 3) }]),
        ...(leastPercent === undefined
          ? []
          : [
              {
                label: 'At least, for the noise',
                value: withUnit(leastPercent, '%', 3),
                tone: percent < leastPercent ? ('bad' as const) : ('good' as const),
              },
            ]),
      ],
      words: [
        ...(hides ? [{ text: 'The lowest flow that must be seen is hidden.', tone: 'bad' as const }] : []),
        ...(clash
          ? [
              {
                text: 'The noise reaches above the lowest flow: no cut-off serves both. Damp more, or take a smaller meter.',
                tone: 'bad' as const,
              },
            ]
          : []),
        ...(percent < 0.2 && leastPercent === undefined
          ? [{ text: '0.5 % is a sound start; much lower shows flow that is not there.' }]
          : []),
      ],
    };
  },
  send: (values, index, point) =>
    required(index, point, { cutoff: new ToolReader(CUTOFF_TOOL, values).number('percent').toString() }),
};

export const VELOCITY_TOOL: Tool = {
  id: 'velocity',
  name: 'Velocity in the pipe',
  hint: 'from flow and inner diameter',
  fields: [
    { key: 'unit', label: 'Unit of flow', kind: 'choice', choices: FLOW_UNITS },
    { key: 'full', label: 'Flow', kind: 'number', unitKey: 'unit' },
    { key: 'size', label: 'Inner diameter', kind: 'number', unit: 'mm' },
  ],
  first: { unit: 'm³/h', full: '36', size: '80' },
  work(values) {
    const read = new ToolReader(VELOCITY_TOOL, values);
    const flow = convert(read.number('full'), read.choice('unit'), 'm³/h')!;
    const v = at('size', () => velocityIn(flow, read.number('size')));
    return {
      title: withUnit(v, 'm/s', 3),
      lines: [
        {
          label: 'Velocity',
          value: `${withUnit(v, 'm/s', 3)}, ${withUnit(convert(v, 'm/s', 'ft/s')!, 'ft/s', 3)}`,
        },
      ],
      words: [{ text: velocityWords(v), tone: v >= 0.3 && v <= 10 ? 'good' : 'bad' }],
    };
  },
};

export const COIL_TOOL: Tool = {
  id: 'coil',
  name: 'Coil of a magnetic meter',
  hint: 'its resistance against the band of its size',
  fields: [
    { key: 'size', label: 'Size', kind: 'number', unit: 'mm' },
    { key: 'ohms', label: 'Measured between the coil’s leads', kind: 'number', unit: 'Ω' },
    { key: 'celsius', label: 'Temperature of the meter', kind: 'number', unit: '°C' },
  ],
  first: { size: '80', ohms: '58', celsius: '20' },
  work(values) {
    const read = new ToolReader(COIL_TOOL, values);
    const check = at('size', () =>
      checkCoil(read.number('ohms'), read.number('size'), read.number('celsius')),
    );
    return {
      title: check.pass ? 'The coil is sound' : 'The coil is not sound',
      lines: [
        { label: 'At 20 °C', value: withUnit(check.at20, 'Ω', 4), tone: check.pass ? 'good' : 'bad' },
        { label: 'Band of its size', value: `${check.least} to ${withUnit(check.most, 'Ω')}` },
      ],
      words: [
        { text: check.sentence, tone: check.pass ? 'good' : 'bad' },
        {
          text: 'The bands are those of this catalog’s meters; the meter’s own manual counts. Isolate it before its leads are opened.',
        },
      ],
    };
  },
};
