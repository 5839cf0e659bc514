import { IEC_61131_2 } from '../../circuit/index.ts';
import type { Settings } from '../../model/index.ts';
import type { Parameter, Setting } from '../parameters.ts';
import type { ModuleType, Port } from '../types.ts';
import { inputElement, NETWORK, signalRoles } from './inputs.ts';

const FILTERS = { '30': 0.017, '1000': 0.0005, '10000': 0.00005 } as const;

function counterPorts(settings: Settings): Port[] {
  return ['C1', 'C2'].map((name, n) => {
    const chosen = settings[`${name}.filter`] ?? '1000';
    const hertz = (chosen in FILTERS ? chosen : '1000') as keyof typeof FILTERS;
    return {
      kind: 'digital',
      channel: n,
      label: `counter ${n + 1}`,
      name,
      terminal: name,
      common: 'COM1',
      roles: { ...signalRoles(name), pulse: name },
      sense: 'both',
      iecType: 3,
      thresholds: IEC_61131_2[3],
      seriesOhms: NETWORK[3].seriesOhms.nom,
      counter: { leastPulse: FILTERS[hertz], mostHertz: Number(hertz) },
    };
  });
}

export const COUNTER: ModuleType = {
  id: 'counter2',
  name: '2-channel counter input, two-way, one common, with filter',
  family: 'counter',
  groups: [{ common: 'COM1', channels: [0, 1] }],
  ports: counterPorts,
  terminals: [{ name: 'C1' }, { name: 'C2' }, { name: 'COM1', words: 'common' }],
  parameters: ['C1', 'C2'].map((name, n): Parameter => ({
    key: `${name}.value`,
    label: `Counter ${n + 1}, volume of a pulse`,
    kind: 'number',
    place: 'parameter',
    unit: 'l',
    least: 0.0001,
    most: 100000,
    factory: '1',
    from: 'pulse.value',
  })),
  settings: ['C1', 'C2'].map((name, n): Setting => ({
    key: `${name}.filter`,
    label: `Filter of counter ${n + 1}`,
    place: 'parameter',
    from: 'pulse.filter',
    choices: [
      { value: '1000', label: 'up to 1 kHz' },
      { value: '10000', label: 'up to 10 kHz' },
      { value: '30', label: 'up to 30 Hz' },
    ],
  })),
  circuit: () =>
    ['C1', 'C2'].map((name) => inputElement(name, name, 'COM1', 'both', NETWORK[3], IEC_61131_2[3])),
};
