import { nth } from '../../lists/index.ts';
import { plc } from '../../scaling/index.ts';
import type { Expression, Instance, PlcBlock, Statement, Variable } from '../../scaling/index.ts';
import { turnsOf } from './ladder.ts';
import type { Action, Ladder, Level } from './ladder.ts';
import { milliseconds, rhythmOf } from './ladderRun.ts';

const { and, assign, identifier, member, name, not, number, or, truth, when } = plc;

/** In which type the value and the limits are kept. */
export type RealType = 'REAL' | 'LREAL';

/** Faults that hand-written ladders have, each to be shown beside the right one. */
export const FLAWS = ['bare', 'equals', 'chatter', 'noReset', 'wrongSide'] as const;
export type Flaw = (typeof FLAWS)[number];

/** What a controller holds of a limit: the number as it is written, in its type. */
export const heldAs =
  (type: RealType) =>
  (value: number): number =>
    type === 'REAL' ? Math.fround(asWritten(value)) : asWritten(value);

/** A limit as it stands in the text: without the tail of a difference. */
const asWritten = (value: number): number => Number(value.toPrecision(12));

/** Outputs that say what is to be done, in their order. */
const ACTION_OUTPUTS = [
  ['show', 'ShowAlarm'],
  ['lamp', 'LampOn'],
  ['sound', 'HornOn'],
  ['pause', 'PauseProcess'],
  ['stop', 'StopProcess'],
  ['lock', 'LockedOut'],
] as const satisfies readonly (readonly [Action, string])[];

const bool = (text: string, comment?: string): Variable => ({
  name: text,
  type: 'BOOL',
  ...(comment && { comment }),
});

/** Inputs of the block, in the order in which they are given. */
const inputsOf = (type: RealType, unit: string): Variable[] => [
  { name: 'Value', type, comment: unit },
  bool('Fault', 'break, short or invalid: there is nothing to measure'),
  bool('AnyoneClears'),
  bool('OperatorClears'),
  bool('KeyClears'),
  bool('BypassOn'),
  bool('BypassOff'),
];

/** Names of what belongs to a level: its number, and its name as far as a controller takes it. */
const namesOf = (level: Level, i: number) => {
  const n = i + 1;
  return {
    output: `L${n}_${identifier(level.name)}`,
    called: `Called${n}`,
    latch: `Latch${n}`,
    delay: `Delay${n}`,
    beat: `Beat${n}`,
    lit: `Lit${n}`,
  };
};

/** Outputs of the block: each level as it acts, each action, the flashing lamp, and the bypass. */
const outputsOf = ({ levels }: Ladder): Variable[] => [
  ...levels.map((level, i) => bool(namesOf(level, i).output)),
  ...ACTION_OUTPUTS.map(([, text]) => bool(text)),
  bool('LampFlash', 'lit now, in its rhythm'),
  bool('Bypassed'),
];

/**
 * An alarm ladder as a function block with standard timers and bistables. Called once a cycle.
 * @param flaw a fault that hand-written ladders have, put in on purpose.
 */
export function ladderCode(
  { tag, unit }: { readonly tag: string; readonly unit: string },
  ladder: Ladder,
  type: RealType,
  flaw?: Flaw,
): PlcBlock {
  const { levels } = ladder;
  const names = levels.map(namesOf);
  return {
    name: `Alarms_${identifier(tag)}`,
    comment: `Alarm ladder of ${tag}, ${levels.length === 1 ? 'one level' : `${levels.length} levels`} in ${unit}.`,
    inputs: inputsOf(type, unit),
    outputs: outputsOf(ladder),
    locals: [
      bool('Starting'),
      bool('Faulted'),
      ...names.flatMap(({ called, lit }, i) => [
        bool(called),
        ...(flashes(nth(levels, i)) ? [bool(lit)] : []),
      ]),
    ],
    instances: [
      ...(ladder.startUp > 0 ? [ton('StartUp')] : []),
      ...(ladder.bypass.seconds > 0
        ? [
            { name: 'BypassEdge', type: 'R_TRIG' as const },
            { name: 'Bypass', type: 'RS' as const },
            ...(ladder.bypass.ends ? [ton('BypassTime')] : []),
          ]
        : []),
      ...levels.flatMap((level, i) => instancesOf(level, nth(names, i), flaw)),
    ],
    body: [
      ...startUp(ladder),
      ...bypass(ladder),
      ...levels.flatMap((level, i) => levelBody(level, nth(names, i), flaw)),
      ...acting(ladder),
    ],
  };
}

type Names = ReturnType<typeof namesOf>;

const ton = (text: string): Instance => ({ name: text, type: 'TON' });
const flashes = ({ does }: Level): boolean => does.includes('flash');
const call = (of: string, given: Readonly<Record<string, Expression>>): Statement => ({
  kind: 'call',
  of,
  given,
});
const time = (ms: number): Expression => ({ kind: 'time', ms });

function instancesOf(level: Level, { latch, delay, beat }: Names, flaw: Flaw | undefined): Instance[] {
  return [
    ...(level.delay > 0 && flaw !== 'bare'
      ? [{ name: delay, type: flaw === 'wrongSide' ? ('TOF' as const) : ('TON' as const) }]
      : []),
    { name: latch, type: 'RS', kept: level.keptOverPowerCut },
    ...(flashes(level) ? [ton(beat)] : []),
  ];
}

