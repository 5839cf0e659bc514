import { exactly, percent, within } from '../../circuit/index.ts';
import { fed } from '../behaviours/analog.ts';
import { contact, resistor, transistorOutput } from '../behaviours/switching.ts';
import { PULSE_FLOW } from '../handling/magneticFlow.ts';
import { IO_LINK, POWER_ETHERNET, POWER_SERIAL } from '../handling/talking.ts';
import type { DeviceType } from '../types.ts';

const pulsing = {
  family: 'pulse',
  handling: PULSE_FLOW,
  stimulated: 'target',
  logics: ['no'],
  words: { present: 'Pulse', away: 'Between pulses' },
  stimulus: 'the device’s own pulse simulation, or real flow',
} as const satisfies Partial<DeviceType>;

export const PULSE_DEVICES: readonly DeviceType[] = [
  {
    ...pulsing,
    id: 'flow-pulse-passive',
    name: 'Flow meter, passive pulse output (isolated transistor)',
    principle: 'flow meter, passive pulse',
    outputs: ['contact'],
    terminals: [
      { name: 'L+', role: 'plus', words: 'supply plus', colour: 'BN' },
      { name: 'L-', role: 'minus', words: 'supply minus', colour: 'BU' },
      { name: 'P+', role: 'pulse', words: 'pulse, collector', colour: 'WH' },
      { name: 'P-', role: 'pulseReturn', words: 'pulse, emitter', colour: 'GY' },
    ],
    face: [
      { a: 'L+', b: 'L-', glyph: { kind: 'line', id: 'supply' } },
      { a: 'P+', b: 'P-', glyph: { kind: 'slot', id: 'output' } },
    ],
    // The transistor conducts one way only and keeps 1 V at 10 mA.
    circuit: ({ called }) => [
      ...fed('L+', 'L-', 300, 18),
      {
        kind: 'diode',
        id: 'way',
        anode: 'P+',
        cathode: '~p',
        dropVolts: within(0.5, 0.7, 0.9),
        ohms: within(10, 20, 30),
      },
      contact('output', '~p', 'P-', called ? { on: 'fed' } : false, within(1, 2, 5)),
      resistor('leak', '~p', 'P-', within(1e6, 2e6, 1e7)),
    ],
    supply: { least: 18, most: 30 },
    ratedAmps: 0.03,
    indicators: [{ id: 'fed', label: 'Display', kind: 'lamp' }],
  },
  {
    ...pulsing,
    id: 'flow-pulse-active',
    name: 'Flow meter, active pulse output, own output supply',
    principle: 'flow meter, active pulse',
    outputs: ['pnp'],
    terminals: [
      { name: 'L+', role: 'plus', words: 'supply plus', colour: 'BN' },
      { name: 'L-', role: 'minus', words: 'supply minus', colour: 'BU' },
      { name: 'U+', role: 'extraPlus', words: 'output supply plus', colour: 'RD' },
      { name: 'P', role: 'out', words: 'pulse', colour: 'WH' },
      { name: 'U-', role: 'extraMinus', words: 'output supply minus', colour: 'GY' },
    ],
    face: [
      { a: 'L+', b: 'L-', glyph: { kind: 'line', id: 'supply' } },
      { a: 'U+', b: 'U-', middle: 'P', glyph: { kind: 'slot', id: 'output/high' } },
    ],
    circuit: ({ called }) => [
      ...fed('L+', 'L-', 300, 18),
      transistorOutput(
        'output',
        { plus: 'U+', out: 'P', minus: 'U-' },
        'pnp',
        called ? { on: 'fed' } : false,
        { dropVolts: within(0.5, 1, 2), ratedAmps: 0.05, leastVolts: 10 },
      ),
      resistor('stage', 'U+', 'U-', within(8000, 10000, 20000)),
    ],
    supply: { least: 18, most: 30 },
    ratedAmps: 0.05,
    indicators: [{ id: 'fed', label: 'Display', kind: 'lamp' }],
  },
];

