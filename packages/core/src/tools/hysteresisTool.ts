import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import {
  bandwidthOf,
  dampingFor,
  delayFor,
  falsePerDay,
  flatNoise,
  hysteresisFor,
  noiseOf,
  replayedPerDay,
} from '../switching/index.ts';
import { withUnit } from '../units/index.ts';
import { ToolReader } from './tool.ts';
import type { Tool, ToolLine } from './tool.ts';

const READINGS = ['readings'];
const FIGURES = ['figures'];

/** From so many readings on their noise is told well enough. */
const MANY = 200;

export const HYSTERESIS_TOOL: Tool = {
  id: 'hysteresis',
  name: say('tools.hysteresis'),
  hint: say('tools.hysteresis-hint'),
  fields: [
    {
      key: 'known',
      label: say('tools.noise-is-known'),
      kind: 'choice',
      choices: [
        { value: 'figures', label: say('tools.by-figures') },
        { value: 'readings', label: say('tools.by-readings') },
      ],
    },
    { key: 'unit', label: say('tools.unit'), kind: 'words', optional: true },
    {
      key: 'sigma',
      label: say('tools.standard-deviation'),
      kind: 'number',
      unitKey: 'unit',
      onlyIf: { key: 'known', is: FIGURES },
    },
    {
      key: 'hertz',
      label: say('tools.bandwidth'),
      kind: 'number',
      unit: 'Hz',
      onlyIf: { key: 'known', is: FIGURES },
    },
    {
      key: 'readings',
      label: say('tools.readings-at-rest'),
      kind: 'list',
      unitKey: 'unit',
      onlyIf: { key: 'known', is: READINGS },
    },
    {
      key: 'period',
      label: say('tools.every-so-many-seconds'),
      kind: 'number',
      unit: 's',
      onlyIf: { key: 'known', is: READINGS },
    },
    { key: 'perDay', label: say('tools.may-switch-falsely'), kind: 'number' },
    { key: 'asSet', label: say('tools.hysteresis-as-set'), kind: 'number', unitKey: 'unit', optional: true },
  ],
  first: {
    known: 'figures',
    unit: 'bar',
    sigma: '0.012',
    hertz: '2',
    readings: '3.11 3.12 3.10 3.13 3.11 3.09 3.12 3.11 3.10 3.12',
    period: '0.1',
    perDay: '0.1',
    asSet: '0.05',
  },
  work(values) {
    const read = new ToolReader(HYSTERESIS_TOOL, values);
    const unit = read.text('unit');
    const perDay = read.number('perDay');
    const asSet = read.maybe('asSet');
    if (asSet !== undefined && asSet < 0) refuse(say('switching.hysteresis-negative'), 'asSet');
    const row = read.choice('known') === 'readings' ? rowOf(read) : undefined;
    const noise = row
      ? noiseOf(row.readings, row.period)
      : flatNoise(read.number('sigma'), read.number('hertz'));
    if (!(noise.sigma > 0 && noise.zeroRate > 0)) refuse(say('switching.noise-above-zero'), 'readings');
    const least = hysteresisFor(noise, perDay);
    const damping = asSet === undefined ? undefined : dampingFor(noise, asSet, perDay);
    const delay = delayFor(noise, perDay);
    const time = (seconds: number) => say('switching.time', { seconds });
    return {
      title: say('tools.hysteresis-least', { least, unit }),
      gives: least,
      lines: [
        { label: say('tools.noise-of-it'), value: withUnit(noise.sigma, unit, 3) },
        { label: say('tools.noise-bandwidth'), value: withUnit(bandwidthOf(noise), 'Hz', 3) },
        ...(asSet === undefined ? [] : [asSetLine(falsePerDay(noise, asSet), perDay)]),
        ...(damping ? [{ label: say('tools.damping-instead'), value: time(damping) }] : []),
        { label: say('tools.delay-instead'), value: time(delay) },
        ...(row ? replays(row, noise.sigma, unit) : []),
      ],
      words: [
        { text: say('tools.hysteresis-costs', { least, unit }) },
        ...(damping ? [{ text: say('tools.damping-costs', { time: time(damping) }) }] : []),
        { text: say('tools.delay-costs', { time: time(delay) }) },
        ...(row && row.readings.length < MANY
          ? [{ text: say('tools.few-readings-of-noise'), tone: 'bad' as const }]
          : []),
        { text: say('tools.rest-in-the-middle') },
      ],
    };
  },
};

interface Row {
  readonly readings: readonly number[];
  readonly period: number;
}

function rowOf(read: ToolReader): Row {
  const [readings, period] = [read.list('readings'), read.number('period')];
  if (readings.length < 6) refuse(say('switching.six-readings', { least: 6 }), 'readings');
  if (!(period > 0)) refuse(say('switching.period-above-zero'), 'period');
  return { readings, period };
}

const asSetLine = (count: number, allowed: number): ToolLine => ({
  label: say('tools.as-set-switches'),
  value: say('switching.a-day', { count }),
  tone: count <= allowed ? 'good' : 'bad',
});

/** What is worked out beside what the readings themselves do, where they switch often enough to be counted. */
const replays = ({ readings, period }: Row, sigma: number, unit: string): ToolLine[] =>
  [2, 3].map((times) => {
    const hysteresis = times * sigma;
    const noise = noiseOf(readings, period);
    return {
      label: say('tools.replayed-at', { hysteresis, unit }),
      value: say('tools.worked-and-replayed', {
        worked: say('switching.a-day', { count: falsePerDay(noise, hysteresis) }),
        replayed: say('switching.a-day', { count: replayedPerDay(readings, period, { hysteresis }) }),
      }),
    };
  });
