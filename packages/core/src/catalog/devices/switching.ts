import { within } from '../../circuit/index.ts';
import { contact, fourWire, namur, threeWire, throughBeam, twoWire } from '../behaviours/switching.ts';
import type { Electronics } from '../behaviours/switching.ts';
import * as fit from '../handling/switching.ts';
import type { DeviceType, PartTerminal } from '../types.ts';

/** Colours and pins of three- and four-wire d.c. proximity switches: IEC 60947-5-2. */
const THREE_WIRES: readonly PartTerminal[] = [
  { name: 'BN', role: 'plus', pin: 1, colour: 'BN' },
  { name: 'BU', role: 'minus', pin: 3, colour: 'BU' },
  { name: 'BK', role: 'out', pin: 4, colour: 'BK' },
];

const EMITTER: readonly PartTerminal[] = [
  { name: 'E-BN', role: 'emitterPlus', pin: 1, colour: 'BN' },
  { name: 'E-BU', role: 'emitterMinus', pin: 3, colour: 'BU' },
];

const TARGET = { present: 'Target present', away: 'Target away' };
const BEAM = { present: 'Beam broken', away: 'Beam free' };
const ANY_TRANSISTOR = ['pnp', 'npn', 'pushpull'] as const;
const SUPPLY = { least: 10, most: 30 };

function electronics(
  supplyOhms: Electronics['supplyOhms'],
  dropVolts: Electronics['dropVolts'],
  ratedAmps = 0.2,
): Electronics {
  return { supplyOhms, dropVolts, ratedAmps, leastVolts: SUPPLY.least };
}

const INDUCTIVE = electronics(within(1800, 2400, 4800), within(0.3, 1.1, 2));
const CAPACITIVE = electronics(within(1600, 2200, 4000), within(0.3, 1.2, 2));
const OPTICAL = electronics(within(900, 1200, 2400), within(0.3, 1.1, 2.4), 0.1);
const ULTRASONIC = electronics(within(480, 700, 1200), within(0.5, 1.5, 3));

const sensor = {
  family: 'three-wire',
  stimulated: 'target',
  outputs: ANY_TRANSISTOR,
  logics: ['no', 'nc'],
  supply: SUPPLY,
  terminals: THREE_WIRES,
  ratedAmps: 0.2,
  words: TARGET,
  indicators: [{ id: 'output', label: 'Sensor lamp', kind: 'lamp' }],
} as const satisfies Partial<DeviceType>;

const optical = { ...sensor, logics: ['light', 'dark'], ratedAmps: 0.1 } as const;

export const SWITCHING_SENSORS: readonly DeviceType[] = [
  {
    ...sensor,
    id: 'inductive-3w',
    name: 'Inductive proximity sensor, three-wire',
    handling: fit.PROXIMITY,
    principle: 'inductive',
    circuit: threeWire(INDUCTIVE),
    stimulus: 'a piece of the real metal at the working distance',
  },
  {
    ...sensor,
    id: 'inductive-4w',
    name: 'Inductive proximity sensor, four-wire, with complement',
    handling: fit.PROXIMITY,
    principle: 'inductive',
    terminals: [
      ...THREE_WIRES,
      { name: 'WH', role: 'complement', pin: 2, colour: 'WH', words: 'complement' },
    ],
    circuit: fourWire(INDUCTIVE),
    stimulus: 'a piece of the real metal at the working distance',
  },
  {
    ...sensor,
    id: 'capacitive-3w',
    name: 'Capacitive proximity sensor, three-wire',
    handling: fit.CAPACITIVE,
    principle: 'capacitive',
    circuit: threeWire(CAPACITIVE),
    words: { present: 'Medium present', away: 'Medium away' },
    stimulus: 'the real medium, at its real height',
  },
  {
    ...optical,
    id: 'diffuse-3w',
    name: 'Diffuse photoelectric sensor, three-wire',
    handling: fit.OPTICAL,
    principle: 'diffuse',
    lightWithTarget: true,
    circuit: threeWire(OPTICAL),
    stimulus: 'the darkest and smallest real object',
  },
  {
    ...optical,
    id: 'retro-3w',
    name: 'Retro-reflective photoelectric sensor, three-wire',
    handling: fit.OPTICAL,
    principle: 'retro-reflective',
    lightWithTarget: false,
    circuit: threeWire(OPTICAL),
    words: BEAM,
    stimulus: 'the real object across the beam',
  },
  {
    ...optical,
    id: 'through-beam-3w',
    name: 'Through-beam photoelectric pair, three-wire receiver',
    handling: fit.OPTICAL,
    principle: 'through-beam',
    lightWithTarget: false,
    terminals: [...THREE_WIRES, ...EMITTER],
    circuit: throughBeam(OPTICAL),
    words: BEAM,
    stimulus: 'the real object across the beam',
  },
  {
    ...sensor,
    id: 'ultrasonic-3w',
    name: 'Ultrasonic switching sensor, three-wire',
    handling: fit.ULTRASONIC_SWITCH,
    principle: 'ultrasonic',
    circuit: threeWire(ULTRASONIC),
    stimulus: 'the real object, square to the sensor and past its blind zone',
  },
];

