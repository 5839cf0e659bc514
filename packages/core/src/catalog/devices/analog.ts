import type { DeviceDescription, OutputDescription } from '../description/deviceDescription.ts';
import { atLeast, atMost, between, exact, span, tolerant } from '../description/figure.ts';
import type { PartTerminal } from '../description/terminals.ts';
import { LASER_DISTANCE, RADAR_LEVEL, ULTRASONIC_DISTANCE } from '../handling/level.ts';
import { MAGNETIC_FLOW } from '../handling/magneticFlow.ts';
import { CLAMP_ON_FLOW, THERMAL_FLOW, VORTEX_FLOW } from '../handling/otherFlow.ts';
import {
  ANALYSER,
  JOYSTICK,
  LOAD_CELL,
  CONDUCTIVITY,
  DP_FLOW,
  ELEMENT_PARAMETERS,
  PRESSURE,
  PRESSURE_SWITCH,
  ROPE_LINK,
  TEMPERATURE,
  TRANSMITTER,
} from '../handling/transmitters.ts';
import type { SignalKind } from '../signals.ts';

type Behaviour = DeviceDescription['behaviours'][number];
type Own = Pick<DeviceDescription, 'id' | 'name' | 'title' | 'handling'> & { readonly stimulus?: string };

const RANGE = { present: 'Top of the range', away: 'Bottom of the range' };
export const FLOW = 'real flow, or the meter’s own simulation';
const GROUP = 'Transmitters';

export const measuring = (
  terminals: string[],
  { stimulus = 'the real value, or a simulator at the sensor’s own terminals' }: Pick<Own, 'stimulus'>,
  more: Partial<OutputDescription> = {},
): OutputDescription => ({
  id: 'analog',
  label: 'Analog output',
  drivenBy: 'value',
  terminals,
  kinds: ['none'],
  logics: ['none'],
  landsOn: 'signal',
  rule: 'signal',
  words: RANGE,
  stimulus,
  ...more,
});

/** Accuracy of a transmitter's output, what a current output can push, and what a voltage output gives. */
export const OUTPUT = {
  accuracy: exact('%', 0.1),
  compliance: exact('V', 16),
  limit: atMost('A', 0.01),
};

/** The parameter by which a device is set to its signal, where it has one. */
function signalParameter(handling: DeviceDescription['handling']): { signalSetting?: string } {
  const found = handling?.parameters?.find(({ from }) => from === 'signal.kind');
  return found ? { signalSetting: found.key } : {};
}

const active = (
  out: string,
  back: string,
  signal: SignalKind,
  handling?: DeviceDescription['handling'],
): Behaviour => ({
  model: 'signal-output',
  id: 'signal',
  output: 'analog',
  out,
  back,
  signal,
  ...signalParameter(handling),
  alive: { on: 'fed' },
  ...OUTPUT,
});

const fed = (plus: string, minus: string, ohms: number, minimum: number): Behaviour => ({
  model: 'supply',
  id: 'supply',
  plus,
  minus,
  ohms: tolerant('Ω', ohms, 20),
  minimum: atLeast('V', minimum),
});

const PLUS: PartTerminal = { name: 'BN', role: 'plus', pin: 1, colour: 'BN', words: 'supply plus' };
const MINUS: PartTerminal = { name: 'BU', role: 'minus', pin: 3, colour: 'BU', words: 'supply minus' };

const threeWire = (signal: SignalKind, id: string): DeviceDescription => ({
  id,
  name: `Transmitter, three-wire, ${signal}`,
  title: `transmitter ${signal}`,
  group: GROUP,
  handling: TRANSMITTER,
  terminals: [PLUS, MINUS, { name: 'BK', role: 'signal', pin: 4, colour: 'BK', words: 'signal' }],
  supply: { plus: 'BN', minus: 'BU', volts: between('V', 15, 30) },
  outputs: [measuring(['BK'], {})],
  behaviours: [fed('BN', 'BU', 800, 15), active('BK', 'BU', signal, TRANSMITTER)],
  face: [
    { a: 'BN', b: 'BU', glyph: { kind: 'line', id: 'supply' } },
    { a: 'BK', b: 'BU', glyph: { kind: 'signal', id: 'signal', text: signal } },
  ],
});

