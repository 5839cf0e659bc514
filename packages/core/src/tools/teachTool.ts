import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { cycleOf, leastMargin, sensitivitySetting, steadiness, teach } from '../switching/index.ts';
import type { Steadiness, TeachKind } from '../switching/index.ts';
import { withUnit } from '../units/index.ts';
import { ToolReader } from './tool.ts';
import { JobProblem } from '../model/index.ts';
import type { CalibrationOf } from '../model/index.ts';
import type { Tool, ToolLine, ToolResult, ToolValues } from './tool.ts';

/** Also what is not read off but turned: the adjuster of a diffuse sensor. */
type Kind = TeachKind | 'sensitivity';

const KINDS: Readonly<Record<Kind, Message>> = {
  margin: say('tools.teach-margin'),
  two: say('tools.teach-two'),
  window: say('tools.teach-window'),
  flow: say('tools.teach-flow'),
  cycle: say('tools.teach-cycle'),
  zero: say('tools.teach-zero'),
  sensitivity: say('tools.teach-sensitivity'),
};

const but = (...kinds: readonly Kind[]): string[] =>
  Object.keys(KINDS).filter((kind) => !(kinds as string[]).includes(kind));

const READ = { key: 'kind', is: but('sensitivity') };
const TURNED = { key: 'kind', is: ['sensitivity'] };

export const TEACH_TOOL: Tool = {
  id: 'teach',
  name: say('tools.teach'),
  hint: say('tools.teach-hint'),
  fields: [
    {
      key: 'kind',
      label: say('tools.teach-kind'),
      kind: 'choice',
      choices: Object.entries(KINDS).map(([value, label]) => ({ value, label })),
    },
    {
      key: 'scale',
      label: say('tools.adjuster-scale'),
      kind: 'number',
      onlyIf: TURNED,
      hint: say('tools.turn-it-up'),
    },
    { key: 'lost', label: say('tools.object-lost-at'), kind: 'number', onlyIf: TURNED },
    {
      key: 'seen',
      label: say('tools.background-seen-at'),
      kind: 'number',
      optional: true,
      onlyIf: TURNED,
      hint: say('tools.empty-if-never'),
    },
    {
      key: 'led',
      label: say('tools.stability-led'),
      kind: 'choice',
      onlyIf: TURNED,
      choices: [
        { value: 'on', label: say('tools.led-in-both') },
        { value: 'off', label: say('tools.led-not-in-both') },
      ],
    },
    { key: 'unit', label: say('tools.unit'), kind: 'words', optional: true, onlyIf: READ },
    { key: 'readings', label: say('tools.first-readings'), kind: 'list', unitKey: 'unit', onlyIf: READ },
    {
      key: 'second',
      label: say('tools.second-readings'),
      kind: 'list',
      unitKey: 'unit',
      onlyIf: { key: 'kind', is: ['two', 'flow'] },
    },
    {
      key: 'period',
      label: say('tools.every-so-many-seconds'),
      kind: 'number',
      unit: 's',
      onlyIf: READ,
    },
    {
      key: 'margin',
      label: say('tools.teach-margin-is'),
      kind: 'number',
      unitKey: 'unit',
      onlyIf: { key: 'kind', is: ['margin', 'window'] },
    },
    {
      key: 'drift',
      label: say('tools.may-drift'),
      kind: 'number',
      unitKey: 'unit',
      optional: true,
      onlyIf: { key: 'kind', is: but('cycle', 'sensitivity') },
    },
    {
      key: 'hysteresis',
      label: say('tools.hysteresis-as-set'),
      kind: 'number',
      unitKey: 'unit',
      optional: true,
      onlyIf: READ,
    },
    {
      key: 'step',
      label: say('tools.device-step'),
      kind: 'number',
      unitKey: 'unit',
      optional: true,
      onlyIf: READ,
    },
    {
      key: 'span',
      label: say('tools.least-span'),
      kind: 'number',
      unitKey: 'unit',
      optional: true,
      onlyIf: { key: 'kind', is: ['two', 'flow'] },
    },
    { key: 'conditions', label: say('tools.conditions'), kind: 'words', optional: true },
  ],
  first: {
    kind: 'flow',
    unit: 'l/min',
    readings: '4.1 4.0 4.2 4.1 4.0 4.1 4.2 4.1',
    second: '18.3 18.1 18.4 18.2 18.3 18.4 18.2 18.3',
    period: '1',
    margin: '3',
    drift: '0.5',
    hysteresis: '0.5',
    step: '0.1',
    span: '5',
    conditions: '',
    scale: '10',
    lost: '3',
    seen: '8',
    led: 'on',
  },
  work(values) {
    if (values.kind === 'sensitivity') return sensitivityResult(turnedFrom(values));
    const { kind, unit, found, came, worst } = teachFrom(values);
    return {
      title: worst
        ? say(worst.is === 'moves' ? 'tools.cannot-teach-moves' : 'tools.cannot-teach-unsure')
        : say(came.refusal ? 'tools.cannot-teach-near' : 'tools.can-be-taught'),
      lines: [
        ...found.flatMap((one, i) => seenLines(one, i === 0 ? 'first' : 'second', unit)),
        // What must not be taught gets no figures that somebody could set.
        ...(worst || came.refusal ? [] : switchLines(came, unit)),
        ...(kind === 'zero'
          ? []
          : [
              {
                label: say('tools.apart'),
                value: say('tools.apart-of', { distance: came.distance, least: came.least, unit }),
                tone: came.refusal ? ('bad' as const) : ('good' as const),
              },
            ]),
      ],
      words: worst ? unsteadyWords(worst, unit) : outcomeWords(came),
    };
  },
};

