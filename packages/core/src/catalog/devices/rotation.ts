import type { DeviceDescription, OutputDescription } from '../description/deviceDescription.ts';
import { atLeast, atMost, between, exact, span, tolerant } from '../description/figure.ts';
import type { PartTerminal } from '../description/terminals.ts';
import type { Handling } from '../handling/handling.ts';
import { SERIAL } from '../handling/handling.ts';

type Behaviour = DeviceDescription['behaviours'][number];

const PER_TURN: Handling['plate'][number] = {
  key: 'perTurn',
  label: 'Pulses per turn',
  kind: 'number',
  min: 1,
  max: 1e6,
  example: '1024, or the teeth that pass it',
};

const SCREEN: Handling['fit'][number] = {
  key: 'screen',
  title: 'Screen on over its whole width, apart from motor cables',
  reason: 'Pulses that a drive’s cable adds are counted like its own.',
};

const ENCODER: Handling = {
  fit: [
    {
      key: 'coupling',
      title: 'Flexible coupling, shafts in line, its screws tight on the flat',
      reason: 'A stiff one breaks the bearing, a loose one slips at every start.',
    },
    SCREEN,
  ],
  plate: [SERIAL, PER_TURN],
  parameters: [],
};

const PICK_UP: Handling = {
  fit: [
    {
      key: 'gap',
      title: 'Gap to the teeth as its maker says, checked over a whole turn by hand',
      reason: 'Too far it misses teeth, too near a bent one tears it off.',
      caution:
        'Stop, isolate and lock the machine under the site’s rules before a hand or a gauge goes near the wheel.',
    },
    SCREEN,
  ],
  plate: [SERIAL, PER_TURN],
  parameters: [],
};

const GROUP = 'Encoders and speed';
const PLUS: PartTerminal = { name: 'BN', role: 'plus', words: 'supply plus', colour: 'BN' };
const MINUS: PartTerminal = { name: 'BU', role: 'minus', words: 'supply minus', colour: 'BU' };
const VOLTS = between('V', 10, 30);
const BY_HAND = 'the shaft, turned by hand with the drive locked off';

const turning = (
  id: string,
  label: string,
  terminals: string[],
  more: Partial<OutputDescription>,
): OutputDescription => ({
  id,
  label,
  drivenBy: 'pulses',
  terminals,
  kinds: ['pushpull'],
  logics: ['no'],
  landsOn: 'pulses',
  rule: 'pulse',
  words: { present: 'Pulse', away: 'Between pulses' },
  stimulus: BY_HAND,
  ...more,
});

const fed = (ohms: number): Behaviour => ({
  model: 'supply',
  id: 'supply',
  plus: 'BN',
  minus: 'BU',
  ohms: tolerant('Ω', ohms, 20),
  minimum: atLeast('V', 10),
});

const stage = (
  [id, output, out]: readonly [string, string | undefined, string],
  [plus, minimum]: readonly [string, number],
  more: Partial<Extract<Behaviour, { model: 'transistor-output' }>>,
): Behaviour => ({
  model: 'transistor-output',
  id,
  ...(output !== undefined && { output }),
  plus,
  minus: 'BU',
  out,
  drop: span('V', 0.2, 0.5, 1),
  leakage: span('A', 0, 0.00001, 0.0001),
  rated: atMost('A', 0.03),
  minimum: atLeast('V', minimum),
  ...more,
});

/** The two signals that stand a quarter of a period apart, and the one that comes once a turn. */
const TRACKS = [
  { id: 'a', label: 'Track A', name: 'A', colours: ['WH', 'GN'] as const },
  { id: 'b', label: 'Track B', name: 'B', colours: ['YE', 'GY'] as const },
  { id: 'z', label: 'Mark Z', name: 'Z', colours: ['PK', 'RD'] as const },
];

