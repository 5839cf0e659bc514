import { exactly, within } from '../../circuit/index.ts';
import { activeSignal, fed, loopPowered, potentiometer, resistive } from '../behaviours/analog.ts';
import { resistor, transistorOutput } from '../behaviours/switching.ts';
import { ROPE_LINK, ANALYSER, PRESSURE, TEMPERATURE, TRANSMITTER } from '../handling/transmitters.ts';
import { MAGNETIC_FLOW } from '../handling/magneticFlow.ts';
import { CLAMP_ON_FLOW, THERMAL_FLOW, VORTEX_FLOW } from '../handling/otherFlow.ts';
import { ULTRASONIC_DISTANCE } from '../handling/level.ts';
import { THERMOMETER } from '../handling/switching.ts';
import type { Settings } from '../../model/index.ts';
import type { Couple, DeviceType, PartTerminal, ResistanceElement, SignalKind } from '../types.ts';

const measuring = {
  stimulated: 'value',
  outputs: ['none'],
  logics: ['none'],
  words: { present: 'Top of the range', away: 'Bottom of the range' },
  stimulus: 'the real value, or a simulator at the sensor’s own terminals',
} as const satisfies Partial<DeviceType>;

const PLUS: PartTerminal = { name: 'BN', role: 'plus', pin: 1, colour: 'BN', words: 'supply plus' };
const MINUS: PartTerminal = { name: 'BU', role: 'minus', pin: 3, colour: 'BU', words: 'supply minus' };

function threeWire(kind: SignalKind): DeviceType {
  return {
    ...measuring,
    id: `transmitter-3w-${kind === '0-10 V' ? 'v' : 'ma'}`,
    name: `Transmitter, three-wire, ${kind}`,
    family: 'transmitter',
    handling: TRANSMITTER,
    principle: `transmitter ${kind}`,
    terminals: [PLUS, MINUS, { name: 'BK', role: 'signal', pin: 4, colour: 'BK', words: 'signal' }],
    face: [
      { a: 'BN', b: 'BU', glyph: { kind: 'line', id: 'supply' } },
      { a: 'BK', b: 'BU', glyph: { kind: 'signal', id: 'signal', text: kind } },
    ],
    circuit: ({ level }) => [
      ...fed('BN', 'BU', 800, 15),
      ...activeSignal('signal', 'BK', 'BU', kind, level, { on: 'fed' }),
    ],
    signal: kind,
    supply: { least: 15, most: 30 },
  };
}

function fourWire(kind: SignalKind): DeviceType {
  return {
    ...measuring,
    id: `transmitter-4w-${kind === '0-10 V' ? 'v' : 'ma'}`,
    name: `Transmitter, four-wire with own supply, ${kind}`,
    family: 'transmitter',
    handling: TRANSMITTER,
    principle: `transmitter ${kind}`,
    terminals: [
      { name: 'V+', role: 'plus', words: 'supply plus', colour: 'BN' },
      { name: 'V-', role: 'minus', words: 'supply minus', colour: 'BU' },
      { name: 'S+', role: 'signal', words: 'signal plus', colour: 'WH' },
      { name: 'S-', role: 'signalReturn', words: 'signal minus', colour: 'GY' },
    ],
    face: [
      { a: 'V+', b: 'V-', glyph: { kind: 'line', id: 'supply' } },
      { a: 'S+', b: 'S-', glyph: { kind: 'signal', id: 'signal', text: kind } },
    ],
    circuit: ({ level }) => [
      ...fed('V+', 'V-', 400, 18),
      ...activeSignal('signal', 'S+', 'S-', kind, level, { on: 'fed' }),
    ],
    signal: kind,
    supply: { least: 18, most: 30 },
  };
}

const LOOP: readonly PartTerminal[] = [
  { name: '+', role: 'loopPlus', words: 'loop plus', colour: 'WH' },
  { name: '-', role: 'loopMinus', words: 'loop minus', colour: 'BN' },
];

