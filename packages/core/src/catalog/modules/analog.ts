import { exactly, percent } from '../../circuit/index.ts';
import type { Element } from '../../circuit/index.ts';
import type { Settings } from '../../model/index.ts';
import { contact, resistor } from '../behaviours/switching.ts';
import { MODULE_MAINS, scaling } from './parameters.ts';
import type { AnalogPort, ModuleType, PartTerminal } from '../types.ts';
import type { Setting } from '../parameters.ts';

/** Resistance of an input that is switched to current, and of one that is switched to voltage, Ω. */
export const BURDEN_OHMS = 250;
const VOLTAGE_OHMS = 100_000;

export const SUPPLY_TERMINALS_OF_MODULE: readonly PartTerminal[] = [
  { name: 'L+', role: 'plus', words: 'supply plus' },
  { name: 'M', role: 'minus', words: 'supply minus' },
];

export const moduleSupply = (ohms = 480): Element[] => [
  resistor('supply', 'L+', 'M', percent(ohms, 20)),
  { kind: 'detector', id: 'fed', a: 'L+', b: 'M', onVolts: 18, offVolts: 17 },
];

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
      choices: ['4-20 mA', '0-20 mA', '0-10 V', '2-10 V'].map((value) => ({ value, label: value })),
    },
  ];
}

/** Terminals `A0+` and `A0-` and what stands between them. */
export function signalPort(channel: number, name: string, label: string, settings: Settings): AnalogPort {
  return {
    kind: 'analog',
    measures: 'signal',
    channel,
    label,
    name,
    terminal: `${name}+`,
    common: `${name}-`,
    roles: {
      signal: `${name}+`,
      loopMinus: `${name}+`,
      signalReturn: `${name}-`,
      wiper: `${name}+`,
    },
    switchKey: `${name}.switch`,
    rangeKey: `${name}.range`,
    burdenOhms: settings[`${name}.switch`] === 'V' ? VOLTAGE_OHMS : BURDEN_OHMS,
    mostAmps: 0.03,
  };
}

export const signalElement = ({ name, terminal, common, burdenOhms }: AnalogPort): Element =>
  resistor(name, terminal, common, percent(burdenOhms, burdenOhms === BURDEN_OHMS ? 0.1 : 5));

function signalModule(count: number): ModuleType {
  const names = Array.from({ length: count }, (_, n) => `A${n}`);
  const ports = (settings: Settings) =>
    names.map((name, n) => signalPort(n, name, `analog input ${n}`, settings));
  return {
    id: `ai${count}-switch`,
    name: `${count}-channel analog input, each with a volt/current switch`,
    family: 'analog inputs',
    groups: names.map((name, n) => ({ common: `${name}-`, channels: [n] })),
    ports,
    terminals: [
      ...names.flatMap((name) => [{ name: `${name}+` }, { name: `${name}-` }]),
      ...SUPPLY_TERMINALS_OF_MODULE,
    ],
    settings: names.flatMap((name, n) => analogSettings(name, `analog input ${n}`)),
    parameters: [MODULE_MAINS, ...names.flatMap((name, n) => scaling(name, `Analog input ${n}`))],
    circuit: ({ settings }) => [...ports(settings).map(signalElement), ...moduleSupply()],
  };
}

const WIRES: Setting['choices'] = [
  { value: '2', label: 'two wires' },
  { value: '3', label: 'three wires' },
  { value: '4', label: 'four wires' },
];

/** Current through a resistance element, A. */
const EXCITATION_AMPS = 0.001;

function resistanceModule(count: number): ModuleType {
  const names = Array.from({ length: count }, (_, n) => `R${n}`);
  const ports = names.map((name, n): AnalogPort => ({
    kind: 'analog',
    measures: 'resistance',
    channel: n,
    label: `resistance input ${n}`,
    name,
    terminal: `${name}+`,
    common: `${name}-`,
    inside: { rail: '-', volts: 0 },
    roles: {
      element: `${name}+`,
      elementReturn: `${name}-`,
      sense: `${name}s+`,
      senseReturn: `${name}s-`,
    },
    burdenOhms: 1e7,
    excitationAmps: EXCITATION_AMPS,
    wiresKey: `${name}.wires`,
  }));
  return {
    id: `rtd${count}`,
    name: `${count}-channel resistance input, two, three or four wires`,
    family: 'analog inputs',
    groups: [],
    ports: () => ports,
    terminals: [
      ...names.flatMap((name) => ['+', 's+', 's-', '-'].map((end) => ({ name: `${name}${end}` }))),
      ...SUPPLY_TERMINALS_OF_MODULE,
    ],
    parameters: [MODULE_MAINS, ...names.flatMap((name, n) => scaling(name, `Resistance input ${n}`))],
    settings: names.map((name, n): Setting => ({
      key: `${name}.wires`,
      label: `Connection of resistance input ${n}`,
      place: 'parameter',
      from: 'signal.wires',
      choices: WIRES,
    })),
    circuit: () => [
      ...names.flatMap((name): Element[] => [
        {
          kind: 'source',
          id: `${name}-source`,
          plus: `~${name}`,
          minus: `${name}-`,
          volts: exactly(3),
          innerOhms: exactly(1),
          limitAmps: exactly(0.01),
        },
        contact(`${name}-live`, `~${name}`, `~${name}2`, { on: 'fed' }, exactly(1)),
        {
          kind: 'transmitter',
          id: name,
          plus: `~${name}2`,
          minus: `${name}+`,
          amps: percent(EXCITATION_AMPS, 0.02),
          liftVolts: exactly(0.3),
        },
        resistor(`${name}-tie`, `${name}-`, 'M', exactly(1e5)),
        resistor(`${name}-sense+`, `${name}s+`, `${name}-`, exactly(1e8)),
        resistor(`${name}-sense-`, `${name}s-`, `${name}-`, exactly(1e8)),
      ]),
      ...moduleSupply(),
    ],
  };
}

function thermocoupleModule(count: number): ModuleType {
  const names = Array.from({ length: count }, (_, n) => `T${n}`);
  const ports = names.map((name, n): AnalogPort => ({
    kind: 'analog',
    measures: 'thermocouple',
    channel: n,
    label: `thermocouple input ${n}`,
    name,
    terminal: `${name}+`,
    common: `${name}-`,
    inside: { rail: '-', volts: 0 },
    roles: { element: `${name}+`, elementReturn: `${name}-` },
    burdenOhms: 1e7,
  }));
  return {
    id: `tc${count}`,
    name: `${count}-channel thermocouple input`,
    parameters: [MODULE_MAINS, ...names.flatMap((name, n) => scaling(name, `Thermocouple input ${n}`))],
    family: 'analog inputs',
    groups: [],
    ports: () => ports,
    terminals: [
      ...names.flatMap((name) => [{ name: `${name}+` }, { name: `${name}-` }]),
      ...SUPPLY_TERMINALS_OF_MODULE,
    ],
    circuit: () => [
      ...names.flatMap((name) => [
        resistor(name, `${name}+`, `${name}-`, exactly(1e7)),
        resistor(`${name}-tie`, `${name}-`, 'M', exactly(1e5)),
        // Drives an open couple out of range, so that a break is seen.
        resistor(`${name}-burnout`, 'L+', `${name}+`, exactly(1e9)),
      ]),
      ...moduleSupply(),
    ],
  };
}

export const ANALOG_MODULES: readonly ModuleType[] = [
  signalModule(2),
  signalModule(4),
  signalModule(8),
  resistanceModule(2),
  resistanceModule(4),
  thermocoupleModule(2),
];
