import type { DeviceDescription } from '../description/deviceDescription.ts';
import { exact, tolerant } from '../description/figure.ts';
import { COMMANDED_DRIVE, INDICATOR } from '../handling/commanded.ts';
import { commanded, load, POLAR } from './loads.ts';
import { rating } from './relays.ts';

/** Resistance of a drive's analog input by its switch, and the ends of its signal by which it is seen to follow. */
const SET_POINTS = {
  '4-20 mA': { on: 4.9, off: 1.1, name: 'ma', switches: ['mA', 'V'] },
  '0-10 V': { on: 9.7, off: 0.3, name: 'v', switches: ['V', 'mA'] },
} as const;

/**
 * A drive as a controller commands it: its set-point on an analog output, its start on an output, its relay on an
 * input. Sensors that it takes itself land on it as a module; its safe-stop pair is of that too.
 */
function commandedDrive(signal: keyof typeof SET_POINTS): DeviceDescription {
  const { on, off, name, switches } = SET_POINTS[signal];
  return {
    id: `drive-commanded-${name}`,
    name: `Drive commanded by a controller: set-point ${signal}, start, fault relay`,
    title: `drive, set-point ${signal}`,
    group: 'Loads',
    handling: COMMANDED_DRIVE,
    terminals: [
      { name: 'A1+', role: 'loadPlus', words: 'set-point' },
      { name: 'A1-', role: 'loadMinus', words: 'set-point' },
      { name: 'D1', role: 'loadPlus', words: 'start' },
      { name: 'DCM', role: 'loadMinus', words: 'digital common' },
      { name: '11', role: 'sideA', words: 'relay common' },
      { name: '12', words: 'relay NC' },
      { name: '14', role: 'sideB', words: 'relay NO' },
    ],
    settings: [
      {
        key: 'switch',
        label: 'Switch of analog input 1',
        place: 'switch',
        from: 'signal.switch',
        choices: switches.map((value) => ({ value, label: value })),
      },
    ],
    outputs: [
      commanded(['A1+', 'A1-'], {
        id: 'setpoint',
        label: 'Set-point',
        signal,
        words: { present: 'Output at its top', away: 'Output at its bottom' },
        stimulus: 'the analog output, from the program or forced, the motor isolated or free to turn',
      }),
      commanded(['D1', 'DCM'], {
        id: 'start',
        label: 'Start',
        element: 'start',
        expects: { present: ['start'] },
        words: { present: 'Started', away: 'Stopped' },
        stimulus: 'the output, switched by the program or forced, the motor isolated or free to turn',
      }),
      {
        id: 'relay',
        label: 'Relay, in while it is healthy',
        drivenBy: 'target',
        terminals: ['14', '11'],
        kinds: ['contact'],
        logics: ['no'],
        landsOn: 'switched',
        rule: 'by-kind',
        element: 'no1',
        words: { present: 'Healthy', away: 'Fault, or no supply' },
        stimulus: 'its own test of the relay, or a fault that its maker allows to be made',
      },
    ],
    behaviours: [
      {
        model: 'resistor',
        id: 'load-part',
        a: 'A1+',
        b: 'A1-',
        ohms: tolerant('Ω', 250, 1),
        onlyIf: { setting: 'switch', is: 'mA' },
      },
      {
        model: 'resistor',
        id: 'load-part',
        a: 'A1+',
        b: 'A1-',
        ohms: tolerant('Ω', 100_000, 5),
        onlyIf: { setting: 'switch', is: 'V' },
      },
      { model: 'threshold', id: 'load', a: 'A1+', b: 'A1-', on: exact('V', on), off: exact('V', off) },
      { model: 'resistor', id: 'start-part', a: 'D1', b: 'DCM', ohms: tolerant('Ω', 3900, 10) },
      {
        model: 'threshold',
        id: 'start',
        a: 'D1',
        b: 'DCM',
        on: exact('V', 11, 'IEC 61131-2, type 3'),
        off: exact('V', 5, 'IEC 61131-2, type 3'),
        either: true,
      },
      { model: 'latch', id: 'healthy', set: { present: true }, hold: { present: true } },
      { model: 'changeover', id: 'poles', poles: 1, follows: 'healthy' },
    ],
    face: [
      { a: 'A1+', b: 'A1-', glyph: { kind: 'resistor', id: 'load-part', text: signal } },
      { a: 'D1', b: 'DCM', glyph: { kind: 'state', id: 'start', text: 'start' } },
      { a: '11', b: '14', glyph: { kind: 'slot', id: 'no1' } },
      { a: '11', b: '12', glyph: { kind: 'slot', id: 'nc1' } },
    ],
    contacts: rating(1, 2, 4, 5, 0.001),
    indicators: [{ id: 'start', label: 'Started', kind: 'state' }],
    cautions: {
      isolate:
        'The drive holds its charge after it is isolated. Wait as its maker says and prove dead at its terminals.',
      follow: 'The motor can start. A start input is no safe stop.',
    },
  };
}

/** What a signal of the controller goes to. */
export const COMMANDED: readonly DeviceDescription[] = [
  {
    ...load('indicator-ma', 'Panel indicator for 4-20 mA', 'indicator 4-20 mA', {
      kind: 'resistive',
      volts: 5,
      watts: 0.1,
      current: 'dc',
      inrush: 1,
    }),
    handling: INDICATOR,
    terminals: POLAR,
    outputs: [
      commanded(['+', '-'], {
        signal: '4-20 mA',
        words: { present: 'Output at 20 mA', away: 'Output at 4 mA' },
      }),
    ],
    behaviours: [
      {
        model: 'loop-load',
        id: 'load',
        a: '+',
        b: '-',
        kind: 'resistive',
        current: 'dc',
        ohms: tolerant('Ω', 250, 1),
        on: exact('V', 4.9),
        off: exact('V', 1.1),
      },
    ],
  },
  commandedDrive('4-20 mA'),
  commandedDrive('0-10 V'),
];
