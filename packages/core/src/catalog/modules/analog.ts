import type { ModuleDescription, PortDescription } from '../description/moduleDescription.ts';
import { atMost, exact, span, tolerant } from '../description/figure.ts';
import type { Setting } from '../parameters.ts';
import { MODULE_MAINS, scaling } from './parameters.ts';
import { SIGNAL_KINDS } from '../signals.ts';
import { moduleSupply, signalInput, signalPort, SUPPLY_TERMINALS } from './parts.ts';

/** Hardware switch and range of one analog input. */
export function analogSettings(name: string, label: string): Setting[] {
  return [
    {
      key: `${name}.switch`,
      label: `Switch of ${label}`,
      place: 'switch',
      from: 'signal.switch',
      choices: [
        { value: 'mA', label: 'mA' },
        { value: 'V', label: 'V' },
      ],
    },
    {
      key: `${name}.range`,
      label: `Range of ${label}`,
      place: 'parameter',
      from: 'signal.range',
      choices: SIGNAL_KINDS.map((value) => ({ value, label: value })),
    },
  ];
}

const common: Pick<ModuleDescription, 'title' | 'group' | 'terms' | 'tag' | 'image'> = {
  title: 'analog inputs',
  group: 'Analog inputs',
  terms: ['AI', 'analogue', 'PLC'],
  tag: 'AI',
  image: { area: 'I', each: 'W' },
};

function signalModule(count: number): ModuleDescription {
  const names = Array.from({ length: count }, (_, n) => `A${n}`);
  return {
    ...common,
    id: `ai${count}-switch`,
    name: `${count}-channel analog input, each with a volt/current switch`,
    groups: names.map((name, n) => ({ common: `${name}-`, channels: [n] })),
    ports: names.map((name, n) => signalPort(n, name, `analog input ${n}`)),
    terminals: [
      ...names.flatMap((name) => [{ name: `${name}+` }, { name: `${name}-` }]),
      ...SUPPLY_TERMINALS,
    ],
    settings: names.flatMap((name, n) => analogSettings(name, `analog input ${n}`)),
    parameters: [MODULE_MAINS, ...names.flatMap((name, n) => scaling(name, `Analog input ${n}`))],
    behaviours: [signalInput(), moduleSupply()],
  };
}

const WIRES: Setting['choices'] = [
  { value: '2', label: 'two wires' },
  { value: '3', label: 'three wires' },
  { value: '4', label: 'four wires' },
];

/** Current through an element, of modules and meters alike. */
const EXCITATION = tolerant('A', 0.001, 0.02);

const fourTerminals = (name: string): { name: string }[] =>
  ['+', 's+', 's-', '-'].map((end) => ({ name: `${name}${end}` }));

const resistancePort = (channel: number, name: string, label: string): PortDescription => ({
  kind: 'analog',
  measures: 'resistance',
  input: 'input',
  channel,
  label,
  name,
  terminal: `${name}+`,
  common: `${name}-`,
  inside: { rail: '-', volts: 0 },
  roles: { element: `${name}+`, elementReturn: `${name}-`, sense: `${name}s+`, senseReturn: `${name}s-` },
  wiresKey: `${name}.wires`,
});

/** With how many wires an element is connected. */
const connection = (name: string, of: string): Setting => ({
  key: `${name}.wires`,
  label: `Connection of ${of}`,
  place: 'parameter',
  from: 'signal.wires',
  choices: WIRES,
});

function resistanceModule(count: number): ModuleDescription {
  const names = Array.from({ length: count }, (_, n) => `R${n}`);
  return {
    ...common,
    id: `rtd${count}`,
    name: `${count}-channel resistance input, two, three or four wires`,
    groups: [],
    ports: names.map((name, n) => resistancePort(n, name, `resistance input ${n}`)),
    terminals: [...names.flatMap(fourTerminals), ...SUPPLY_TERMINALS],
    parameters: [MODULE_MAINS, ...names.flatMap((name, n) => scaling(name, `Resistance input ${n}`))],
    settings: names.map((name, n) => connection(name, `resistance input ${n}`)),
    behaviours: [{ model: 'resistance-input', id: 'input', excitation: EXCITATION }, moduleSupply()],
  };
}

