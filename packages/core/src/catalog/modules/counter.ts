import type { ModuleDescription } from '../description/moduleDescription.ts';
import type { Parameter, Setting } from '../parameters.ts';
import { atLeast, atMost, span, tolerant, TYPICAL } from '../description/figure.ts';
import { iecInput, signalRoles } from './parts.ts';

const NAMES = ['C1', 'C2'];

/** What each filter lets through: pulses a second, and the shortest pulse, s. */
const FILTERS = [
  { value: '1000', label: 'up to 1 kHz', counter: { maxHertz: 1000, minPulse: 0.0005 } },
  { value: '10000', label: 'up to 10 kHz', counter: { maxHertz: 10000, minPulse: 0.00005 } },
  { value: '30', label: 'up to 30 Hz', counter: { maxHertz: 30, minPulse: 0.017 } },
];

type Counter = Extract<ModuleDescription['ports'][number], { kind: 'digital' }>;

/** Two channels that count, with their filters: by what their ports, terminals and inputs are. */
function counter(
  own: Pick<ModuleDescription, 'id' | 'name' | 'groups' | 'terminals' | 'behaviours'> & {
    readonly terms: readonly string[];
  },
  port: (name: string) => Pick<Counter, 'terminal' | 'common' | 'roles' | 'sense' | 'iecType' | 'inside'>,
): ModuleDescription {
  return {
    ...own,
    terms: ['pulses', 'high-speed', 'HSC', ...own.terms],
    title: 'counter',
    group: 'Counter',
    tag: 'CNT',
    image: { area: 'I', each: 'D' },
    ports: NAMES.map((name, n) => ({
      kind: 'digital',
      channel: n,
      label: `counter ${n + 1}`,
      name,
      input: 'input',
      ...port(name),
      counter: { maxHertz: 1000, minPulse: 0.0005 },
      cases: FILTERS.map(({ value, counter }) => ({
        setting: `${name}.filter`,
        is: value,
        set: { counter },
      })),
    })),
    parameters: NAMES.map((name, n): Parameter => ({
      key: `${name}.value`,
      label: `Counter ${n + 1}, volume of a pulse`,
      kind: 'number',
      place: 'parameter',
      unit: 'l',
      min: 0.0001,
      max: 100000,
      factory: '1',
      from: 'pulse.value',
    })),
    settings: NAMES.map((name, n): Setting => ({
      key: `${name}.filter`,
      label: `Filter of counter ${n + 1}`,
      place: 'parameter',
      from: 'pulse.filter',
      choices: FILTERS.map(({ value, label }) => ({ value, label })),
    })),
  };
}

/** Two leads of each channel, which is isolated from all others. */
const isolated = (volts: number) => ({
  groups: [],
  terminals: NAMES.flatMap((name) => [
    { name: `${name}+`, words: `${name} signal` },
    { name: `${name}-`, words: `${name} return` },
  ]),
  port: (name: string) => ({
    terminal: `${name}+`,
    common: `${name}-`,
    inside: { rail: '-' as const, volts },
    roles: { pulse: `${name}+`, inverse: `${name}-` },
  }),
});

const LINE = isolated(5);
const COIL = isolated(0);

export const COUNTERS: readonly ModuleDescription[] = [
  counter(
    {
      id: 'counter2',
      name: '2-channel counter input, sink or source, selectable, one common, with filter',
      terms: ['flow', 'totaliser', 'encoder', '24 V'],
      groups: [{ common: 'COM1', channels: [0, 1] }],
      terminals: [...NAMES.map((name) => ({ name })), { name: 'COM1', words: 'common' }],
      behaviours: [{ model: 'optocoupler-input', id: 'input', ...iecInput(3) }],
    },
    (name) => ({
      terminal: name,
      common: 'COM1',
      roles: { ...signalRoles(name), pulse: name },
      sense: 'both',
      iecType: 3,
    }),
  ),
  counter(
    {
      id: 'counter2-line',
      name: '2-channel counter input for 5 V line drivers, two leads a channel',
      terms: ['encoder', 'RS-422', 'TTL', 'differential', 'receiver'],
      groups: LINE.groups,
      terminals: LINE.terminals,
      behaviours: [
        {
          model: 'optocoupler-input',
          id: 'input',
          ledVolts: span('V', 1.2, 1.4, 1.6),
          seriesOhms: tolerant('Ω', 180, 5),
          parallelOhms: tolerant('Ω', 470, 5),
          onVolts: atLeast('V', 2.5, TYPICAL),
          onAmps: atLeast('A', 0.006, TYPICAL),
          offVolts: atMost('V', 1, TYPICAL),
          offAmps: atMost('A', 0.001, TYPICAL),
          offVoltsAtLowCurrent: atMost('V', 1, TYPICAL),
          maxVolts: atMost('V', 7, TYPICAL),
        },
      ],
    },
    (name) => ({ ...LINE.port(name), sense: 'sink' }),
  ),
  counter(
    {
      id: 'counter2-coil',
      name: '2-channel speed input for passive coils, from 0.25 V, two leads a channel',
      terms: ['magnetic pick-up', 'MPU', 'speed', 'overspeed', 'rpm', 'mV'],
      groups: COIL.groups,
      terminals: COIL.terminals,
      behaviours: [
        {
          model: 'optocoupler-input',
          id: 'input',
          ledVolts: span('V', 0.0009, 0.001, 0.0011),
          seriesOhms: tolerant('Ω', 20_000, 10),
          parallelOhms: tolerant('Ω', 20_000, 10),
          onVolts: atLeast('V', 0.25, TYPICAL),
          onAmps: atLeast('A', 0.00001, TYPICAL),
          offVolts: atMost('V', 0.1, TYPICAL),
          offAmps: atMost('A', 0.000005, TYPICAL),
          offVoltsAtLowCurrent: atMost('V', 0.1, TYPICAL),
          maxVolts: atMost('V', 60, TYPICAL),
        },
      ],
    },
    (name) => ({ ...COIL.port(name), sense: 'both' }),
  ),
];
