import { exactly, IEC_61131_2, percent } from '../../circuit/index.ts';
import type { Element } from '../../circuit/index.ts';
import type { Settings } from '../../model/index.ts';
import { activeSignal } from '../behaviours/analog.ts';
import { changeover } from '../behaviours/relays.ts';
import { resistor } from '../behaviours/switching.ts';
import type { AnalogPort, DigitalPort, ModuleType, Port } from '../types.ts';
import {
  analogSettings,
  moduleSupply,
  signalElement,
  signalPort,
  SUPPLY_TERMINALS_OF_MODULE,
} from './analog.ts';
import { inputElement, NETWORK, signalRoles } from './inputs.ts';
import { outputPort } from './outputs.ts';
import { scaling } from './parameters.ts';

const DRIVE_INPUTS = [1, 2, 3, 4, 5].map((n) => `D${n}`);

/** A drive lends 10 V to a potentiometer. */
const withReference = (port: AnalogPort): AnalogPort => ({
  ...port,
  roles: { ...port.roles, excitation: '+10', elementReturn: port.common },
});

function drivePorts(settings: Settings): Port[] {
  const digital = DRIVE_INPUTS.map((name, n): DigitalPort => ({
    kind: 'digital',
    channel: n,
    label: `digital input ${n + 1}`,
    name,
    terminal: name,
    common: 'DCM',
    roles: signalRoles(name),
    sense: 'both',
    iecType: 1,
    thresholds: IEC_61131_2[1],
    seriesOhms: NETWORK[1].seriesOhms.nom,
  }));
  return [
    ...digital,
    withReference(signalPort(5, 'A1', 'analog input 1 (set-point)', settings)),
    withReference(signalPort(6, 'A2', 'analog input 2 (feedback)', settings)),
    {
      ...outputPort(7, 'AO', 'analog output', 'analog', 0.02, 'AO-', 'AO+'),
      roles: { loadPlus: 'AO+', loadMinus: 'AO-' },
    },
    outputPort(8, 'R', 'relay output', 'contact', 2, '11', '14'),
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
    },
  ];
}

export const DRIVE: ModuleType = {
  id: 'drive',
  name: 'Pump drive: five digital inputs, two analog inputs, analog and relay output, safe stop',
  family: 'drive',
  groups: [
    { common: 'DCM', channels: [0, 1, 2, 3, 4] },
    { common: 'A1-', channels: [5] },
    { common: 'A2-', channels: [6] },
  ],
  ports: drivePorts,
  terminals: [
    ...DRIVE_INPUTS.map((name) => ({ name, words: 'digital input' })),
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
    ...SUPPLY_TERMINALS_OF_MODULE,
  ],
  parameters: [
    ...scaling('A1', 'Analog input 1'),
    ...scaling('A2', 'Analog input 2'),
    ...scaling('AO', 'Analog output'),
  ],
  settings: [
    ...analogSettings('A1', 'analog input 1'),
    ...analogSettings('A2', 'analog input 2'),
    {
      key: 'AO.signal',
      label: 'Signal of the analog output',
      from: 'signal.range',
      place: 'parameter',
      choices: [
        { value: '4-20 mA', label: '4-20 mA' },
        { value: '0-10 V', label: '0-10 V' },
      ],
    },
  ],
  circuit: ({ settings, forced }) => [
    ...drivePorts(settings).flatMap((port): Element[] =>
      port.kind === 'digital'
        ? [inputElement(port.name, port.terminal, port.common, 'both', NETWORK[1], port.thresholds)]
        : port.kind === 'analog'
          ? [signalElement(port)]
          : [],
    ),
    ...activeSignal(
      'AO',
      'AO+',
      'AO-',
      settings['AO.signal'] === '0-10 V' ? '0-10 V' : '4-20 mA',
      forced.has('AO') ? 1 : 0,
      { on: 'fed' },
    ),
    {
      kind: 'source',
      id: 'ten',
      plus: '+10',
      minus: 'M',
      volts: percent(10, 0.5),
      innerOhms: exactly(1),
      limitAmps: exactly(0.02),
    },
    resistor('AO-tie', 'AO-', 'M', exactly(1)),
    { kind: 'latch', id: 'R', set: true, hold: { all: [{ on: 'fed' }, forced.has('R')] } },
    ...changeover(1, 'R'),
    ...['1', '2'].flatMap((n): Element[] => [
      inputElement(`S${n}`, `S${n}`, 'SC', 'sink', NETWORK[3], IEC_61131_2[3]),
      { kind: 'detector', id: `safe${n}`, a: `S${n}`, b: 'SC', onVolts: 15, offVolts: 5 },
    ]),
    { kind: 'latch', id: 'enabled', set: true, hold: { all: [{ on: 'safe1' }, { on: 'safe2' }] } },
    ...moduleSupply(200),
  ],
  indicators: [{ id: 'enabled', label: 'Drive enabled', kind: 'state' }],
  cautions: {
    isolate:
      'The drive holds its charge after it is isolated. Wait as its maker says and prove dead at its terminals.',
    follow: 'The motor can start. Safe stop is no isolation.',
  },
};
