import type { DeviceDescription } from '../description/deviceDescription.ts';
import { exact } from '../description/figure.ts';
import { measuring } from './analog.ts';

/** A shunt gives its drop alone: nothing feeds it, and its leads stand at the conductor's voltage (IEC 60051-8). */
export const SHUNT: DeviceDescription = {
  id: 'shunt-60mv',
  name: 'Current shunt, 60 mV at its rated current',
  title: 'shunt 60 mV',
  group: 'Transmitters',
  terminals: [
    { name: 'V+', role: 'signal', words: 'drop, side of the source', colour: 'RD' },
    { name: 'V-', role: 'signalReturn', words: 'drop, side of the load', colour: 'BK' },
  ],
  outputs: [
    measuring(
      ['V+', 'V-'],
      { stimulus: 'a known current, or a millivolt source in place of the shunt' },
      {
        across: ['V+', 'V-'],
      },
    ),
  ],
  behaviours: [
    {
      model: 'signal-output',
      id: 'signal',
      output: 'analog',
      out: 'V+',
      back: 'V-',
      signal: '0-60 mV',
      alive: true,
      accuracy: exact('%', 0.5, 'IEC 60051-8'),
      compliance: exact('V', 1),
      limit: exact('A', 0.01),
    },
  ],
  face: [{ a: 'V+', b: 'V-', glyph: { kind: 'signal', id: 'signal', text: '0-60 mV' } }],
  cautions: {
    isolate:
      'A shunt’s leads stand at the voltage of its conductor; put it in the minus, and fuse the leads.',
  },
};
