import type { DeviceDescription, OutputDescription } from '../description/deviceDescription.ts';
import { atLeast, atMost, between, exact, span } from '../description/figure.ts';
import type { Figure } from '../description/figure.ts';
import type { PartTerminal } from '../description/terminals.ts';
import * as fit from '../handling/switching.ts';

/** Colours and pins of three- and four-wire d.c. proximity switches: IEC 60947-5-2. */
const THREE_WIRES: PartTerminal[] = [
  { name: 'BN', role: 'plus', pin: 1, colour: 'BN' },
  { name: 'BU', role: 'minus', pin: 3, colour: 'BU' },
  { name: 'BK', role: 'out', pin: 4, colour: 'BK' },
];
const EMITTER: PartTerminal[] = [
  { name: 'E-BN', role: 'emitterPlus', pin: 1, colour: 'BN' },
  { name: 'E-BU', role: 'emitterMinus', pin: 3, colour: 'BU' },
];

const TARGET = { present: 'Target present', away: 'Target away' };
const BEAM = { present: 'Beam broken', away: 'Beam free' };
const METAL = 'a piece of the real metal at the working distance';
const SUPPLY = between('V', 10, 30);
/** IEC 60947-5-2 allows 0.5 mA; what is sold leaks less. */
const LEAKAGE = span('A', 0, 0.00001, 0.0001);
const GROUP = 'Three- and four-wire sensors';

/** What distinguishes the electronics of one kind of sensor from another's. */
interface Electronics {
  readonly supply: Figure;
  readonly drop: Figure;
  readonly rated: number;
}
const INDUCTIVE: Electronics = {
  supply: span('Ω', 1800, 2400, 4800),
  drop: span('V', 0.3, 1.1, 2),
  rated: 0.2,
};
export const CAPACITIVE: Electronics = {
  supply: span('Ω', 1600, 2200, 4000),
  drop: span('V', 0.3, 1.2, 2),
  rated: 0.2,
};
const OPTICAL: Electronics = {
  supply: span('Ω', 900, 1200, 2400),
  drop: span('V', 0.3, 1.1, 2.4),
  rated: 0.1,
};
const ULTRASONIC: Electronics = {
  supply: span('Ω', 480, 700, 1200),
  drop: span('V', 0.5, 1.5, 3),
  rated: 0.2,
};

const switching = (rated: number, more: Partial<OutputDescription> = {}): OutputDescription => ({
  id: 'output',
  label: 'Switching output',
  drivenBy: 'target',
  terminals: ['BK'],
  kinds: ['pnp', 'npn', 'pushpull'],
  logics: ['no', 'nc'],
  landsOn: 'switched',
  rule: 'by-kind',
  element: 'output',
  indicator: 'output',
  rated: atMost('A', rated),
  words: TARGET,
  stimulus: METAL,
  ...more,
});

const transistor = (
  id: string,
  out: string,
  { drop, rated }: Electronics,
): DeviceDescription['behaviours'][number] & { model: 'transistor-output' } => ({
  model: 'transistor-output',
  id,
  output: id,
  plus: 'BN',
  minus: 'BU',
  out,
  drop,
  leakage: LEAKAGE,
  rated: atMost('A', rated),
  minimum: atLeast('V', 10),
});

/** A sensor with a supply and one transistor output. */
export function threeWire(
  own: Pick<DeviceDescription, 'id' | 'name' | 'title' | 'handling' | 'senses' | 'terms'>,
  electronics: Electronics,
  output: Partial<OutputDescription> = {},
): DeviceDescription {
  return {
    ...own,
    group: GROUP,
    terminals: THREE_WIRES,
    supply: { plus: 'BN', minus: 'BU', volts: SUPPLY },
    outputs: [switching(electronics.rated, output)],
    behaviours: [
      { model: 'supply', id: 'supply', plus: 'BN', minus: 'BU', ohms: electronics.supply },
      transistor('output', 'BK', electronics),
    ],
    indicators: [{ id: 'output', label: 'Sensor LED', kind: 'lamp' }],
  };
}

const inductive = threeWire(
  {
    id: 'inductive-3w',
    name: 'Inductive proximity sensor, three-wire',
    title: 'inductive',
    handling: fit.PROXIMITY,
  },
  INDUCTIVE,
);

const optical = (
  id: string,
  name: string,
  title: string,
  output: Partial<OutputDescription>,
): DeviceDescription =>
  threeWire({ id, name, title, handling: fit.OPTICAL }, OPTICAL, { logics: ['light', 'dark'], ...output });

