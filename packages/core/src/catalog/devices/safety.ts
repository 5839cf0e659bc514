import type { DeviceDescription, OutputDescription } from '../description/deviceDescription.ts';
import type { Expression } from '../description/expression.ts';
import { atLeast, atMost, between, exact, span } from '../description/figure.ts';
import type { PartTerminal } from '../description/terminals.ts';
import { ARC_COIL, ARC_UNIT, ARC_UNIT_LINKED } from './arc.ts';
import { ESTOP, GUARD, MAT } from '../handling/switching.ts';

const NOT_FOR_SAFETY = 'The auxiliary contact only shows the state';
const BRIDGE = 'Never bridge a guard or an emergency stop to test.';

/** Two contacts that open together and an auxiliary one that closes then. */
const DUAL_TERMINALS: PartTerminal[] = [
  { name: '11', role: 'channel1', words: 'channel 1', colour: 'BK' },
  { name: '12', role: 'channel1Return', words: 'channel 1', colour: 'BK' },
  { name: '21', role: 'channel2', words: 'channel 2', colour: 'BU' },
  { name: '22', role: 'channel2Return', words: 'channel 2', colour: 'BU' },
  { name: '33', role: 'aux', words: 'auxiliary', colour: 'WH' },
  { name: '34', role: 'auxReturn', words: 'auxiliary', colour: 'GY' },
];

const safe = (
  terminals: string[],
  words: OutputDescription['words'],
  stimulus: string,
  more: Partial<OutputDescription> = {},
): OutputDescription => ({
  id: 'safe',
  label: 'Safe channels',
  drivenBy: 'guard',
  terminals,
  kinds: ['contact'],
  logics: ['nc'],
  landsOn: 'guard',
  rule: 'guard',
  element: 'channel1',
  carries: ['channel1', 'channel2'],
  words,
  stimulus,
  ...more,
});

/** The auxiliary output: it shows the state on a normal input and protects nobody. */
const auxiliary = (
  terminals: string[],
  words: OutputDescription['words'],
  stimulus: string,
  more: Partial<OutputDescription> = {},
): OutputDescription => ({
  id: 'aux',
  label: 'Auxiliary, display only',
  drivenBy: 'target',
  terminals,
  kinds: ['contact'],
  logics: ['nc'],
  landsOn: 'switched',
  rule: 'by-kind',
  element: 'aux',
  words,
  stimulus,
  ...more,
});

/** A channel that `open1` and `stuck1` force alone, `open2` and `stuck2` the other. */
const channel = (n: number, otherwise: Expression): Expression => ({
  all: [{ not: { forced: `open${n}` } }, { any: [{ forced: `stuck${n}` }, otherwise] }],
});

function dual(
  own: Pick<DeviceDescription, 'id' | 'name' | 'title' | 'handling' | 'senses' | 'terms'>,
  words: OutputDescription['words'],
  stimulus: string,
): DeviceDescription {
  return {
    ...own,
    group: 'Safety',
    safety: true,
    terminals: DUAL_TERMINALS,
    outputs: [safe(['12', '22', '11', '21'], words, stimulus), auxiliary(['34', '33'], words, stimulus)],
    behaviours: [
      ...[1, 2].map((n) => ({
        model: 'contact' as const,
        id: `channel${n}`,
        a: `${n}1`,
        b: `${n}2`,
        closed: channel(n, { present: true }),
      })),
      { model: 'contact', id: 'aux', a: '33', b: '34', closed: { not: { present: true } } },
    ],
    indicators: [{ id: 'aux', label: NOT_FOR_SAFETY, kind: 'contact' }],
    cautions: { follow: BRIDGE },
  };
}

const GUARD_WORDS = { present: 'Guard closed', away: 'Guard open' };
const BY_HAND = 'the real guard, opened and closed by hand';

