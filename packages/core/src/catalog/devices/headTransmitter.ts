import type { DeviceDescription } from '../description/deviceDescription.ts';
import { tolerant } from '../description/figure.ts';
import { ALARM, FAULT_SIGNALS } from '../handling/menu.ts';
import { ELEMENT_LEADS, TEMPERATURE } from '../handling/transmitters.ts';
import { ELEMENT_STIMULUS, loop, OUTPUT } from './analog.ts';

const LOOP_HEAD = loop(10.5, {
  id: 'temperature-2w-head',
  name: 'Temperature head transmitter with the terminals of its element, two-wire, 4-20 mA',
  title: 'head transmitter, 4-20 mA',
  handling: TEMPERATURE,
  stimulus: ELEMENT_STIMULUS,
});

/** A head transmitter whose element, a part of its own, is wired to it. */
export const HEAD_TRANSMITTER: DeviceDescription = {
  ...LOOP_HEAD,
  terminals: [
    ...LOOP_HEAD.terminals,
    { name: '1', words: 'element' },
    { name: '2', words: 'element, sense' },
    { name: '3', words: 'return, sense' },
    { name: '4', words: 'return' },
  ],
  elementSide: { leads: 'leads', roles: { element: '1', sense: '2', senseReturn: '3', elementReturn: '4' } },
  settings: [
    {
      key: 'leads',
      label: 'Connection',
      place: 'parameter',
      from: 'plate.leads',
      choices: Object.entries(ELEMENT_LEADS).map(([value, label]) => ({ value, label })),
    },
    { key: 'alarm', label: ALARM.label, place: 'parameter', choices: FAULT_SIGNALS, usual: ALARM.usual },
  ],
  behaviours: [
    {
      model: 'element-transmitter',
      id: 'signal',
      output: 'analog',
      plus: '+',
      minus: '-',
      signal: '4-20 mA',
      liftOff: tolerant('V', 10.5, 2),
      accuracy: OUTPUT.accuracy,
      terminals: { force: '1', sense: '2', senseBack: '3', back: '4' },
      leads: 'leads',
      excitation: tolerant('A', 0.0002, 2),
      alarm: { setting: 'alarm', milliamps: { high: 21.6, low: 3.5 } },
    },
  ],
  face: [
    { a: '+', b: '-', glyph: { kind: 'signal', id: 'signal', text: '4-20 mA' } },
    { a: '1', b: '4', glyph: { kind: 'line', text: 'element' } },
    { a: '2', b: '3', glyph: { kind: 'line', text: 'sense' } },
  ],
};
