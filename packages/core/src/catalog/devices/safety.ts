import { exactly, within } from '../../circuit/index.ts';
import { fed } from '../behaviours/analog.ts';
import { changeover } from '../behaviours/relays.ts';
import { contact, resistor, transistorOutput } from '../behaviours/switching.ts';
import { ARC_HANDLING } from '../handling/arc.ts';
import { ESTOP, GUARD } from '../handling/switching.ts';
import type { DeviceType, PartTerminal } from '../types.ts';

const NOT_FOR_SAFETY = 'The auxiliary contact only shows the state. It is no safety path.';
const BRIDGE = 'Never bridge a guard or an emergency stop to test.';

const dual = {
  family: 'safety',
  stimulated: 'guard',
  outputs: ['contact'],
  logics: ['nc'],
  cautions: { follow: BRIDGE },
} as const satisfies Partial<DeviceType>;

/** Two contacts that open together and an auxiliary one that closes then. */
const DUAL_TERMINALS: readonly PartTerminal[] = [
  { name: '11', role: 'channel1', words: 'channel 1', colour: 'BK' },
  { name: '12', role: 'channel1Return', words: 'channel 1', colour: 'BK' },
  { name: '21', role: 'channel2', words: 'channel 2', colour: 'BU' },
  { name: '22', role: 'channel2Return', words: 'channel 2', colour: 'BU' },
  { name: '33', role: 'aux', words: 'auxiliary', colour: 'WH' },
  { name: '34', role: 'auxReturn', words: 'auxiliary', colour: 'GY' },
];

/** `open1` and `stuck1` force channel 1 alone, `open2` and `stuck2` channel 2. */
const dualContacts: DeviceType['circuit'] = ({ present, forced }) => [
  ...[1, 2].map((n) =>
    contact(
      `channel${n}`,
      `${n}1`,
      `${n}2`,
      forced.has(`open${n}`) ? false : forced.has(`stuck${n}`) ? true : present,
    ),
  ),
  contact('aux', '33', '34', !present),
];