const throughBeam = optical(
  'through-beam-3w',
  'Through-beam photoelectric pair, three-wire receiver',
  'through-beam',
  {
    lightWithTarget: false,
    words: BEAM,
    stimulus: 'the real object across the beam',
  },
);

export const SWITCHING_SENSORS: readonly DeviceDescription[] = [
  inductive,
  {
    ...inductive,
    id: 'inductive-4w',
    name: 'Inductive proximity sensor, four-wire, with complement',
    terminals: [
      ...THREE_WIRES,
      { name: 'WH', role: 'complement', pin: 2, colour: 'WH', words: 'complement' },
    ],
    outputs: [
      ...inductive.outputs,
      switching(INDUCTIVE.rated, {
        id: 'complement',
        label: 'Complement',
        drivenBy: 'complement',
        of: 'output',
        terminals: ['WH'],
        logics: ['none'],
        element: 'complement',
        indicator: undefined,
      }),
    ].map(({ indicator, ...output }) => ({ ...output, ...(indicator && { indicator }) })),
    behaviours: [...inductive.behaviours, transistor('complement', 'WH', INDUCTIVE)],
  },
  threeWire(
    {
      id: 'capacitive-3w',
      name: 'Capacitive proximity sensor, three-wire',
      title: 'capacitive',
      handling: fit.CAPACITIVE,
    },
    CAPACITIVE,
    {
      words: { present: 'Medium present', away: 'Medium away' },
      stimulus: 'the real medium, at its real height',
    },
  ),
  {
    ...optical('diffuse-3w', 'Diffuse photoelectric sensor, three-wire', 'diffuse', {
      lightWithTarget: true,
      stimulus: 'the darkest and smallest real object',
    }),
    sensitivity: true,
  },
  optical('retro-3w', 'Retro-reflective photoelectric sensor, three-wire', 'retro-reflective', {
    lightWithTarget: false,
    words: BEAM,
    stimulus: 'the real object across the beam',
  }),
  {
    ...throughBeam,
    terminals: [...THREE_WIRES, ...EMITTER],
    behaviours: [
      { model: 'supply', id: 'supply', plus: 'BN', minus: 'BU', ohms: OPTICAL.supply },
      { ...transistor('output', 'BK', OPTICAL), needs: { plus: 'E-BN', minus: 'E-BU' } },
      { model: 'supply', id: 'emitter', plus: 'E-BN', minus: 'E-BU', ohms: OPTICAL.supply },
    ],
  },
  threeWire(
    {
      id: 'ultrasonic-3w',
      name: 'Ultrasonic switching sensor, three-wire',
      title: 'ultrasonic',
      handling: fit.ULTRASONIC_SWITCH,
    },
    ULTRASONIC,
    { stimulus: 'the real object, square to the sensor and past its blind zone' },
  ),
];

/** A contact between two terminals, of its own make. */
export function contact(
  own: Pick<DeviceDescription, 'id' | 'name' | 'title' | 'senses' | 'terms'>,
  ohms: Figure,
  rated: number,
  wetting: OutputDescription['wetting'],
  stimulus: string,
  words = { present: 'Actuated', away: 'At rest' },
): DeviceDescription {
  return {
    ...own,
    group: 'Contacts',
    handling: fit.CONTACT,
    terminals: [
      { name: '1', role: 'sideA', colour: 'BN' },
      { name: '2', role: 'sideB', colour: 'BK' },
    ],
    outputs: [
      {
        id: 'output',
        label: 'Contact',
        drivenBy: 'target',
        terminals: ['2', '1'],
        kinds: ['contact'],
        logics: ['no', 'nc'],
        landsOn: 'switched',
        rule: 'by-kind',
        element: 'contact',
        rated: atMost('A', rated),
        wetting,
        words,
        stimulus,
      },
    ],
    behaviours: [{ model: 'contact', id: 'contact', a: '1', b: '2', closed: { called: 'output' }, ohms }],
  };
}

export const CONTACT_DEVICES: readonly DeviceDescription[] = [
  contact(
    { id: 'dry-contact', name: 'Dry contact', title: 'dry contact' },
    span('Ω', 0.01, 0.05, 0.5),
    0.5,
    { volts: exact('V', 5), amps: exact('A', 0.001) },
    'the real movement or medium',
  ),
  contact(
    { id: 'limit-switch', name: 'Mechanical switch', title: 'mechanical switch' },
    span('Ω', 0.01, 0.05, 1),
    3,
    { volts: exact('V', 12), amps: exact('A', 0.003) },
    'the real cam or door, moved by hand',
  ),
];