export const ROTATION_DEVICES: readonly DeviceDescription[] = [
  {
    id: 'encoder-push-pull',
    name: 'Incremental encoder, push-pull, tracks A, B and Z',
    title: 'encoder, push-pull',
    group: GROUP,
    handling: ENCODER,
    senses: ['rotation', 'position'],
    terms: ['rotary encoder', 'HTL', 'pulses', 'shaft', 'counter', 'incremental', 'quadrature'],
    terminals: [
      PLUS,
      MINUS,
      ...TRACKS.map(({ label, name, colours }): PartTerminal => ({
        name,
        role: 'out',
        words: label,
        colour: colours[0],
      })),
    ],
    supply: { plus: 'BN', minus: 'BU', volts: VOLTS },
    outputs: TRACKS.map(({ id, label, name }) =>
      turning(id, label, [name], { element: `output-${id}`, rated: atMost('A', 0.03) }),
    ),
    behaviours: [
      fed(500),
      ...TRACKS.map(({ id, name }) => stage([`output-${id}`, id, name], ['BN', 10], { style: 'pushpull' })),
    ],
    face: TRACKS.map(({ id, name }) => ({
      a: 'BN',
      b: 'BU',
      middle: name,
      glyph: { kind: 'slot' as const, id: `output-${id}/high` },
    })),
  },
  {
    id: 'encoder-line-driver',
    name: 'Incremental encoder, 5 V line driver, tracks with their inverse',
    title: 'encoder, line driver',
    group: GROUP,
    handling: ENCODER,
    senses: ['rotation', 'position'],
    terms: ['rotary encoder', 'RS-422', 'TTL', 'differential', 'pulses', 'shaft', 'incremental'],
    terminals: [
      PLUS,
      MINUS,
      ...TRACKS.flatMap(({ label, name, colours }): PartTerminal[] => [
        { name: `${name}+`, role: 'pulse', words: label, colour: colours[0] },
        { name: `${name}-`, role: 'inverse', words: `${label}, inverse`, colour: colours[1] },
      ]),
    ],
    supply: { plus: 'BN', minus: 'BU', volts: VOLTS },
    outputs: TRACKS.map(({ id, label, name }) =>
      turning(id, label, [`${name}+`, `${name}-`], {
        element: `output-${id}`,
        rule: 'pair',
        across: [`${name}+`, `${name}-`],
        rated: atMost('A', 0.03),
      }),
    ),
    // 5 V from inside, there while it is fed; each track drives one lead up while it drives the other down.
    behaviours: [
      fed(400),
      {
        model: 'source',
        id: 'regulator',
        plus: '~reg',
        minus: 'BU',
        volts: tolerant('V', 5, 5),
        internal: exact('Ω', 0.5),
        limit: atMost('A', 0.25),
      },
      { model: 'contact', id: 'regulated', a: '~reg', b: '~5', closed: { on: 'fed' } },
      ...TRACKS.flatMap(({ id, name }) => [
        stage([`output-${id}`, id, `${name}+`], ['~5', 3], { style: 'pushpull', active: { called: id } }),
        stage([`inverse-${id}`, undefined, `${name}-`], ['~5', 3], {
          style: 'pushpull',
          active: { not: { called: id } },
        }),
      ]),
    ],
    face: [
      { a: 'BN', b: 'BU', glyph: { kind: 'line', id: 'supply' } },
      ...TRACKS.map(({ id, name }) => ({
        a: `${name}+`,
        b: `${name}-`,
        glyph: { kind: 'line' as const, id: `output-${id}/high` },
      })),
    ],
  },
  {
    id: 'speed-3w',
    name: 'Speed pick-up, active, three-wire',
    title: 'speed pick-up',
    group: GROUP,
    handling: PICK_UP,
    senses: ['rotation', 'metal'],
    terms: ['Hall', 'gear', 'tooth', 'rpm', 'tachometer', 'overspeed', 'pulses'],
    terminals: [PLUS, MINUS, { name: 'BK', role: 'out', words: 'pulses', colour: 'BK' }],
    supply: { plus: 'BN', minus: 'BU', volts: VOLTS },
    outputs: [
      turning('pulse', 'Pulses', ['BK'], {
        kinds: ['pnp', 'npn', 'pushpull'],
        element: 'output',
        indicator: 'output',
        rated: atMost('A', 0.05),
        stimulus: 'its wheel, turned by hand with the drive locked off',
      }),
    ],
    behaviours: [fed(1500), stage(['output', 'pulse', 'BK'], ['BN', 8], {})],
    face: [{ a: 'BN', b: 'BU', middle: 'BK', glyph: { kind: 'slot', id: 'output/high' } }],
    indicators: [{ id: 'output', label: 'Sensor LED', kind: 'lamp' }],
  },
  {
    id: 'speed-coil-2w',
    name: 'Speed pick-up, passive coil, two-wire',
    title: 'speed pick-up, coil',
    group: GROUP,
    handling: PICK_UP,
    senses: ['rotation', 'metal'],
    terms: ['magnetic pick-up', 'MPU', 'inductive', 'gear', 'tooth', 'flywheel', 'overspeed', 'mV'],
    terminals: [
      { name: '1', role: 'pulse', words: 'coil', colour: 'WH' },
      { name: '2', role: 'inverse', words: 'coil', colour: 'BN' },
    ],
    outputs: [
      turning('pulse', 'Coil', ['1', '2'], {
        kinds: ['none'],
        rule: 'pair',
        across: ['1', '2'],
        element: 'tooth',
        stimulus: 'its wheel, at the least speed that must be counted',
      }),
    ],
    // What a tooth gives at the top of a wave; between teeth the coil's resistance alone stands there.
    behaviours: [
      {
        model: 'source',
        id: 'wave',
        plus: '~e',
        minus: '2',
        volts: span('V', 1, 3, 20),
        internal: exact('Ω', 1),
        limit: atMost('A', 0.02),
      },
      { model: 'contact', id: 'tooth', a: '~e', b: '~c', closed: { called: 'pulse' } },
      { model: 'contact', id: 'gap', a: '~c', b: '2', closed: { not: { called: 'pulse' } } },
      { model: 'resistor', id: 'coil', a: '~c', b: '1', ohms: span('Ω', 150, 800, 1500) },
    ],
    face: [{ a: '1', b: '2', glyph: { kind: 'line', id: 'coil' } }],
  },
];
