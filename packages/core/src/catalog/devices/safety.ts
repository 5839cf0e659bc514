import type { DeviceDescription, OutputDescription } from '../description/deviceDescription.ts';
import type { Expression } from '../description/expression.ts';
import { atLeast, atMost, between, exact, span } from '../description/figure.ts';
import type { PartTerminal } from '../description/terminals.ts';
import { ARC_HANDLING } from '../handling/arc.ts';
import { ESTOP, GUARD } from '../handling/switching.ts';

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
  own: Pick<DeviceDescription, 'id' | 'name' | 'title' | 'handling'>,
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

const ARC_COIL: DeviceDescription = {
  id: 'arc-coil',
  name: 'Coil sensor for arc protection, closed round a conductor',
  title: 'coil sensor',
  group: 'Between others',
  part: true,
  inline: true,
  terminals: [
    { name: 'k', words: 'winding' },
    { name: 'l', words: 'winding' },
  ],
  outputs: [],
  behaviours: [{ model: 'resistor', id: 'winding', a: 'k', b: 'l', ohms: span('Ω', 20, 30, 40) }],
  face: [{ a: 'k', b: 'l', glyph: { kind: 'coil' } }],
  cautions: {
    isolate:
      'It goes round a conductor of the switchgear: isolate, earth and prove dead under the local rules first. Only authorised people open switchgear.',
  },
};

const ARC_UNIT: DeviceDescription = {
  id: 'arc-unit',
  name: 'Current unit for arc protection, chained by fibre',
  title: 'arc protection',
  group: 'Safety',
  safety: true,
  chain: {
    address: 'address',
    last: 'last',
    coils: [1, 2, 3].map((phase) => ({ a: `k${phase}`, b: `l${phase}`, inside: `burden${phase}` })),
  },
  handling: ARC_HANDLING,
  terminals: [
    { name: 'A1', role: 'plus', words: 'supply plus' },
    { name: 'A2', role: 'minus', words: 'supply minus' },
    { name: '11', role: 'sideA', words: 'common' },
    { name: '12', words: 'NC' },
    { name: '14', role: 'sideB', words: 'NO' },
    ...[1, 2, 3].flatMap((phase) => [
      { name: `k${phase}`, words: `coil sensor ${phase}` },
      { name: `l${phase}`, words: `coil sensor ${phase}` },
    ]),
    { name: 'SH', role: 'earth', words: 'screen' },
  ],
  supply: { plus: 'A1', minus: 'A2', volts: between('V', 18, 30) },
  settings: [
    {
      key: 'failSafe',
      usual: { value: 'safe', why: 'fail-safe: it falls off on trip and on loss of supply' },
      label: 'Contact at rest',
      place: 'switch',
      caution: {
        value: 'trip',
        text: 'Without supply nothing trips, and nobody is told. Only where the supply itself is watched.',
        doubtful: true,
      },
      choices: [
        { value: 'safe', label: 'Falls off on trip and on loss of supply' },
        { value: 'trip', label: 'Pulls in on trip' },
      ],
    },
    {
      key: 'address',
      from: 'arc.address',
      label: 'Address switches',
      place: 'switch',
      choices: Array.from({ length: 30 }, (_, i) => ({ value: String(i + 1), label: String(i + 1) })),
    },
    {
      key: 'last',
      from: 'arc.last',
      label: 'Switch for the last unit',
      place: 'switch',
      choices: [
        { value: 'on', label: 'On: it ends the chain' },
        { value: 'off', label: 'Off: another follows' },
      ],
    },
  ],
  outputs: [
    {
      id: 'trip',
      label: 'Trip contact',
      drivenBy: 'target',
      terminals: ['14', '11'],
      kinds: ['contact'],
      logics: ['no'],
      landsOn: 'switched',
      rule: 'trip',
      element: 'coil',
      carries: [],
      words: { present: 'Arc or over-current seen', away: 'Idle' },
      stimulus: 'its own test function; never a real arc',
    },
  ],
  behaviours: [
    {
      model: 'supply',
      id: 'supply',
      plus: 'A1',
      minus: 'A2',
      ohms: span('Ω', 200, 250, 300),
      minimum: atLeast('V', 18),
    },
    {
      model: 'latch',
      id: 'coil',
      set: true,
      hold: {
        all: [
          { on: 'fed' },
          {
            any: [
              { all: [{ setting: 'failSafe', is: 'trip' }, { present: true }] },
              { all: [{ not: { setting: 'failSafe', is: 'trip' } }, { not: { present: true } }] },
            ],
          },
        ],
      },
    },
    { model: 'changeover', id: 'poles', poles: 1, follows: 'coil' },
    ...[1, 2, 3].map((phase) => ({
      model: 'resistor' as const,
      id: `burden${phase}`,
      a: `k${phase}`,
      b: `l${phase}`,
      ohms: exact('Ω', 10000),
    })),
    { model: 'resistor', id: 'screen', a: 'SH', b: 'A2', ohms: exact('Ω', 1e6) },
  ],
  face: [
    { a: 'A1', b: 'A2', glyph: { kind: 'line', id: 'supply' } },
    { a: '11', b: '14', glyph: { kind: 'slot', id: 'no1' } },
    { a: '11', b: '12', glyph: { kind: 'slot', id: 'nc1' } },
    { a: 'k1', b: 'l1', glyph: { kind: 'coil', text: 'coil 1' } },
    { a: 'k2', b: 'l2', glyph: { kind: 'coil', text: 'coil 2' } },
    { a: 'k3', b: 'l3', glyph: { kind: 'coil', text: 'coil 3' } },
    { b: 'SH', glyph: { kind: 'line', text: 'screen' } },
  ],
  contacts: {
    poles: 1,
    amps: exact('A', 5),
    inrush: exact('A', 10),
    maxVolts: exact('V', 250),
    minVolts: exact('V', 5),
    minAmps: exact('A', 0.01),
  },
  indicators: [{ id: 'coil', label: 'Trip relay', kind: 'coil' }],
  cautions: {
    isolate:
      'Switchgear: isolate, earth and prove dead under the local rules before the coil sensors go round a conductor. Only authorised people open switchgear. Arc flash can kill.',
    follow: 'Never open the secondary of a current transformer that carries current.',
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
  GUARD_SENSOR,
  RESET_BUTTON,
  ARC_UNIT,
  ARC_COIL,
];