/** A device reads its line as high above 13 V and as low below 8 V (IEC 61131-9). */
const hears = { kind: 'detector', id: 'hears', a: '4', b: '3', onVolts: 13, offVolts: 8 } as const;
const HEARD = { always: ['fed'], present: ['hears'] } as const;

const talking = {
  stimulated: 'talk',
  outputs: ['none'],
  logics: ['none'],
  words: { present: 'Line driven high', away: 'Line driven low' },
  stimulus: 'its own communication',
} as const satisfies Partial<DeviceType>;

export const TALKING_DEVICES: readonly DeviceType[] = [
  {
    ...talking,
    id: 'io-link-a',
    name: 'IO-Link device, port class A',
    family: 'io-link',
    handling: IO_LINK,
    principle: 'IO-Link, class A',
    terminals: [
      { name: '1', role: 'plus', pin: 1, colour: 'BN', words: 'L+' },
      { name: '2', role: 'complement', pin: 2, colour: 'WH', words: 'switching output' },
      { name: '3', role: 'minus', pin: 3, colour: 'BU', words: 'L−' },
      { name: '4', role: 'dataLine', pin: 4, colour: 'BK', words: 'C/Q' },
    ],
    face: [
      { a: '1', b: '3', glyph: { kind: 'line', id: 'supply' } },
      { a: '4', b: '2', glyph: { kind: 'state', id: 'hears', text: 'C/Q' } },
    ],
    // IEC 61131-9: the device pulls a small current from its C/Q line while it listens.
    circuit: () => [
      ...fed('1', '3', 600, 18),
      resistor('cq', '4', '3', within(8000, 10000, 12000)),
      hears,
      transistorOutput(
        'complement',
        { plus: '1', out: '2', minus: '3' },
        'pushpull',
        { not: { on: 'hears' } },
        {
          dropVolts: within(0.5, 1, 2),
          ratedAmps: 0.1,
          leastVolts: 18,
        },
      ),
    ],
    supply: { least: 18, most: 30 },
    ratedAmps: 0.1,
    indicators: [{ id: 'fed', label: 'Device lamp', kind: 'lamp' }],
    follows: HEARD,
  },
  {
    ...talking,
    id: 'io-link-b',
    name: 'IO-Link actuator, port class B',
    family: 'io-link',
    handling: IO_LINK,
    principle: 'IO-Link, class B',
    terminals: [
      { name: '1', role: 'plus', pin: 1, colour: 'BN', words: 'L+' },
      { name: '2', role: 'extraPlus', pin: 2, colour: 'WH', words: 'P24' },
      { name: '3', role: 'minus', pin: 3, colour: 'BU', words: 'L−' },
      { name: '4', role: 'dataLine', pin: 4, colour: 'BK', words: 'C/Q' },
      { name: '5', role: 'extraMinus', pin: 5, colour: 'GY', words: 'N24' },
    ],
    face: [
      { a: '1', b: '3', glyph: { kind: 'line', id: 'supply' } },
      { a: '4', glyph: { kind: 'state', id: 'hears', text: 'C/Q' } },
      { a: '2', b: '5', glyph: { kind: 'resistor', id: 'power', text: 'power' } },
    ],
    circuit: () => [
      ...fed('1', '3', 600, 18),
      resistor('cq', '4', '3', within(8000, 10000, 12000)),
      hears,
      resistor('power', '2', '5', percent(60, 10)),
      { kind: 'detector', id: 'powered', a: '2', b: '5', onVolts: 20, offVolts: 18 },
    ],
    supply: { least: 18, most: 30 },
    indicators: [
      { id: 'fed', label: 'Device lamp', kind: 'lamp' },
      { id: 'powered', label: 'Power lamp', kind: 'lamp' },
    ],
    follows: { ...HEARD, always: ['fed', 'powered'] },
  },
  {
    ...talking,
    id: 'serial-unit',
    name: 'Unit on a serial line (RS-485, two wires and common)',
    family: 'serial',
    handling: POWER_SERIAL,
    principle: 'RS-485',
    terminals: [
      { name: 'V+', role: 'plus', words: 'supply plus', colour: 'BN' },
      { name: 'V-', role: 'minus', words: 'supply minus', colour: 'BU' },
      { name: 'D1', role: 'lineB', words: 'positive line', colour: 'YE' },
      { name: 'D0', role: 'lineA', words: 'negative line', colour: 'GN' },
      { name: 'C', role: 'lineCommon', words: 'common', colour: 'GY' },
      { name: 'SH', role: 'earth', words: 'screen' },
    ],
    settings: [
      {
        key: 'naming',
        label: 'Lettering of the two lines',
        place: 'version',
        choices: [
          { value: 'ab', label: 'D1 is marked B or +, D0 is marked A or −' },
          { value: 'ba', label: 'D1 is marked A or +, D0 is marked B or −' },
        ],
      },
      {
        key: 'terminator',
        from: 'line.terminator',
        label: 'Terminator 120 Ω',
        place: 'switch',
        choices: [
          { value: 'off', label: 'Off' },
          { value: 'on', label: 'On' },
        ],
      },
    ],
    face: [
      { a: 'V+', b: 'V-', glyph: { kind: 'line', id: 'supply' } },
      { a: 'D1', b: 'D0', glyph: { kind: 'state', id: 'mark', text: 'receiver' } },
      { a: 'C', b: 'SH', glyph: { kind: 'line' } },
    ],
    // One unit load: 12 kΩ from each line to the common (TIA/EIA-485).
    circuit: ({ settings }) => [
      ...fed('V+', 'V-', 400, 18),
      resistor('load1', 'D1', 'C', exactly(12000)),
      resistor('load0', 'D0', 'C', exactly(12000)),
      ...(settings.terminator === 'on' ? [resistor('terminator', 'D1', 'D0', percent(120, 1))] : []),
      resistor('screen', 'SH', 'C', exactly(1e6)),
      { kind: 'detector', id: 'mark', a: 'D1', b: 'D0', onVolts: 0.2, offVolts: 0.199 },
      { kind: 'detector', id: 'space', a: 'D0', b: 'D1', onVolts: 0.2, offVolts: 0.199 },
    ],
    supply: { least: 18, most: 30 },
    indicators: [{ id: 'fed', label: 'Unit lamp', kind: 'lamp' }],
    words: { present: 'Line at mark', away: 'Line at space' },
    follows: { always: ['fed'], present: ['mark'], away: ['space'] },
  },
  {
    ...talking,
    id: 'net-device',
    name: 'Device on Ethernet',
    family: 'ethernet',
    handling: POWER_ETHERNET,
    principle: 'Ethernet',
    terminals: [
      { name: 'V+', role: 'plus', words: 'supply plus', colour: 'BN' },
      { name: 'V-', role: 'minus', words: 'supply minus', colour: 'BU' },
      { name: 'X1', role: 'socket', words: 'network socket' },
    ],
    face: [
      { a: 'V+', b: 'V-', glyph: { kind: 'line', id: 'supply' } },
      { a: 'X1', glyph: { kind: 'state', id: 'link', text: 'link' } },
    ],
    circuit: () => [
      ...fed('V+', 'V-', 300, 18),
      // The link is no direct voltage; a carrier of 1 V stands for it, so that it can be followed along the cable.
      resistor('terminated', 'X1', 'V-', exactly(1e5)),
      { kind: 'detector', id: 'link', a: 'X1', b: 'V-', onVolts: 0.5, offVolts: 0.2, either: true },
    ],
    supply: { least: 18, most: 30 },
    indicators: [
      { id: 'fed', label: 'Device lamp', kind: 'lamp' },
      { id: 'link', label: 'Link lamp', kind: 'lamp' },
    ],
    words: { present: 'Switch on', away: 'Switch off' },
    follows: { always: ['fed'], present: ['link'] },
  },
];