const transistor = (
  id: string,
  out: string,
  active: Expression,
): DeviceDescription['behaviours'][number] => ({
  model: 'transistor-output',
  id,
  plus: 'BN',
  minus: 'BU',
  out,
  style: 'pnp',
  active,
  drop: span('V', 0.5, 1, 2),
  leakage: span('A', 0, 0.00001, 0.0001),
  rated: atMost('A', 0.2),
  minimum: atLeast('V', 19),
});

const GUARD_SENSOR: DeviceDescription = {
  id: 'guard-transistor',
  name: 'Guard sensor, two monitored transistor outputs',
  title: 'guard sensor',
  group: 'Safety',
  safety: true,
  handling: GUARD,
  terminals: [
    { name: 'BN', role: 'plus', words: 'supply plus', colour: 'BN' },
    { name: 'BU', role: 'minus', words: 'supply minus', colour: 'BU' },
    { name: 'GN', role: 'channel1Return', words: 'safe output 1', colour: 'GN' },
    { name: 'YE', role: 'channel2Return', words: 'safe output 2', colour: 'YE' },
    { name: 'WH', role: 'safeIn1', words: 'safe input 1', colour: 'WH' },
    { name: 'PK', role: 'safeIn2', words: 'safe input 2', colour: 'PK' },
    { name: 'GY', role: 'auxReturn', words: 'auxiliary, display only', colour: 'GY' },
  ],
  supply: { plus: 'BN', minus: 'BU', volts: between('V', 19, 30) },
  outputs: [
    safe(['GN', 'YE'], GUARD_WORDS, BY_HAND, {
      kinds: ['pnp'],
      rated: atMost('A', 0.2),
      indicator: 'channel1',
    }),
    auxiliary(['GY'], GUARD_WORDS, BY_HAND, { kinds: ['pnp'], logics: ['no'], rated: atMost('A', 0.2) }),
  ],
  behaviours: [
    { model: 'supply', id: 'supply', plus: 'BN', minus: 'BU', ohms: span('Ω', 500, 700, 1000) },
    ...(
      [
        ['in1', 'WH'],
        ['in2', 'PK'],
      ] as const
    ).flatMap(([id, node]): DeviceDescription['behaviours'] => [
      { model: 'resistor', id: `${id}-load`, a: node, b: 'BU', ohms: span('Ω', 4200, 4700, 5200) },
      { model: 'threshold', id, a: node, b: 'BU', on: exact('V', 11), off: exact('V', 5) },
    ]),
    ...[1, 2].map((n) =>
      transistor(`channel${n}`, n === 1 ? 'GN' : 'YE', {
        all: [
          { not: { forced: `test${n}` } },
          channel(n, { all: [{ present: true }, { on: 'in1' }, { on: 'in2' }] }),
        ],
      }),
    ),
    transistor('aux', 'GY', { present: true }),
  ],
  face: [
    { a: 'BN', b: 'BU', glyph: { kind: 'line', id: 'supply' } },
    { a: 'WH', b: 'GN', glyph: { kind: 'slot', id: 'channel1/high', text: 'channel 1' } },
    { a: 'PK', b: 'YE', glyph: { kind: 'slot', id: 'channel2/high', text: 'channel 2' } },
    { b: 'GY', glyph: { kind: 'slot', id: 'aux/high', text: 'display only' } },
  ],
  indicators: [{ id: 'channel1', label: 'Sensor LED', kind: 'lamp' }],
  cautions: { follow: BRIDGE },
};

