import { exactly, IEC_61131_2, percent, within } from '../../circuit/index.ts';
import type { Element, InputThresholds } from '../../circuit/index.ts';
import type { Settings } from '../../model/index.ts';
import type { ModuleType, Port } from '../types.ts';
import type { Setting } from '../parameters.ts';
import { moduleSupply, SUPPLY_TERMINALS_OF_MODULE } from './analog.ts';
import { inputElement, NETWORK, signalRoles } from './inputs.ts';
import { driver, outputPort } from './outputs.ts';
import { actionOf } from './parameters.ts';

const FREE_INPUTS = [1, 2, 3, 4, 5, 6].map((n) => `U${n}`);
const PULLED_INPUTS = [1, 2, 3].map((n) => `E${n}`);

/** Inputs of a battery-range controller: 5 V reference on its analog ones. */
const PULLED: InputThresholds = {
  onVolts: 3.5,
  onAmps: 0.0015,
  offVolts: 1.5,
  offAmps: 0.0006,
  offVoltsAtLowCurrent: 3,
  mostVolts: 6,
};
const PULL_NETWORK = {
  ledVolts: within(0.1, 0.15, 0.2),
  seriesOhms: within(1900, 2000, 2100),
  parallelOhms: percent(1e6, 5),
};

function universalPorts(settings: Settings): Port[] {
  return [
    ...FREE_INPUTS.map((name, n): Port => {
      const toPlus = settings[`${name}.active`] === 'plus';
      return {
        kind: 'digital',
        channel: n,
        label: `input ${n + 1}`,
        name,
        terminal: name,
        common: toPlus ? 'M' : 'L+',
        roles: signalRoles(name),
        sense: toPlus ? 'sink' : 'source',
        thresholds: IEC_61131_2[3],
        seriesOhms: NETWORK[3].seriesOhms.nom,
      };
    }),
    ...PULLED_INPUTS.map((name, n): Port => ({
      kind: 'digital',
      channel: 6 + n,
      label: `analog input ${n + 1} as a switch`,
      name,
      terminal: name,
      common: '~5',
      inside: { rail: '+', volts: 5 },
      roles: signalRoles(name),
      sense: 'source',
      thresholds: PULLED,
      seriesOhms: PULL_NETWORK.seriesOhms.nom,
    })),
    outputPort(9, 'H1', 'high-side output 1', 'high', 5, 'M'),
    outputPort(10, 'H2', 'high-side output 2', 'high', 2, 'M'),
    outputPort(11, 'B1', 'low-side output 1', 'low', 2, 'L+'),
    outputPort(12, 'B2', 'low-side output 2', 'low', 0.3, 'L+'),
  ];
}

export const UNIVERSAL_CONTROLLER: ModuleType = {
  id: 'universal-controller',
  name: 'Universal controller: six inputs, three analog inputs, high-side and low-side outputs',
  family: 'universal controller',
  groups: [],
  ports: universalPorts,
  terminals: [
    ...[...FREE_INPUTS, ...PULLED_INPUTS].map((name) => ({ name, words: 'input' })),
    { name: 'H1', words: 'high side 5 A' },
    { name: 'H2', words: 'high side 2 A' },
    { name: 'B1', words: 'low side 2 A' },
    { name: 'B2', words: 'low side 0.3 A' },
    ...SUPPLY_TERMINALS_OF_MODULE,
  ],
  parameters: [
    ...FREE_INPUTS.map((name, n) => actionOf(name, `Input ${n + 1}`)),
    ...PULLED_INPUTS.map((name, n) => actionOf(name, `Analog input ${n + 1} as a switch`)),
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
  circuit: ({ settings, forced }) => [
    ...universalPorts(settings).flatMap((port): Element[] =>
      port.kind === 'digital'
        ? [
            inputElement(
              port.name,
              port.terminal,
              port.common,
              port.sense,
              port.inside ? PULL_NETWORK : NETWORK[3],
              port.thresholds,
            ),
          ]
        : [],
    ),
    {
      kind: 'source',
      id: 'five',
      plus: '~5',
      minus: 'M',
      volts: percent(5, 2),
      innerOhms: exactly(1),
      limitAmps: exactly(0.05),
    },
    driver('H1', 'pnp', 'L+', 'M', 5, forced.has('H1')),
    driver('H2', 'pnp', 'L+', 'M', 2, forced.has('H2')),
    driver('B1', 'npn', 'L+', 'M', 2, forced.has('B1')),
    driver('B2', 'npn', 'L+', 'M', 0.3, forced.has('B2')),
    ...moduleSupply(240),
  ],
};