/** Supply, a PNP output and an analog wire on one plug. */
const SWITCH_AND_ANALOG = {
  ...measuring,
  family: 'transmitter',
  outputs: ['pnp'],
  logics: ['no'],
  terminals: [
    PLUS,
    MINUS,
    { name: 'BK', role: 'out', pin: 4, colour: 'BK', words: 'switching output' },
    { name: 'WH', role: 'signal', pin: 2, colour: 'WH', words: 'analog output' },
  ],
  face: [
    { a: 'BN', b: 'BU', middle: 'BK', glyph: { kind: 'slot', id: 'output/high' } },
    { a: 'WH', b: 'BU', glyph: { kind: 'signal', id: 'signal', text: '4-20 mA' } },
  ],
  circuit: ({ level }) => [
    ...fed('BN', 'BU', 600, 15),
    transistorOutput('output', { plus: 'BN', out: 'BK', minus: 'BU' }, 'pnp', level > 0.5, {
      dropVolts: within(0.5, 1.5, 3),
      ratedAmps: 0.2,
      leastVolts: 15,
    }),
    ...activeSignal('signal', 'WH', 'BU', '4-20 mA', level, { on: 'fed' }),
  ],
  signal: '4-20 mA',
  supply: { least: 15, most: 30 },
  ratedAmps: 0.2,
  indicators: [{ id: 'output', label: 'Sensor lamp', kind: 'lamp' }],
} as const satisfies Partial<DeviceType>;

const loop = (liftVolts: number) => ({
  ...measuring,
  family: 'transmitter' as const,
  terminals: LOOP,
  circuit: loopPowered('+', '-', '4-20 mA', liftVolts),
  signal: '4-20 mA' as const,
});

export const TRANSMITTERS: readonly DeviceType[] = [
  {
    ...measuring,
    id: 'transmitter-2w',
    name: 'Transmitter, two-wire, 4-20 mA, from 10.5 V',
    family: 'transmitter',
    handling: TRANSMITTER,
    principle: 'transmitter 4-20 mA',
    terminals: LOOP,
    circuit: loopPowered('+', '-', '4-20 mA', 10.5),
    signal: '4-20 mA',
  },
  {
    ...measuring,
    id: 'transmitter-2w-digital',
    name: 'Transmitter, two-wire, 4-20 mA with digital communication, from 12 V',
    family: 'transmitter',
    handling: TRANSMITTER,
    principle: 'transmitter 4-20 mA, digital',
    terminals: LOOP,
    circuit: loopPowered('+', '-', '4-20 mA', 12),
    signal: '4-20 mA',
  },
  threeWire('4-20 mA'),
  threeWire('0-10 V'),
  fourWire('4-20 mA'),
  fourWire('0-10 V'),
  {
    ...SWITCH_AND_ANALOG,
    id: 'ultrasonic-switch-analog',
    name: 'Ultrasonic distance sensor, switching and analog wire',
    handling: ULTRASONIC_DISTANCE,
    principle: 'ultrasonic, 4-20 mA',
    words: { present: 'Far end of the range', away: 'Near end of the range' },
    stimulus: 'a flat plate, square to the sensor, at a measured distance',
  },
  {
    ...SWITCH_AND_ANALOG,
    id: 'flow-thermal',
    name: 'Thermal flow meter, switching and analog wire',
    handling: THERMAL_FLOW,
    principle: 'thermal flow, 4-20 mA',
    stimulus: 'real flow, or the meter’s own simulation',
  },
  {
    ...fourWire('4-20 mA'),
    id: 'flow-magnetic',
    name: 'Magnetic flow meter with memory module, own supply, 4-20 mA',
    handling: MAGNETIC_FLOW,
    principle: 'magnetic flow, 4-20 mA',
    stimulus: 'real flow, or the meter’s own simulation',
  },
  {
    ...fourWire('4-20 mA'),
    id: 'flow-clamp-on',
    name: 'Clamp-on ultrasonic flow meter, own supply, 4-20 mA',
    handling: CLAMP_ON_FLOW,
    principle: 'clamp-on flow, 4-20 mA',
    stimulus: 'real flow, or the meter’s own simulation',
  },
  {
    ...fourWire('4-20 mA'),
    id: 'analyser-4w',
    name: 'Analyser, own supply, 4-20 mA',
    handling: ANALYSER,
    principle: 'analyser, 4-20 mA',
    stimulus: 'a calibration standard, or the analyser’s own simulation',
  },
  {
    ...loop(12),
    id: 'flow-vortex',
    name: 'Vortex flow meter, two-wire, 4-20 mA with digital communication',
    handling: VORTEX_FLOW,
    principle: 'vortex flow, digital',
    stimulus: 'real flow, or the meter’s own simulation',
  },
  {
    ...loop(12),
    id: 'pressure-2w',
    name: 'Pressure transmitter, two-wire, 4-20 mA with digital communication',
    handling: PRESSURE,
    principle: 'pressure, digital',
    stimulus: 'a hand pump with a reference gauge, vented first',
  },
  {
    ...loop(10.5),
    id: 'temperature-2w',
    name: 'Temperature transmitter, two-wire, 4-20 mA',
    handling: TEMPERATURE,
    principle: 'temperature, 4-20 mA',
    stimulus: 'a bath of known temperature, or a resistance decade in place of the element',
  },
  {
    ...loop(10.5),
    id: 'rope-link-2w',
    name: 'Tension link in a rope, two-wire, 4-20 mA',
    handling: ROPE_LINK,
    principle: 'tension, 4-20 mA',
    stimulus: 'a known load on the hook',
  },
];