/** What was noted while an adjuster was turned. @throws JobProblem */
function turnedFrom(values: ToolValues) {
  const read = new ToolReader(TEACH_TOOL, values);
  const [scale, objectLost, backgroundSeen] = [read.number('scale'), read.number('lost'), read.maybe('seen')];
  const noted = { scale, objectLost, ...(backgroundSeen !== undefined && { backgroundSeen }) };
  const found = renamed(() => sensitivitySetting({ ...noted, stable: read.choice('led') === 'on' }));
  return { scale, objectLost, backgroundSeen, found, conditions: read.text('conditions') };
}

const FIELDS: Readonly<Record<string, string>> = { objectLost: 'lost', backgroundSeen: 'seen' };

/** A refusal at the fields of this tool. */
function renamed<T>(act: () => T): T {
  try {
    return act();
  } catch (error) {
    if (!(error instanceof JobProblem)) throw error;
    throw new JobProblem(
      error.problems.map(({ path, message }) => ({ path: FIELDS[path] ?? path, message })),
    );
  }
}

function sensitivityResult({ scale, found }: ReturnType<typeof turnedFrom>): ToolResult {
  const tone = found.verdict === 'good' ? 'good' : 'bad';
  return {
    title: say('tools.set-adjuster-to', { setting: found.setting, scale }),
    lines: [
      {
        label: say('tools.left-either-side'),
        value: say('tools.apart-of', { distance: found.toObject, least: leastMargin(scale), unit: '' }),
        tone,
      },
    ],
    words: [{ text: found.sentence, tone }],
  };
}

/** What the tool's values make of the readings. @throws JobProblem */
function teachFrom(values: ToolValues) {
  const read = new ToolReader(TEACH_TOOL, values);
  const kind = read.choice('kind') as TeachKind;
  const unit = read.text('unit');
  const [period, drift] = [read.number('period'), kind === 'cycle' ? undefined : read.maybe('drift')];
  const rows = [read.list('readings'), ...(kind === 'two' || kind === 'flow' ? [read.list('second')] : [])];
  const found = kind === 'cycle' ? [] : rows.map((row) => steadiness(row, period, drift));
  const taught = kind === 'cycle' ? cycleOf(rows[0] ?? []) : found;
  const margin = kind === 'margin' || kind === 'window' ? read.number('margin') : 0;
  const limits = {
    unit,
    resolution: read.maybe('step'),
    hysteresis: read.maybe('hysteresis'),
    leastSpan: kind === 'two' || kind === 'flow' ? read.maybe('span') : undefined,
  };
  const worst = found.find(({ is }) => is === 'moves') ?? found.find(({ is }) => is === 'unsure');
  return {
    kind,
    unit,
    period,
    rows,
    found,
    came: teach(kind, taught, limits, margin),
    worst,
    conditions: read.text('conditions'),
  };
}

