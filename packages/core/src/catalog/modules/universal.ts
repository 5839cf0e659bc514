import { atLeast, atMost, exact, span, tolerant } from '../description/figure.ts';
import type { ModuleDescription, PortDescription } from '../description/moduleDescription.ts';
import type { Setting } from '../parameters.ts';
import { actionOf, functionOf, SPEEDS } from './parameters.ts';
import {
  driver,
  iecInput,
  moduleSupply,
  outputPort,
  relayContact,
  signalRoles,
  SUPPLY_TERMINALS,
} from './parts.ts';

const FREE_INPUTS = [1, 2, 3, 4, 5, 6].map((n) => `U${n}`);
const PULLED_INPUTS = [1, 2, 3].map((n) => `E${n}`);

export const UNIVERSAL_CONTROLLER: ModuleDescription = {
  id: 'universal-controller',
  name: 'Universal controller: six inputs, three analog inputs, high-side, low-side and relay outputs',
  title: 'universal controller',
  group: 'Universal controller',
  terms: ['engine', 'pump', 'compressor', 'generator', 'genset'],
  tag: 'UC',
  groups: [],
  ports: [
    ...FREE_INPUTS.map((name, n): PortDescription => ({
      kind: 'digital',
      channel: n,
      label: `input ${n + 1}`,
      name,
      terminal: name,
      common: 'L+',
      roles: signalRoles(name),
      input: 'input',
      sense: 'source',
      cases: [{ setting: `${name}.active`, is: 'plus', set: { common: 'M', sense: 'sink' } }],
    })),
    ...PULLED_INPUTS.map((name, n): PortDescription => ({
      kind: 'digital',
      channel: 6 + n,
      label: `analog input ${n + 1} as a switch`,
      name,
      terminal: name,
      common: '~5',
      inside: { rail: '+', volts: 5 },
      roles: signalRoles(name),
      input: 'pulled',
      sense: 'source',
    })),
    outputPort(9, 'H1', 'high-side output 1', 'high', 5, 'M'),
    outputPort(10, 'H2', 'high-side output 2', 'high', 2, 'M'),
    outputPort(11, 'B1', 'low-side output 1', 'low', 2, 'L+'),
    outputPort(12, 'B2', 'low-side output 2', 'low', 0.3, 'L+'),
    outputPort(13, 'R', 'relay output', 'contact', 5, 'R1', 'R4'),
  ],
  terminals: [
    ...[...FREE_INPUTS, ...PULLED_INPUTS].map((name) => ({ name, words: 'input' })),
    { name: 'H1', words: 'high side 5 A' },
    { name: 'H2', words: 'high side 2 A' },
    { name: 'B1', words: 'low side 2 A' },
    { name: 'B2', words: 'low side 0.3 A' },
    { name: 'R1', words: 'relay common' },
    { name: 'R4', words: 'relay NO' },
    ...SUPPLY_TERMINALS,
  ],
  parameters: [
    ...FREE_INPUTS.flatMap((name, n) => [
      functionOf(name, `Input ${n + 1}`),
      actionOf(name, `Input ${n + 1}`),
    ]),
    ...PULLED_INPUTS.flatMap((name, n) => [
      functionOf(name, `Analog input ${n + 1} as a switch`),
      actionOf(name, `Analog input ${n + 1} as a switch`),
    ]),
    ...SPEEDS,
  ],
  settings: FREE_INPUTS.map((name, n): Setting => ({
    key: `${name}.active`,
    label: `Active state of input ${n + 1}`,
    from: 'active',
    place: 'parameter',
    choices: [
      { value: 'minus', label: 'To minus' },
      { value: 'plus', label: 'To plus' },
      { value: 'open', label: 'Open' },
    ],
  })),
  behaviours: [
    { model: 'optocoupler-input', id: 'input', ...iecInput(3) },
    // Inputs of a battery-range controller: 5 V reference on its analog ones.
    {
      model: 'optocoupler-input',
      id: 'pulled',
      ledVolts: span('V', 0.1, 0.15, 0.2),
      seriesOhms: span('Ω', 1900, 2000, 2100),
      parallelOhms: tolerant('Ω', 1e6, 5),
      onVolts: atLeast('V', 3.5),
      onAmps: atLeast('A', 0.0015),
      offVolts: atMost('V', 1.5),
      offAmps: atMost('A', 0.0006),
      offVoltsAtLowCurrent: atMost('V', 3),
      maxVolts: atMost('V', 6),
    },
    {
      model: 'source',
      id: 'five',
      plus: '~5',
      minus: 'M',
      volts: tolerant('V', 5, 2),
      internal: exact('Ω', 1),
      limit: exact('A', 0.05),
    },
    driver('H1', 'pnp', 5),
    driver('H2', 'pnp', 2),
    driver('B1', 'npn', 2),
    driver('B2', 'npn', 0.3),
    relayContact('R', 'R1', 'R4'),
    moduleSupply(240),
  ],
};