/** R(100 °C) / R(0 °C) and Ω for each K at 0 °C and Ω: IEC 60751 for platinum, DIN 43760 for nickel. */
const METALS = { Pt: [1.385055, 3.90802e-3], Ni: [1.61778, 5.485e-3] } as const;

/** A resistance thermometer from 0 to 100 °C, by its usual name, such as `Pt100`. */
function thermometer(name: string): ResistanceElement {
  const ohms = Number(name.slice(2));
  const [ratio, slope] = METALS[name.startsWith('Ni') ? 'Ni' : 'Pt'];
  return {
    kind: 'rtd',
    lowOhms: ohms,
    highOhms: Number((ohms * ratio).toPrecision(7)),
    low: 0,
    high: 100,
    unit: '°C',
    perUnit: ohms * slope,
  };
}

const THERMOMETERS = ['Pt100', 'Pt200', 'Pt500', 'Pt1000', 'Ni100', 'Ni500', 'Ni1000'];
const PT100 = thermometer('Pt100');
const asBuilt = ({ element }: Settings): ResistanceElement => thermometer(element ?? 'Pt100');

const rtdTerminal = (
  name: string,
  role: PartTerminal['role'],
  colour: PartTerminal['colour'],
): PartTerminal => ({
  name,
  role,
  colour,
});

/** Colours of resistance thermometers: red at one end, white at the other (IEC 60751). */
const A = rtdTerminal('1', 'element', 'RD');
const SENSE_A = rtdTerminal('2', 'sense', 'RD');
const B = rtdTerminal('3', 'elementReturn', 'WH');
const SENSE_B = rtdTerminal('4', 'senseReturn', 'WH');

function rtd(wires: 2 | 3 | 4): DeviceType {
  const terminals = wires === 2 ? [A, B] : wires === 3 ? [A, B, SENSE_B] : [A, SENSE_A, B, SENSE_B];
  return {
    ...measuring,
    id: `rtd-${wires}w`,
    name: `Resistance thermometer, ${['two', 'three', 'four'][wires - 2]} wires`,
    family: 'resistance',
    handling: THERMOMETER,
    principle: 'resistance thermometer',
    terminals,
    settings: [
      {
        key: 'element',
        label: 'Element',
        place: 'version',
        choices: THERMOMETERS.map((value) => ({ value, label: value })),
      },
    ],
    face: [
      { a: '1', b: '3', glyph: { kind: 'resistor', id: 'signal' } },
      ...(wires === 4 ? [{ a: '2', b: '4', glyph: { kind: 'line' as const } }] : []),
      ...(wires === 3 ? [{ b: '4', glyph: { kind: 'line' as const } }] : []),
    ],
    circuit: (now) => [
      ...resistive('1', '3', asBuilt)(now),
      ...(wires > 2 ? [resistor('joint3', '3', '4', exactly(0.001))] : []),
      ...(wires > 3 ? [resistor('joint1', '1', '2', exactly(0.001))] : []),
    ],
    resistance: PT100,
    resistanceFor: asBuilt,
    stimulus: 'a bath or block of known temperature, or a resistance decade in place of the element',
  };
}