const LIMITS = 'typical, within IEC 60947-5-2';

/** A sensor in series with its load; holding current, drop and leakage within the limits of IEC 60947-5-2. */
function twoWire(
  own: Pick<DeviceDescription, 'id' | 'name' | 'title' | 'handling'>,
  { drop, leakage, holding, rated }: { drop: Figure; leakage: Figure; holding: number; rated: number },
  output: Partial<OutputDescription> = {},
): DeviceDescription {
  return {
    ...own,
    group: 'Two-wire sensors',
    terminals: [
      { name: 'BN', role: 'sideA', pin: 1, colour: 'BN' },
      { name: 'BK', role: 'sideB', pin: 4, colour: 'BK' },
    ],
    outputs: [
      {
        id: 'output',
        label: 'Switching output',
        drivenBy: 'target',
        terminals: ['BK', 'BN'],
        kinds: ['twowire'],
        logics: ['no', 'nc'],
        landsOn: 'switched',
        rule: 'by-kind',
        element: 'output',
        indicator: 'output',
        rated: atMost('A', rated),
        words: TARGET,
        stimulus: METAL,
        ...output,
      },
    ],
    behaviours: [
      {
        model: 'two-wire-output',
        id: 'output',
        output: 'output',
        a: 'BN',
        b: 'BK',
        drop,
        leakage,
        holding: atMost('A', holding, LIMITS),
        rated: atMost('A', rated),
      },
    ],
    indicators: [{ id: 'output', label: 'Sensor LED', kind: 'lamp' }],
  };
}

export const TWO_WIRE_SENSORS: readonly DeviceDescription[] = [
  twoWire(
    {
      id: 'inductive-2w-dc',
      name: 'Inductive proximity sensor, two-wire DC',
      title: 'inductive',
      handling: fit.PROXIMITY,
    },
    {
      drop: span('V', 2.8, 3.6, 5, LIMITS),
      leakage: span('A', 0.0003, 0.0005, 0.0008, LIMITS),
      holding: 0.002,
      rated: 0.1,
    },
  ),
  twoWire(
    {
      id: 'float-2w-dc',
      name: 'Electronic float switch, two-wire DC',
      title: 'float',
      handling: fit.FLOAT,
    },
    {
      drop: span('V', 5, 6.5, 8, LIMITS),
      leakage: span('A', 0.0012, 0.0015, 0.0017, LIMITS),
      holding: 0.003,
      rated: 0.1,
    },
    {
      words: { present: 'Float up', away: 'Float down' },
      stimulus: 'the real level, or the float lifted by hand',
    },
  ),
  {
    ...twoWire(
      {
        id: 'inductive-2w-ac',
        name: 'Inductive proximity sensor, two-wire AC',
        title: 'inductive',
        handling: fit.PROXIMITY,
      },
      {
        drop: span('V', 4, 6, 10, LIMITS),
        leakage: span('A', 0.001, 0.0014, 0.0017, LIMITS),
        holding: 0.005,
        rated: 0.3,
      },
    ),
    mains: true,
    cautions: { isolate: 'This sensor carries mains on its two wires.' },
  },
  {
    id: 'namur-2w',
    name: 'NAMUR proximity sensor, two-wire',
    title: 'NAMUR',
    group: 'Two-wire sensors',
    handling: fit.PROXIMITY,
    terminals: [
      { name: 'BN', role: 'loopPlus', pin: 1, colour: 'BN' },
      { name: 'BU', role: 'loopMinus', pin: 3, colour: 'BU' },
    ],
    outputs: [
      {
        id: 'output',
        label: 'Sensor current',
        drivenBy: 'target',
        terminals: ['BU', 'BN'],
        kinds: ['twowire'],
        logics: ['no', 'nc'],
        landsOn: 'none',
        rule: 'namur',
        element: 'output',
        across: ['BN', 'BU'],
        needsAmplifier: true,
        words: TARGET,
        stimulus: METAL,
      },
    ],
    behaviours: [
      {
        model: 'namur-output',
        id: 'output',
        output: 'output',
        plus: 'BN',
        minus: 'BU',
        idle: span('Ω', 7800, 9000, 14000, 'typical, within IEC 60947-5-6'),
        busy: span('Ω', 900, 1300, 1700, 'typical, within IEC 60947-5-6'),
      },
    ],
    face: [{ a: 'BN', b: 'BU', glyph: { kind: 'slot', id: 'output', text: 'much or little' } }],
  },
];