const CONTACT: readonly PartTerminal[] = [
  { name: '1', role: 'sideA', colour: 'BN' },
  { name: '2', role: 'sideB', colour: 'BK' },
];

const dry = {
  family: 'contact',
  stimulated: 'target',
  outputs: ['contact'],
  logics: ['no', 'nc'],
  terminals: CONTACT,
  words: { present: 'Actuated', away: 'At rest' },
} as const satisfies Partial<DeviceType>;

export const CONTACT_DEVICES: readonly DeviceType[] = [
  {
    ...dry,
    id: 'dry-contact',
    handling: fit.CONTACT,
    name: 'Dry contact',
    principle: 'dry contact',
    circuit: ({ called }) => [contact('contact', '1', '2', called)],
    ratedAmps: 0.5,
    wetting: { volts: 5, amps: 0.001 },
    stimulus: 'the real movement or medium',
  },
  {
    ...dry,
    id: 'limit-switch',
    handling: fit.CONTACT,
    name: 'Mechanical switch',
    principle: 'mechanical switch',
    circuit: ({ called }) => [contact('contact', '1', '2', called, within(0.01, 0.05, 1))],
    ratedAmps: 3,
    wetting: { volts: 12, amps: 0.003 },
    stimulus: 'the real cam or door, moved by hand',
  },
];

const TWO_WIRES: readonly PartTerminal[] = [
  { name: 'BN', role: 'sideA', pin: 1, colour: 'BN' },
  { name: 'BK', role: 'sideB', pin: 4, colour: 'BK' },
];

const inSeries = {
  family: 'two-wire',
  stimulated: 'target',
  outputs: ['twowire'],
  logics: ['no', 'nc'],
  terminals: TWO_WIRES,
  words: TARGET,
  stimulus: 'a piece of the real metal at the working distance',
  indicators: [{ id: 'output', label: 'Sensor lamp', kind: 'lamp' }],
} as const satisfies Partial<DeviceType>;

/** Two-wire sensors; least current, drop and off-state current within the limits of IEC 60947-5-2. */
export const TWO_WIRE_SENSORS: readonly DeviceType[] = [
  {
    ...inSeries,
    id: 'inductive-2w-dc',
    name: 'Inductive proximity sensor, two-wire DC',
    handling: fit.PROXIMITY,
    principle: 'inductive',
    circuit: twoWire('BN', 'BK', {
      dropVolts: within(2.8, 3.6, 5),
      leakAmps: within(0.0003, 0.0005, 0.0008),
      leastAmps: 0.002,
      ratedAmps: 0.1,
    }),
    ratedAmps: 0.1,
  },
  {
    ...inSeries,
    id: 'float-2w-dc',
    handling: fit.FLOAT,
    name: 'Electronic float switch, two-wire DC',
    principle: 'float',
    circuit: twoWire('BN', 'BK', {
      dropVolts: within(5, 6.5, 8),
      leakAmps: within(0.0012, 0.0015, 0.0017),
      leastAmps: 0.003,
      ratedAmps: 0.1,
    }),
    ratedAmps: 0.1,
    words: { present: 'Float up', away: 'Float down' },
    stimulus: 'the real level, or the float lifted by hand',
  },
  {
    ...inSeries,
    id: 'inductive-2w-ac',
    name: 'Inductive proximity sensor, two-wire AC',
    handling: fit.PROXIMITY,
    principle: 'inductive',
    circuit: twoWire('BN', 'BK', {
      dropVolts: within(4, 6, 10),
      leakAmps: within(0.001, 0.0014, 0.0017),
      leastAmps: 0.005,
      ratedAmps: 0.3,
    }),
    ratedAmps: 0.3,
    cautions: { isolate: 'This sensor carries mains on its two wires.' },
  },
  {
    ...inSeries,
    id: 'namur-2w',
    handling: fit.PROXIMITY,
    name: 'NAMUR proximity sensor, two-wire',
    family: 'namur',
    principle: 'NAMUR',
    terminals: [
      { name: 'BN', role: 'loopPlus', pin: 1, colour: 'BN' },
      { name: 'BU', role: 'loopMinus', pin: 3, colour: 'BU' },
    ],
    circuit: namur,
    face: [{ a: 'BN', b: 'BU', glyph: { kind: 'slot', id: 'output', text: 'much or little' } }],
    indicators: [],
  },
];