export const fourWire = (signal: SignalKind, own: Own): DeviceDescription => ({
  id: own.id,
  name: own.name,
  title: own.title,
  group: GROUP,
  handling: own.handling,
  terminals: [
    { name: 'V+', role: 'plus', words: 'supply plus', colour: 'BN' },
    { name: 'V-', role: 'minus', words: 'supply minus', colour: 'BU' },
    { name: 'S+', role: 'signal', words: 'signal plus', colour: 'WH' },
    { name: 'S-', role: 'signalReturn', words: 'signal minus', colour: 'GY' },
  ],
  supply: { plus: 'V+', minus: 'V-', volts: between('V', 18, 30) },
  outputs: [measuring(['S+', 'S-'], own)],
  behaviours: [fed('V+', 'V-', 400, 18), active('S+', 'S-', signal, own.handling)],
  face: [
    { a: 'V+', b: 'V-', glyph: { kind: 'line', id: 'supply' } },
    { a: 'S+', b: 'S-', glyph: { kind: 'signal', id: 'signal', text: signal } },
  ],
});

/** The same fed with mains: its leads V+ and V- are the line and the neutral. */
const onMains = (device: DeviceDescription): DeviceDescription => ({
  ...device,
  fed: 'ac',
  terminals: [
    { name: 'L', role: 'plus', words: 'supply line', colour: 'BN' },
    { name: 'N', role: 'minus', words: 'supply neutral', colour: 'BU' },
    { name: 'PE', role: 'protectiveEarth', words: 'protective earth', colour: 'GNYE' },
    ...device.terminals.filter(({ role }) => role !== 'plus' && role !== 'minus'),
  ],
  supply: { plus: 'L', minus: 'N', volts: between('V', 85, 264) },
  behaviours: [
    {
      model: 'supply',
      id: 'supply',
      plus: 'L',
      minus: 'N',
      ohms: tolerant('Ω', 4000, 20),
      minimum: atLeast('V', 85),
      either: true,
    },
    ...device.behaviours.filter(({ id }) => id !== 'supply'),
  ],
  face: [
    { a: 'L', b: 'N', glyph: { kind: 'line', id: 'supply' } },
    ...(device.face ?? []).filter(({ a }) => a !== 'V+'),
  ],
  cautions: { isolate: 'This meter is fed with mains.' },
});

const plain = (signal: SignalKind): DeviceDescription =>
  fourWire(signal, {
    id: `transmitter-4w-${{ '0-10 V': 'v', '±10 V': 'bipolar' }[signal as string] ?? 'ma'}`,
    name: `Transmitter, four-wire with own supply, ${signal}`,
    title: `transmitter ${signal}`,
    handling: TRANSMITTER,
  });

/** A two-wire transmitter that needs so many volts; `digital` where its loop carries communication besides. */
export const loop = (liftOff: number, own: Own, digital = false): DeviceDescription => ({
  id: own.id,
  name: own.name,
  title: own.title,
  group: GROUP,
  handling: own.handling,
  terminals: [
    { name: '+', role: 'loopPlus', words: 'loop plus', colour: 'WH' },
    { name: '-', role: 'loopMinus', words: 'loop minus', colour: 'BN' },
  ],
  outputs: [
    measuring(['-', '+'], own, {
      label: 'Loop current',
      rule: 'loop',
      across: ['+', '-'],
      ...(digital && { digitalOhms: atLeast('Ω', 250, 'FSK on a 4-20 mA loop') }),
    }),
  ],
  behaviours: [
    {
      model: 'loop-transmitter',
      id: 'signal',
      output: 'analog',
      plus: '+',
      minus: '-',
      signal: '4-20 mA',
      liftOff: tolerant('V', liftOff, 2),
      accuracy: OUTPUT.accuracy,
    },
  ],
});