function thermocoupleModule(count: number): ModuleDescription {
  const names = Array.from({ length: count }, (_, n) => `T${n}`);
  return {
    ...common,
    id: `tc${count}`,
    name: `${count}-channel thermocouple input`,
    groups: [],
    ports: names.map((name, n): PortDescription => ({
      kind: 'analog',
      measures: 'thermocouple',
      input: 'input',
      channel: n,
      label: `thermocouple input ${n}`,
      name,
      terminal: `${name}+`,
      common: `${name}-`,
      inside: { rail: '-', volts: 0 },
      roles: { element: `${name}+`, elementReturn: `${name}-` },
    })),
    terminals: [
      ...names.flatMap((name) => [{ name: `${name}+` }, { name: `${name}-` }]),
      ...SUPPLY_TERMINALS,
    ],
    parameters: [MODULE_MAINS, ...names.flatMap((name, n) => scaling(name, `Thermocouple input ${n}`))],
    behaviours: [{ model: 'thermocouple-input', id: 'input', ohms: exact('Ω', 1e7) }, moduleSupply()],
  };
}

const bench = (
  ...own: string[]
): Pick<ModuleDescription, 'title' | 'group' | 'terms' | 'tag' | 'groups'> => ({
  title: 'multimeter',
  group: 'On the bench',
  terms: ['multimeter', 'DMM', ...own, 'test', 'source'],
  tag: 'M',
  groups: [],
});

/** What stands on a bench in place of a controller: a multimeter, in series for current, across for volts. */
export const MULTIMETER: ModuleDescription = {
  ...bench('ammeter', 'voltmeter'),
  id: 'multimeter',
  name: 'Multimeter on the bench, mA or volts',
  terminals: [{ name: 'V/mA' }, { name: 'COM' }],
  groups: [{ common: 'COM', channels: [0] }],
  ports: [
    {
      kind: 'analog',
      measures: 'signal',
      input: 'input',
      channel: 0,
      label: 'reading',
      name: 'A0',
      terminal: 'V/mA',
      common: 'COM',
      roles: { signal: 'V/mA', loopMinus: 'V/mA', signalReturn: 'COM', wiper: 'V/mA' },
      switchKey: 'A0.switch',
      rangeKey: 'A0.range',
    },
  ],
  settings: analogSettings('A0', 'the meter'),
  behaviours: [
    {
      model: 'signal-input',
      id: 'input',
      currentOhms: span('Ω', 2, 6, 15),
      voltageOhms: exact('Ω', 10e6),
      maxCurrent: atMost('A', 0.4),
    },
  ],
};

/** The same on ohms: its own battery drives the current, so that a two-, three- or four-wire element is read cold. */
export const OHMMETER: ModuleDescription = {
  ...bench('ohmmeter'),
  id: 'multimeter-ohms',
  name: 'Multimeter on the bench, ohms in two or four wires',
  terminals: fourTerminals('R0'),
  ports: [resistancePort(0, 'R0', 'reading')],
  settings: [connection('R0', 'the meter')],
  behaviours: [
    { model: 'resistance-input', id: 'input', excitation: EXCITATION, alone: true },
    {
      model: 'source',
      id: 'battery',
      plus: '~battery',
      minus: '~case',
      volts: exact('V', 9),
      internal: exact('Ω', 1),
      limit: exact('A', 0.1),
    },
    { model: 'threshold', id: 'fed', a: '~battery', b: '~case', on: exact('V', 6), off: exact('V', 5) },
  ],
};

/** The same on millivolts: it knows no cold junction, and drives nothing through an open couple. */
export const MILLIVOLTMETER: ModuleDescription = {
  ...bench('millivoltmeter'),
  id: 'multimeter-mv',
  name: 'Multimeter on the bench, millivolts',
  terminals: [{ name: 'V' }, { name: 'COM' }],
  ports: [
    {
      kind: 'analog',
      measures: 'thermocouple',
      input: 'input',
      channel: 0,
      label: 'reading',
      name: 'T0',
      terminal: 'V',
      common: 'COM',
      inside: { rail: '-', volts: 0 },
      roles: { element: 'V', elementReturn: 'COM' },
    },
  ],
  behaviours: [{ model: 'thermocouple-input', id: 'input', ohms: exact('Ω', 1e7), alone: true }],
};

export const ANALOG_MODULES: readonly ModuleDescription[] = [
  signalModule(2),
  signalModule(4),
  signalModule(8),
  resistanceModule(2),
  resistanceModule(4),
  thermocoupleModule(2),
];
