import { atMost, exact, span } from '../description/figure.ts';
import type { ModuleDescription } from '../description/moduleDescription.ts';
import { analogSettings } from './analog.ts';

/** What stands on a bench in place of a controller: a multimeter, in series for current, across for volts. */
export const MULTIMETER: ModuleDescription = {
  id: 'multimeter',
  name: 'Multimeter on the bench, mA or volts',
  title: 'multimeter',
  group: 'On the bench',
  tag: 'M',
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