/** A sensitivity as a record of what was taught. */
function turnedBy(values: ToolValues): CalibrationOf<'taught'> {
  const { scale, objectLost, backgroundSeen, found, conditions } = turnedFrom(values);
  return {
    kind: 'taught',
    how: 'sensitivity',
    unit: '',
    readings: [objectLost, ...(backgroundSeen === undefined ? [] : [backgroundSeen])],
    scale,
    ok: found.verdict === 'good',
    gives: [found.setting],
    distance: found.toObject,
    least: leastMargin(scale),
    conditions,
  };
}

/** The same as a record of what was taught. @throws JobProblem */
export function taughtBy(values: ToolValues): CalibrationOf<'taught'> {
  if (values.kind === 'sensitivity') return turnedBy(values);
  const { kind, unit, period, rows, came, worst, conditions } = teachFrom(values);
  const [readings = [], second] = rows;
  const ok = !worst && !came.refusal;
  return {
    kind: 'taught',
    how: kind,
    unit,
    readings,
    ...(second && { second }),
    period,
    ok,
    gives: ok ? givesOf(came) : [],
    distance: came.distance,
    least: came.least,
    conditions,
  };
}

function givesOf({ mode, range, zero }: ReturnType<typeof teach>): number[] {
  if (range) return [range.low, range.high];
  if (mode?.kind === 'points') return [mode.set, mode.reset];
  return mode ? [mode.low, mode.high] : zero === undefined ? [] : [zero];
}

function seenLines(
  { mean, uncertainty, drift, turns, is }: Steadiness,
  which: 'first' | 'second',
  unit: string,
): ToolLine[] {
  return [
    {
      label: say('tools.mean-of', { which }),
      value: say('tools.value-give-or-take', { mean, uncertainty, unit }),
    },
    {
      label: say('tools.moved-by', { which }),
      value: withUnit(turns ?? drift, unit, 3),
      tone: is === 'steady' ? 'good' : 'bad',
    },
  ];
}

function switchLines({ mode, range }: ReturnType<typeof teach>, unit: string): ToolLine[] {
  const ends = range ?? (mode?.kind === 'window' ? mode : undefined);
  if (ends)
    return [
      {
        label: say(range ? 'tools.range-from-to' : 'tools.window-from-to'),
        value: say('tools.from-to-unit', { low: ends.low, high: ends.high, unit }),
      },
    ];
  return mode?.kind === 'points'
    ? [
        { label: say('tools.switches-on-at'), value: withUnit(mode.set, unit, 4) },
        { label: say('tools.switches-off-at'), value: withUnit(mode.reset, unit, 4) },
      ]
    : [];
}

function unsteadyWords(
  { is, drift, turns, allowed, settles }: Steadiness,
  unit: string,
): ToolResult['words'] {
  const tone = 'bad';
  if (is === 'unsure') return [{ text: say('tools.unsure-words'), tone }];
  return [
    {
      text:
        turns === undefined
          ? say('tools.moves-words', { drift, allowed, unit })
          : say('tools.turns-words', { turns, allowed, unit }),
      tone,
    },
    {
      text: settles
        ? say('tools.wait-yet', { time: say('switching.time', { seconds: settles.seconds }) })
        : say('tools.does-not-settle'),
      tone,
    },
  ];
}

const outcomeWords = ({ refusal, words }: ReturnType<typeof teach>): ToolResult['words'] =>
  refusal ? [{ text: refusal, tone: 'bad' }] : words.map((text) => ({ text }));