/** A light curtain gives its two outputs itself: it has no safe inputs, and tests them against each other. */
const LIGHT_CURTAIN: DeviceDescription = {
  ...GUARD_SENSOR,
  id: 'light-curtain',
  name: 'Light curtain or scanner, two monitored transistor outputs',
  title: 'light curtain',
  senses: ['guard', 'beam'],
  terms: [
    'OSSD',
    'electro-sensitive',
    'area scanner',
    'laser scanner',
    'two channels',
    'test pulses',
    'safety',
  ],
  terminals: GUARD_SENSOR.terminals.filter(({ role }) => role !== 'safeIn1' && role !== 'safeIn2'),
  outputs: GUARD_SENSOR.outputs.map((output) => ({
    ...output,
    words: { present: 'Field free', away: 'Field entered' },
    stimulus: 'the maker’s test piece, led through the whole field',
  })),
  behaviours: [
    { model: 'supply', id: 'supply', plus: 'BN', minus: 'BU', ohms: span('Ω', 150, 250, 400) },
    ...[1, 2].map((n) =>
      transistor(`channel${n}`, n === 1 ? 'GN' : 'YE', {
        all: [{ not: { forced: `test${n}` } }, channel(n, { present: true })],
      }),
    ),
    transistor('aux', 'GY', { present: true }),
  ],
  face: [
    { a: 'BN', b: 'BU', glyph: { kind: 'line', id: 'supply' } },
    { b: 'GN', glyph: { kind: 'slot', id: 'channel1/high', text: 'channel 1' } },
    { b: 'YE', glyph: { kind: 'slot', id: 'channel2/high', text: 'channel 2' } },
    { b: 'GY', glyph: { kind: 'slot', id: 'aux/high', text: 'display only' } },
  ],
};

const RESET_BUTTON: DeviceDescription = {
  id: 'reset-button',
  name: 'Reset button, one NO contact',
  title: 'reset button',
  group: 'Between others',
  part: true,
  inline: true,
  button: 'pressed',
  terminals: [
    { name: '13', words: 'NO' },
    { name: '14', words: 'NO' },
  ],
  outputs: [],
  behaviours: [{ model: 'contact', id: 'pressed', a: '13', b: '14', closed: { forced: 'pressed' } }],
  cautions: {
    follow:
      'Set it outside the guarded space, where all of it can be seen. Where a person can stand behind the guard, reset must be manual and monitored.',
  },
};

export const SAFETY_DEVICES: readonly DeviceDescription[] = [
  dual(
    { id: 'guard-2c', name: 'Guard switch, two channels', title: 'guard switch', handling: GUARD },
    GUARD_WORDS,
    BY_HAND,
  ),
  dual(
    { id: 'estop-2c', name: 'Emergency stop, two channels', title: 'emergency stop', handling: ESTOP },
    { present: 'Released', away: 'Pressed' },
    'the real button, pressed and released',
  ),
  dual(
    {
      id: 'rope-pull-2c',
      name: 'Rope-pull switch, two channels',
      title: 'rope-pull',
      handling: ESTOP,
      senses: ['guard'],
      terms: ['emergency stop', 'pull cord', 'trip wire', 'conveyor', 'safety'],
    },
    { present: 'Rope tight, not pulled', away: 'Pulled or slack' },
    'the real rope, pulled along its whole length, and let slack',
  ),
  dual(
    {
      id: 'key-switch-2c',
      name: 'Key switch with monitored contacts, two channels',
      title: 'key switch',
      handling: ESTOP,
      senses: ['guard'],
      terms: ['trapped key', 'key transfer', 'service', 'lock-out', 'safety'],
    },
    { present: 'Key in and turned', away: 'Key out' },
    'the real key, turned and drawn',
  ),
  dual(
    {
      id: 'mat-2c',
      name: 'Safety mat or edge with its evaluation unit, two contacts',
      title: 'safety mat',
      handling: MAT,
      senses: ['guard'],
      terms: ['step mat', 'bumper', 'safety edge', 'pressure-sensitive', 'safety'],
    },
    { present: 'Nobody on it', away: 'Stepped on or pressed' },
    'a person’s weight at each corner and across each joint, or the maker’s test piece',
  ),
  GUARD_SENSOR,
  LIGHT_CURTAIN,
  RESET_BUTTON,
  ARC_UNIT,
  ARC_UNIT_LINKED,
  ARC_COIL,
];
