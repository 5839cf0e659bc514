import { sure } from '../lists/index.ts';
import { say, textOf } from '../messages/index.ts';
import { PULSE_WIDTHS } from '../catalog/index.ts';
import { checkCoil, checkCutOff, checkPulses, rollOver, velocityIn, velocityText } from '../scaling/index.ts';
import { widestWidth } from '../setting/index.ts';
import { parametersOf } from '../job/index.ts';
import type { SingleChange, JobIndex } from '../job/index.ts';
import type { Point } from '../model/index.ts';
import { convert, withUnit } from '../units/index.ts';
import { at, ToolReader } from './tool.ts';
import type { Tool, ToolField } from './tool.ts';

const FLOW_UNITS = ['m³/h', 'l/min', 'l/s', 'l/h', 'gal/min'].map((value) => ({ value, label: value }));
const FULL: readonly ToolField[] = [
  { key: 'unit', label: say('tools.unit-flow'), kind: 'choice', choices: FLOW_UNITS },
  { key: 'full', label: say('tools.full-flow'), kind: 'number', unitKey: 'unit' },
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
      override: { value, reason: textOf(say('tools.worked-out-tool-drawer')) },
    }));
}

export const PULSE_TOOL: Tool = {
  id: 'pulse',
  name: say('tools.pulses'),
  hint: say('tools.pulses-second-width-duty'),
  fields: [
    ...FULL,
    { key: 'litres', label: say('tools.volume-pulse'), kind: 'number', unit: 'l' },
    { key: 'width', label: say('tools.pulse-width'), kind: 'number', unit: 'ms' },
    { key: 'max', label: say('tools.counter-takes-most'), kind: 'number', unit: 'Hz' },
    { key: 'min', label: say('tools.shortest-pulse-sees'), kind: 'number', unit: 'ms' },
    { key: 'digits', label: say('tools.digits-totaliser'), kind: 'number', optional: true },
  ],
  first: { unit: 'm³/h', full: '36', litres: '0.02', width: '1', max: '1000', min: '0.5', digits: '8' },
  work(values) {
    const read = new ToolReader(PULSE_TOOL, values);
    const full = sure(convert(read.number('full'), read.choice('unit'), 'm³/h'));
    const [litres, width] = [read.number('litres'), read.number('width')];
    const counter = { maxHertz: read.number('max'), minPulse: read.number('min') };
    const check = at('litres', () => checkPulses(full, litres, width, counter));
    const digits = read.maybe('digits');
    const roll = digits === undefined ? undefined : at('digits', () => rollOver(digits, litres, full));
    const offered = widestWidth(check.hertz, PULSE_WIDTHS);
    return {
      title: say('tools.full-flow-2', { hertz: check.hertz, counted: check.counted, fits: check.fits }),
      lines: [
        {
          label: say('tools.full-flow-3'),
          value: withUnit(check.hertz, 'Hz', 4),
          tone: check.hertz > counter.maxHertz ? 'bad' : 'good',
        },
        {
          label: say('tools.on-for'),
          value: say('tools.share-of-time', { duty: check.duty }),
          tone: check.duty > 0.5 ? 'bad' : 'good',
        },
        { label: say('tools.widest-fits'), value: withUnit(check.widest, 'ms', 4) },
        ...(offered === undefined
          ? []
          : [{ label: say('tools.widest-usual'), value: withUnit(offered, 'ms') }]),
        ...(roll
          ? [
              {
                label: say('tools.totaliser-full-after'),
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
  name: say('tools.low-flow-cut-off'),
  hint: say('tools.what-hides-what-noise'),
  fields: [
    ...FULL,
    { key: 'percent', label: say('tools.cut-off'), kind: 'number', unit: '%' },
    {
      key: 'lowest',
      label: say('tools.lowest-flow-must-seen'),
      kind: 'number',
      unitKey: 'unit',
      optional: true,
    },
    {
      key: 'rest',
      label: say('tools.readings-flow'),
      kind: 'list',
      unitKey: 'unit',
      optional: true,
      hint: say('tools.ten-spaces-between'),
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
    const { flow, hides, maxPercent, minPercent, clash } = check;
    return {
      title: say('tools.hides-what-below', { percent, flow, unit }),
      lines: [
        {
          label: say('tools.shows-nothing-below'),
          value: withUnit(flow, unit, 4),
          tone: hides ? 'bad' : undefined,
        },
        ...(maxPercent === undefined
          ? []
          : [{ label: say('tools.most-see-lowest'), value: withUnit(maxPercent, '%', 3) }]),
        ...(minPercent === undefined
          ? []
          : [
              {
                label: say('tools.least-noise'),
                value: withUnit(minPercent, '%', 3),
                tone: percent < minPercent ? ('bad' as const) : ('good' as const),
              },
            ]),
      ],
      words: [
        ...(hides ? [{ text: say('tools.lowest-flow-must-seen-hidden'), tone: 'bad' as const }] : []),
        ...(clash
          ? [
              {
                text: say('tools.noise-reaches-above-lowest'),
                tone: 'bad' as const,
              },
            ]
          : []),
        ...(percent < 0.2 && minPercent === undefined ? [{ text: say('tools.0-5-sound-start') }] : []),
      ],
    };
  },
  send: (values, index, point) =>
    required(index, point, { cutoff: new ToolReader(CUTOFF_TOOL, values).number('percent').toString() }),
};

export const VELOCITY_TOOL: Tool = {
  id: 'velocity',
  name: say('tools.velocity-pipe'),
  hint: say('tools.flow-inner-diameter'),
  fields: [
    { key: 'unit', label: say('tools.unit-flow'), kind: 'choice', choices: FLOW_UNITS },
    { key: 'full', label: say('tools.flow'), kind: 'number', unitKey: 'unit' },
    { key: 'size', label: say('tools.inner-diameter'), kind: 'number', unit: 'mm' },
  ],
  first: { unit: 'm³/h', full: '36', size: '80' },
  work(values) {
    const read = new ToolReader(VELOCITY_TOOL, values);
    const flow = sure(convert(read.number('full'), read.choice('unit'), 'm³/h'));
    const v = at('size', () => velocityIn(flow, read.number('size')));
    return {
      title: withUnit(v, 'm/s', 3),
      lines: [
        {
          label: say('tools.velocity'),
          value: `${withUnit(v, 'm/s', 3)}, ${withUnit(sure(convert(v, 'm/s', 'ft/s')), 'ft/s', 3)}`,
        },
      ],
      words: [{ text: velocityText(v), tone: v >= 0.3 && v <= 10 ? 'good' : 'bad' }],
    };
  },
};

export const COIL_TOOL: Tool = {
  id: 'coil',
  name: say('tools.coil-magnetic-meter'),
  hint: say('tools.coil-against-its-maker'),
  fields: [
    { key: 'nominal', label: say('tools.coil-by-its-maker'), kind: 'number', unit: 'Ω' },
    { key: 'tolerance', label: say('tools.coil-give-or-take'), kind: 'number', unit: 'Ω' },
    { key: 'celsius', label: say('tools.temperature-meter'), kind: 'number', unit: '°C' },
    {
      key: 'ohms',
      label: say('tools.measured-between-coil-leads'),
      kind: 'number',
      unit: 'Ω',
      optional: true,
      hint: say('tools.supply-off-leads-free'),
    },
    { key: 'with', label: say('tools.measured-with'), kind: 'words', optional: true },
  ],
  first: { nominal: '64', tolerance: '5', celsius: '20', ohms: '', with: '' },
  work(values) {
    const read = new ToolReader(COIL_TOOL, values);
    const ohms = read.maybe('ohms');
    const check = checkCoil(read.number('nominal'), read.number('tolerance'), read.number('celsius'), ohms);
    const { min, max, at20, verdict } = check;
    const tone = verdict && (verdict === 'sound' ? ('good' as const) : ('bad' as const));
    return {
      title: verdict
        ? verdict === 'sound'
          ? say('tools.coil-sound')
          : say('tools.coil-sound-2')
        : say('tools.coil-reads', { min, max }),
      lines: [
        { label: say('tools.coil-sound-reads'), value: say('tools.to', { min, max }) },
        ...(at20 === undefined || ohms === undefined
          ? []
          : [
              { label: say('tools.measured'), value: withUnit(ohms, 'Ω', 4), tone },
              { label: say('tools.brought-to-20'), value: withUnit(at20, 'Ω', 4) },
            ]),
      ],
      words:
        verdict === undefined
          ? []
          : [
              {
                text:
                  verdict === 'sound'
                    ? say('tools.coil-within')
                    : verdict === 'low'
                      ? say('tools.coil-low')
                      : say('tools.coil-high'),
                tone,
              },
            ],
    };
  },
};