function startUp({ startUp: seconds, faultsWaitToo }: Ladder): Statement[] {
  return [
    ...(seconds > 0
      ? [
          call('StartUp', { IN: truth(true), PT: time(milliseconds(seconds)) }),
          assign('Starting', not(member('StartUp', 'Q'))),
        ]
      : [assign('Starting', truth(false))]),
    assign('Faulted', faultsWaitToo ? and(name('Fault'), not(name('Starting'))) : name('Fault')),
  ];
}

function bypass({ bypass: { seconds, ends } }: Ladder): Statement[] {
  if (seconds === 0) return [assign('Bypassed', truth(false))];
  const timed = (IN: Expression): Statement => call('BypassTime', { IN, PT: time(milliseconds(seconds)) });
  return [
    call('BypassEdge', { CLK: name('BypassOn') }),
    call('Bypass', { S: member('BypassEdge', 'Q'), R1: name('BypassOff') }),
    ...(ends
      ? [
          timed(member('Bypass', 'Q1')),
          {
            kind: 'if' as const,
            branches: [
              {
                when: member('BypassTime', 'Q'),
                then: [call('Bypass', { S: truth(false), R1: truth(true) }), timed(truth(false))],
              },
            ],
          },
        ]
      : []),
    assign('Bypassed', member('Bypass', 'Q1')),
  ];
}

/** Who may clear a level: whoever has the key may do what an operator may, and an operator what anyone may. */
function cleared({ clearedBy }: Level): Expression {
  const key = name('KeyClears');
  const operator = name('OperatorClears');
  switch (clearedBy) {
    case 'itself':
      return truth(true);
    case 'anyone':
      return or(name('AnyoneClears'), operator, key);
    case 'operator':
      return or(operator, key);
    case 'key':
      return key;
  }
}

/** Whether the value calls for a level, with its hysteresis; of a flawed one as it is often written. */
function beyond(level: Level, called: string, flaw: Flaw | undefined): Expression {
  const { on, back } = turnsOf(level);
  const upper = level.direction === 'above';
  const value = name('Value');
  const limit = number(asWritten(on));
  if (flaw === 'equals') return when(value, '=', limit);
  if (flaw === 'bare' || flaw === 'chatter') return when(value, upper ? '>' : '<', limit);
  return or(
    when(value, upper ? '>=' : '<=', limit),
    and(name(called), when(value, upper ? '>' : '<', number(asWritten(back)))),
  );
}

function levelBody(
  level: Level,
  { called, latch, delay, beat, lit }: Names,
  flaw: Flaw | undefined,
): Statement[] {
  const timed = level.delay > 0 && flaw !== 'bare';
  const inFault = level.onFault === 'holds' ? name(called) : truth(level.onFault === 'acts');
  const lasts = timed ? member(delay, 'Q') : name(called);
  const direct = level.onFault === 'acts' && timed;
  const calls =
    flaw === 'wrongSide' && timed ? lasts : and(name(called), direct ? or(lasts, name('Faulted')) : lasts);
  const may = cleared(level);
  const ended = not(name(called));
  return [
    {
      kind: 'if',
      branches: [
        { when: name('Faulted'), then: [assign(called, inFault)] },
        { when: or(name('Fault'), name('Starting')), then: [assign(called, truth(false))] },
      ],
      otherwise: [assign(called, beyond(level, called, flaw))],
    },
    ...(timed ? [call(delay, { IN: name(called), PT: time(milliseconds(level.delay)) })] : []),
    call(latch, {
      S: timed ? calls : name(called),
      R1: flaw === 'noReset' ? truth(false) : level.clearedBy === 'itself' ? ended : and(ended, may),
    }),
    ...(flashes(level) ? flashing(level, { latch, beat, lit }) : []),
  ];
}

function flashing(level: Level, { latch, beat, lit }: Pick<Names, 'latch' | 'beat' | 'lit'>): Statement[] {
  const rhythm = rhythmOf(level);
  const PT = time(rhythm.lit + rhythm.dark);
  const on = member(latch, 'Q1');
  return [
    call(beat, { IN: on, PT }),
    {
      kind: 'if',
      branches: [
        { when: member(beat, 'Q'), then: [call(beat, { IN: truth(false), PT }), call(beat, { IN: on, PT })] },
      ],
    },
    assign(lit, and(on, when(member(beat, 'ET', 'TIME'), '<', time(rhythm.lit)))),
  ];
}

/** What is done: a bypass passes over all levels but those that lock. */
function acting({ levels, bypass: { shown, seconds } }: Ladder): Statement[] {
  const names = levels.map(namesOf);
  const all = (action: Action): Expression[] =>
    levels.flatMap(({ does }, i) => (does.includes(action) ? [name(nth(names, i).output)] : []));
  const any = (of: readonly Expression[]): Expression => (of.length ? or(...of) : truth(false));
  return [
    ...levels.map((level, i) => {
      const { output, latch } = nth(names, i);
      const stands = member(latch, 'Q1');
      return assign(
        output,
        level.does.includes('lock') || seconds === 0 ? stands : and(stands, not(name('Bypassed'))),
      );
    }),
    ...ACTION_OUTPUTS.map(([action, text]) =>
      assign(
        text,
        any([...all(action), ...(action === 'show' && shown && seconds > 0 ? [name('Bypassed')] : [])]),
      ),
    ),
    assign(
      'LampFlash',
      any(
        levels.flatMap((level, i) =>
          flashes(level) ? [and(name(nth(names, i).lit), name(nth(names, i).output))] : [],
        ),
      ),
    ),
  ];
}