/** Supply, a switching output and an analog output on one plug: two signals of one device. */
const switchAndAnalog = (own: Own, words = RANGE): DeviceDescription => ({
  id: own.id,
  name: own.name,
  title: own.title,
  group: GROUP,
  handling: own.handling,
  terminals: [
    PLUS,
    MINUS,
    { name: 'BK', role: 'out', pin: 4, colour: 'BK', words: 'switching output' },
    { name: 'WH', role: 'signal', pin: 2, colour: 'WH', words: 'analog output' },
  ],
  supply: { plus: 'BN', minus: 'BU', volts: between('V', 15, 30) },
  outputs: [
    measuring(['WH'], own, { words }),
    measuring(['BK'], own, {
      id: 'switch',
      label: 'Switching output',
      switchesAt: 0.5,
      kinds: ['pnp', 'npn', 'pushpull'],
      logics: ['no', 'nc'],
      landsOn: 'switched',
      rule: 'by-kind',
      element: 'output',
      indicator: 'output',
      rated: atMost('A', 0.2),
      words,
    }),
  ],
  behaviours: [
    fed('BN', 'BU', 600, 15),
    {
      model: 'transistor-output',
      id: 'output',
      output: 'switch',
      plus: 'BN',
      minus: 'BU',
      out: 'BK',
      drop: span('V', 0.5, 1.5, 3),
      leakage: span('A', 0, 0.00001, 0.0001),
      rated: atMost('A', 0.2),
      minimum: atLeast('V', 15),
    },
    active('WH', 'BU', '4-20 mA', own.handling),
  ],
  face: [
    { a: 'BN', b: 'BU', middle: 'BK', glyph: { kind: 'slot', id: 'output/high' } },
    { a: 'WH', b: 'BU', glyph: { kind: 'signal', id: 'signal', text: '4-20 mA' } },
  ],
  indicators: [{ id: 'output', label: 'Sensor LED', kind: 'lamp' }],
});

export const ELEMENT_STIMULUS = 'a bath of known temperature, or a resistance decade in place of the element';

