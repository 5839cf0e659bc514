import type { ModuleDescription } from '../description/moduleDescription.ts';
import type { Parameter, Setting } from '../parameters.ts';
import { iecInput, signalRoles } from './parts.ts';

const NAMES = ['C1', 'C2'];

/** What each filter lets through: pulses a second, and the shortest pulse, s. */
const FILTERS = [
  { value: '1000', label: 'up to 1 kHz', counter: { maxHertz: 1000, minPulse: 0.0005 } },
  { value: '10000', label: 'up to 10 kHz', counter: { maxHertz: 10000, minPulse: 0.00005 } },
  { value: '30', label: 'up to 30 Hz', counter: { maxHertz: 30, minPulse: 0.017 } },
];

export const COUNTER: ModuleDescription = {
  id: 'counter2',
  name: '2-channel counter input, sink or source, selectable, one common, with filter',
  title: 'counter',
  group: 'Counter',
  terms: ['pulses', 'high-speed', 'flow', 'totaliser', 'encoder', 'HSC'],
  tag: 'CNT',
  image: { area: 'I', each: 'D' },
  groups: [{ common: 'COM1', channels: [0, 1] }],
  ports: NAMES.map((name, n) => ({
    kind: 'digital',
    channel: n,
    label: `counter ${n + 1}`,
    name,
    terminal: name,
    common: 'COM1',
    roles: { ...signalRoles(name), pulse: name },
    input: 'input',
    sense: 'both',
    iecType: 3,
    counter: { maxHertz: 1000, minPulse: 0.0005 },
    cases: FILTERS.map(({ value, counter }) => ({ setting: `${name}.filter`, is: value, set: { counter } })),
  })),
  terminals: [...NAMES.map((name) => ({ name })), { name: 'COM1', words: 'common' }],
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
  behaviours: [{ model: 'optocoupler-input', id: 'input', ...iecInput(3) }],
};