const SENDER: ResistanceElement = {
  kind: 'sender',
  lowOhms: 10,
  highOhms: 180,
  low: 0,
  high: 100,
  unit: '%',
};

/** Colour of the plus lead of each type; the minus lead is white (IEC 60584-3). */
const COUPLE_LEADS = {
  K: ['GN', 4.096],
  J: ['BK', 5.269],
  T: ['BN', 4.279],
  N: ['PK', 2.774],
  E: ['VT', 6.319],
  S: ['OG', 0.646],
  R: ['OG', 0.647],
  B: ['GY', 0.033],
} as const satisfies Record<Couple['letter'], readonly [PartTerminal['colour'], number]>;

const COUPLES = (Object.keys(COUPLE_LEADS) as Couple['letter'][]).map((letter): DeviceType => {
  const [colour, millivolts] = COUPLE_LEADS[letter];
  return {
    ...measuring,
    id: `thermocouple-${letter.toLowerCase()}`,
    name: `Thermocouple, type ${letter}`,
    family: 'thermocouple',
    handling: THERMOMETER,
    principle: `thermocouple ${letter}`,
    terminals: [
      { name: '+', role: 'element', colour },
      { name: '-', role: 'elementReturn', colour: 'WH' },
    ],
    face: [{ a: '+', b: '-', glyph: { kind: 'signal', id: 'lead', text: `type ${letter}` } }],
    // A share of 1 is what it gives from 0 to 100 °C.
    couple: { letter, millivolts },
    circuit: ({ level }) => [
      {
        kind: 'source',
        id: 'signal',
        plus: '~tc',
        minus: '-',
        volts: exactly((millivolts / 1000) * level),
        innerOhms: exactly(0),
        limitAmps: exactly(0.01),
      },
      resistor('lead', '~tc', '+', exactly(20)),
    ],
    stimulus: 'a block of known temperature, or a millivolt source with compensation',
  };
});

export const RESISTANCE_SENSORS: readonly DeviceType[] = [
  rtd(2),
  rtd(3),
  rtd(4),
  {
    ...measuring,
    id: 'sender-2w',
    name: 'Resistive level sender, 10 to 180 Ω',
    family: 'resistance',
    principle: 'resistive sender',
    terminals: [rtdTerminal('S', 'element', 'YE'), rtdTerminal('M', 'elementReturn', 'BK')],
    circuit: resistive('S', 'M', SENDER),
    resistance: SENDER,
    stimulus: 'the float moved by hand from stop to stop',
  },
  {
    ...measuring,
    id: 'potentiometer-3w',
    name: 'Potentiometer, 5 kΩ',
    family: 'resistance',
    principle: 'potentiometer',
    terminals: [
      rtdTerminal('1', 'excitation', 'BN'),
      rtdTerminal('2', 'wiper', 'BK'),
      rtdTerminal('3', 'elementReturn', 'BU'),
    ],
    face: [
      {
        a: '1',
        b: '3',
        middle: '2',
        glyph: { kind: 'resistor', id: 'upper' },
        second: { kind: 'resistor', id: 'signal' },
      },
    ],
    circuit: potentiometer('1', '2', '3', 5000),
    resistance: { kind: 'potentiometer', lowOhms: 0, highOhms: 5000, low: 0, high: 100, unit: '%' },
    stimulus: 'the shaft or slide, moved from stop to stop',
  },
  ...COUPLES,
];