export const TRANSMITTERS: readonly DeviceDescription[] = [
  loop(10.5, {
    id: 'transmitter-2w',
    name: 'Transmitter, two-wire, 4-20 mA, from 10.5 V',
    title: 'transmitter 4-20 mA',
    handling: TRANSMITTER,
  }),
  loop(
    12,
    {
      id: 'transmitter-2w-digital',
      name: 'Transmitter, two-wire, 4-20 mA with digital communication, from 12 V',
      title: 'transmitter 4-20 mA, digital',
      handling: TRANSMITTER,
    },
    true,
  ),
  threeWire('4-20 mA', 'transmitter-3w-ma'),
  threeWire('0-10 V', 'transmitter-3w-v'),
  threeWire('0-5 V', 'transmitter-3w-5v'),
  threeWire('1-5 V', 'transmitter-3w-1-5v'),
  plain('4-20 mA'),
  plain('0-10 V'),
  plain('±10 V'),
  fourWire('±10 V', {
    id: 'joystick-bipolar',
    name: 'Joystick, one axis, ±10 V, zero in the middle',
    title: 'joystick, ±10 V',
    handling: JOYSTICK,
    stimulus: 'the lever, moved by hand with what it moves locked off',
  }),
  switchAndAnalog(
    {
      id: 'ultrasonic-switch-analog',
      name: 'Ultrasonic distance sensor, switching and analog wire',
      title: 'ultrasonic, 4-20 mA',
      handling: ULTRASONIC_DISTANCE,
      stimulus: 'a flat plate, square to the sensor, at a measured distance',
    },
    { present: 'Far end of the range', away: 'Near end of the range' },
  ),
  switchAndAnalog(
    {
      id: 'laser-distance',
      name: 'Laser distance sensor, switching and analog wire',
      title: 'laser, 4-20 mA',
      handling: LASER_DISTANCE,
      stimulus: 'a matt plate, square to the beam, at a measured distance',
    },
    { present: 'Far end of the range', away: 'Near end of the range' },
  ),
  switchAndAnalog({
    id: 'pressure-switch-analog',
    name: 'Pressure and vacuum sensor, switching and analog wire',
    title: 'pressure, 4-20 mA',
    handling: PRESSURE_SWITCH,
    stimulus: 'a hand pump with a reference gauge, vented first',
  }),
  switchAndAnalog({
    id: 'flow-thermal',
    name: 'Thermal flow meter, switching and analog wire',
    title: 'thermal flow, 4-20 mA',
    handling: THERMAL_FLOW,
    stimulus: FLOW,
  }),
  fourWire('4-20 mA', {
    id: 'flow-magnetic',
    name: 'Magnetic flow meter with memory module, own supply, 4-20 mA',
    title: 'magnetic flow, 4-20 mA',
    handling: MAGNETIC_FLOW,
    stimulus: FLOW,
  }),
  onMains(
    fourWire('4-20 mA', {
      id: 'flow-magnetic-ac',
      name: 'Magnetic flow meter with memory module on mains, 4-20 mA',
      title: 'magnetic flow on mains, 4-20 mA',
      handling: MAGNETIC_FLOW,
      stimulus: FLOW,
    }),
  ),
  fourWire('4-20 mA', {
    id: 'flow-clamp-on',
    name: 'Clamp-on ultrasonic flow meter, own supply, 4-20 mA',
    title: 'clamp-on flow, 4-20 mA',
    handling: CLAMP_ON_FLOW,
    stimulus: FLOW,
  }),
  fourWire('4-20 mA', {
    id: 'analyser-4w',
    name: 'Analyser, own supply, 4-20 mA',
    title: 'analyser, 4-20 mA',
    handling: ANALYSER,
    stimulus: 'a calibration standard, or the analyser’s own simulation',
  }),
  loop(12, {
    id: 'flow-vortex',
    name: 'Vortex flow meter, two-wire, 4-20 mA with digital communication',
    title: 'vortex flow, digital',
    handling: VORTEX_FLOW,
    stimulus: FLOW,
  }),
  loop(
    12,
    {
      id: 'flow-dp-2w',
      name: 'Differential-pressure flow transmitter, two-wire, 4-20 mA with digital communication',
      title: 'dp flow, digital',
      handling: DP_FLOW,
      stimulus: 'a hand pump on its plus side, its minus side open, valved off from the process',
    },
    true,
  ),
  loop(
    14,
    {
      id: 'radar-2w',
      name: 'Radar level transmitter, two-wire, 4-20 mA with digital communication',
      title: 'radar level, digital',
      handling: RADAR_LEVEL,
      stimulus: 'a real level, or its own simulation of the current',
    },
    true,
  ),
  fourWire('4-20 mA', {
    id: 'conductivity-4w',
    name: 'Conductivity transmitter, own supply, 4-20 mA',
    title: 'conductivity, 4-20 mA',
    handling: CONDUCTIVITY,
    stimulus: 'a standard solution of known temperature, or a resistance decade in place of the cell',
  }),
  loop(12, {
    id: 'pressure-2w',
    name: 'Pressure transmitter, two-wire, 4-20 mA with digital communication',
    title: 'pressure, digital',
    handling: PRESSURE,
    stimulus: 'a hand pump with a reference gauge, vented first',
  }),
  {
    ...loop(10.5, {
      id: 'temperature-2w',
      name: 'Temperature transmitter, two-wire, 4-20 mA',
      title: 'temperature, 4-20 mA',
      handling: TEMPERATURE,
      stimulus: ELEMENT_STIMULUS,
    }),
    parameters: [...ELEMENT_PARAMETERS],
  },
  ...(['4-20 mA', '0-10 V'] as const).map((signal) =>
    fourWire(signal, {
      id: `load-cell-${signal === '0-10 V' ? 'v' : 'ma'}`,
      name: `Load cell with its amplifier, own supply, ${signal}`,
      title: `load cell, ${signal}`,
      handling: LOAD_CELL,
      stimulus: 'known weights, or a simulator of mV/V in place of the cell',
    }),
  ),
  loop(10.5, {
    id: 'rope-link-2w',
    name: 'Tension link in a rope, two-wire, 4-20 mA',
    title: 'tension, 4-20 mA',
    handling: ROPE_LINK,
    stimulus: 'a known load on the hook',
  }),
];