export const SAFETY_DEVICES: readonly DeviceType[] = [
  {
    ...dual,
    id: 'guard-2c',
    handling: GUARD,
    name: 'Guard switch, two channels',
    principle: 'guard switch',
    terminals: DUAL_TERMINALS,
    circuit: dualContacts,
    words: { present: 'Guard closed', away: 'Guard open' },
    stimulus: 'the real guard, opened and closed by hand',
    indicators: [{ id: 'aux', label: NOT_FOR_SAFETY.split('.')[0]!, kind: 'contact' }],
  },
  {
    ...dual,
    id: 'estop-2c',
    handling: ESTOP,
    name: 'Emergency stop, two channels',
    principle: 'emergency stop',
    terminals: DUAL_TERMINALS,
    circuit: dualContacts,
    words: { present: 'Released', away: 'Pressed' },
    stimulus: 'the real button, pressed and released',
    indicators: [{ id: 'aux', label: NOT_FOR_SAFETY.split('.')[0]!, kind: 'contact' }],
  },
  {
    ...dual,
    id: 'guard-transistor',
    handling: GUARD,
    name: 'Guard sensor, two monitored transistor outputs',
    principle: 'guard sensor',
    outputs: ['pnp'],
    terminals: [
      { name: 'BN', role: 'plus', words: 'supply plus', colour: 'BN' },
      { name: 'BU', role: 'minus', words: 'supply minus', colour: 'BU' },
      { name: 'GN', role: 'channel1Return', words: 'safe output 1', colour: 'GN' },
      { name: 'YE', role: 'channel2Return', words: 'safe output 2', colour: 'YE' },
      { name: 'WH', role: 'safeIn1', words: 'safe input 1', colour: 'WH' },
      { name: 'PK', role: 'safeIn2', words: 'safe input 2', colour: 'PK' },
      { name: 'GY', role: 'auxReturn', words: 'auxiliary, display only', colour: 'GY' },
    ],
    circuit: ({ present, forced }) => {
      const e = { dropVolts: within(0.5, 1, 2), ratedAmps: 0.2, leastVolts: 19 };
      const out = (id: string, node: string, active: Parameters<typeof transistorOutput>[3]) =>
        transistorOutput(id, { plus: 'BN', out: node, minus: 'BU' }, 'pnp', active, e);
      const safe = (n: number) =>
        forced.has(`test${n}`) || forced.has(`open${n}`)
          ? false
          : forced.has(`stuck${n}`)
            ? true
            : ({ all: [present, { on: 'in1' }, { on: 'in2' }] } as const);
      return [
        resistor('supply', 'BN', 'BU', within(500, 700, 1000)),
        ...[
          ['in1', 'WH'],
          ['in2', 'PK'],
        ].flatMap(([id, node]) => [
          resistor(`${id}-load`, node!, 'BU', within(4200, 4700, 5200)),
          { kind: 'detector' as const, id: id!, a: node!, b: 'BU', onVolts: 11, offVolts: 5 },
        ]),
        out('channel1', 'GN', safe(1)),
        out('channel2', 'YE', safe(2)),
        out('aux', 'GY', present),
      ];
    },
    face: [
      { a: 'BN', b: 'BU', glyph: { kind: 'line', id: 'supply' } },
      { a: 'WH', b: 'GN', glyph: { kind: 'slot', id: 'channel1/high', text: 'channel 1' } },
      { a: 'PK', b: 'YE', glyph: { kind: 'slot', id: 'channel2/high', text: 'channel 2' } },
      { b: 'GY', glyph: { kind: 'slot', id: 'aux/high', text: 'display only' } },
    ],
    supply: { least: 19, most: 30 },
    ratedAmps: 0.2,
    words: { present: 'Guard closed', away: 'Guard open' },
    stimulus: 'the real guard, opened and closed by hand',
    indicators: [{ id: 'channel1', label: 'Sensor lamp', kind: 'lamp' }],
  },
  {
    family: 'between',
    stimulated: 'none',
    outputs: ['none'],
    logics: ['none'],
    words: { present: 'Pressed', away: 'Not pressed' },
    stimulus: 'the real button',
    id: 'reset-button',
    name: 'Reset button, one NO contact',
    principle: 'reset button',
    terminals: [
      { name: '13', words: 'NO' },
      { name: '14', words: 'NO' },
    ],
    circuit: ({ forced }) => [contact('pressed', '13', '14', forced.has('pressed'))],
    cautions: {
      follow:
        'Set it outside the guarded space, where all of it can be seen. Where a person can stand behind the guard, reset must be manual and monitored.',
    },
  },
  {
    family: 'safety',
    stimulated: 'target',
    outputs: ['contact'],
    logics: ['no'],
    words: { present: 'Arc or over-current seen', away: 'Idle' },
    stimulus: 'its own test function; never a real arc',
    id: 'arc-unit',
    handling: ARC_HANDLING,
    name: 'Current unit for arc protection, chained by fibre',
    principle: 'arc protection',
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
      { name: 'SH', role: 'earth' as const, words: 'screen' },
    ],
    settings: [
      {
        key: 'failSafe',
        usual: { value: 'safe', why: 'fail-safe: it falls off on trip and on loss of supply' },
        label: 'Contact at rest',
        place: 'switch',
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
    circuit: ({ present, settings }) => [
      ...fed('A1', 'A2', 250, 18),
      {
        kind: 'latch',
        id: 'coil',
        set: true,
        hold: { all: [{ on: 'fed' }, settings.failSafe === 'trip' ? present : !present] },
      },
      ...changeover(1, 'coil'),
      ...[1, 2, 3].map((phase) => resistor(`burden${phase}`, `k${phase}`, `l${phase}`, exactly(10000))),
      resistor('screen', 'SH', 'A2', exactly(1e6)),
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
    supply: { least: 18, most: 30 },
    contacts: { poles: 1, amps: 5, inrushAmps: 10, mostVolts: 250, leastVolts: 5, leastAmps: 0.01 },
    indicators: [{ id: 'coil', label: 'Trip relay', kind: 'coil' }],
    cautions: {
      isolate:
        'Switchgear: isolate, earth and prove dead under the local rules before the coil sensors go round a conductor. Arc flash can kill.',
      follow: 'Never open the secondary of a current transformer that carries current.',
    },
  },
];
