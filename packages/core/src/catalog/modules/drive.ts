import type { ModuleDescription, PortDescription } from '../description/moduleDescription.ts';
import { exact, tolerant } from '../description/figure.ts';
import { choices } from '../handling/menu.ts';
import { FOLLOWS, LIVE_ZERO } from '../handling/commanded.ts';
import type { Parameter } from '../parameters.ts';
import { analogSettings } from './analog.ts';
import { scaling } from './parameters.ts';
import {
  analogOutput,
  analogOutputPort,
  iecInput,
  moduleSupply,
  outputPort,
  outputSignal,
  outputTie,
  signalInput,
  signalPort,
  signalRoles,
  SUPPLY_TERMINALS,
} from './parts.ts';

const INPUTS = [1, 2, 3, 4, 5].map((n) => `D${n}`);

/** A drive lends 10 V to a potentiometer. */
function withReference(channel: number, name: string, label: string): PortDescription {
  const port = signalPort(channel, name, label);
  return { ...port, roles: { ...port.roles, excitation: '+10', elementReturn: port.common } };
}

export const DRIVE: ModuleDescription = {
  id: 'drive',
  name: 'Pump drive: five digital inputs, two analog inputs, analog and relay output, safe stop',
  title: 'drive',
  group: 'Drive',
  terms: ['inverter', 'VFD', 'frequency converter', 'motor', 'variable speed'],
  tag: 'DRV',
  groups: [
    { common: 'DCM', channels: [0, 1, 2, 3, 4] },
    { common: 'A1-', channels: [5] },
    { common: 'A2-', channels: [6] },
  ],
  ports: [
    ...INPUTS.map((name, n): PortDescription => ({
      kind: 'digital',
      channel: n,
      label: `digital input ${n + 1}`,
      name,
      terminal: name,
      common: 'DCM',
      roles: signalRoles(name),
      input: 'digital',
      sense: 'both',
      iecType: 1,
    })),
    withReference(5, 'A1', 'analog input 1 (set-point)'),
    withReference(6, 'A2', 'analog input 2 (feedback)'),
    analogOutputPort(7, 'AO', 'analog output'),
    { ...outputPort(8, 'R', 'relay output', 'contact', 2, '11', '14'), draws: ['no1', 'nc1'] },
    {
      kind: 'safety',
      channel: 9,
      label: 'safe-stop pair',
      name: 'S',
      terminal: 'S1',
      common: 'SC',
      roles: { channel1Return: 'S1', channel2Return: 'S2' },
      detectors: ['safe1', 'safe2'],
      both: 'enabled',
      released: 'enabled',
      draws: ['S1', 'S2'],
    },
  ],
  terminals: [
    ...INPUTS.map((name) => ({ name, words: 'digital input' })),
    { name: 'DCM', words: 'digital common' },
    ...['A1+', 'A1-', 'A2+', 'A2-'].map((name) => ({ name, words: 'analog input' })),
    { name: '+10', words: 'reference 10 V' },
    { name: 'AO+', words: 'analog output' },
    { name: 'AO-', words: 'analog output' },
    { name: '11', words: 'relay common' },
    { name: '12', words: 'relay NC' },
    { name: '14', words: 'relay NO' },
    { name: 'S1', words: 'safe stop 1' },
    { name: 'S2', words: 'safe stop 2' },
    { name: 'SC', words: 'safe stop common' },
    ...SUPPLY_TERMINALS,
  ],
  parameters: [
    ...scaling('A1', 'Analog input 1'),
    ...scaling('A2', 'Analog input 2'),
    ...scaling('AO', 'Analog output'),
    ...['A1', 'A2'].map((name, n): Parameter => ({
      ...LIVE_ZERO,
      key: `${name}.liveZero`,
      label: `Analog input ${n + 1}, without its signal`,
    })),
    {
      key: 'AO.follows',
      label: 'Analog output follows',
      kind: 'choice',
      place: 'parameter',
      choices: choices({
        speed: 'speed',
        current: 'motor current',
        torque: 'torque',
        setpoint: 'set-point',
      }),
      factory: 'speed',
    },
    {
      key: 'R.follows',
      label: 'Relay follows',
      kind: 'choice',
      place: 'parameter',
      choices: FOLLOWS,
      factory: 'running',
    },
  ],
  settings: [
    ...analogSettings('A1', 'analog input 1'),
    ...analogSettings('A2', 'analog input 2'),
    outputSignal('AO', 'the analog output'),
  ],
  behaviours: [
    { model: 'optocoupler-input', id: 'digital', ...iecInput(1) },
    signalInput(),
    analogOutput('AO'),
    {
      model: 'source',
      id: 'ten',
      plus: '+10',
      minus: 'M',
      volts: tolerant('V', 10, 0.5),
      internal: exact('Ω', 1),
      limit: exact('A', 0.02),
    },
    outputTie('AO'),
    { model: 'latch', id: 'R', set: true, hold: { all: [{ on: 'fed' }, { forced: 'R' }] } },
    { model: 'changeover', id: 'poles', poles: 1, follows: 'R' },
    {
      model: 'optocoupler-input',
      id: 'safe-stop',
      ...iecInput(3),
      at: ['1', '2'].map((n) => ({ id: `S${n}`, terminal: `S${n}`, common: 'SC', sense: 'sink' as const })),
    },
    ...['1', '2'].map((n) => ({
      model: 'threshold' as const,
      id: `safe${n}`,
      a: `S${n}`,
      b: 'SC',
      on: exact('V', 15),
      off: exact('V', 5),
    })),
    { model: 'latch', id: 'enabled', set: true, hold: { all: [{ on: 'safe1' }, { on: 'safe2' }] } },
    moduleSupply(200),
  ],
  indicators: [{ id: 'enabled', label: 'Drive enabled', kind: 'state' }],
  cautions: {
    isolate:
      'The drive holds its charge after it is isolated. Wait as its maker says and prove dead at its terminals.',
    follow: 'The motor can start. Safe stop is no isolation.',
  },
};
