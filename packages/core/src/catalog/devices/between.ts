import { rating } from './relays.ts';
import type { DeviceDescription } from '../description/deviceDescription.ts';
import { atLeast, between, exact, tolerant } from '../description/figure.ts';

const RESISTORS: readonly number[] = [120, 250, 470, 560, 1000, 1500, 2200, 3300, 4700, 10000, 22000];
const ohmsText = (ohms: number): string => (ohms < 1000 ? `${ohms} Ω` : `${ohms / 1000} kΩ`);

/** A plain resistor: fitted as a bleeder, a pull-up or a burden. */
const RESISTOR: DeviceDescription = {
  id: 'resistor',
  name: 'Resistor',
  title: 'resistor',
  group: 'Between others',
  part: true,
  inline: true,
  terminals: [{ name: '1' }, { name: '2' }],
  settings: [
    {
      key: 'ohms',
      label: 'Resistance',
      place: 'version',
      choices: RESISTORS.map((ohms) => ({ value: String(ohms), label: ohmsText(ohms) })),
      any: { unit: 'Ω', min: 0.1, max: 1e7 },
    },
    {
      key: 'watts',
      label: 'Power rating',
      place: 'version',
      choices: ['0.25', '0.5', '1', '2', '5', '10'].map((watts) => ({ value: watts, label: `${watts} W` })),
      any: { unit: 'W', min: 0.05, max: 1000 },
    },
  ],
  outputs: [],
  behaviours: [
    {
      model: 'resistor',
      id: 'resistor',
      a: '1',
      b: '2',
      ohms: { ...tolerant('Ω', 1000, 5), setting: 'ohms' },
      rated: { ...exact('W', 1, 'rated'), setting: 'watts' },
    },
  ],
};

/** A strip: each terminal is one joint, for all wires on it; a jumper is a wire between two of them. */
const strip = (count: number): DeviceDescription => ({
  id: `terminal-strip-${count}`,
  name: `Terminal strip, ${count} terminals`,
  title: 'terminals',
  group: 'Between others',
  part: true,
  inline: true,
  terms: ['terminal block', 'junction box', 'marshalling', 'jumper', 'bridge', 'distribution'],
  terminals: Array.from({ length: count }, (_, n) => ({ name: String(n + 1) })),
  outputs: [],
  behaviours: [],
});

const SPLICE: DeviceDescription = {
  id: 'splice',
  name: 'Splice or lever connector, one joint',
  title: 'splice',
  group: 'Between others',
  part: true,
  inline: true,
  terms: ['joint', 'connector', 'wire nut', 'junction', 'crimp', 'link'],
  terminals: [{ name: '1', words: 'all wires' }],
  outputs: [],
  behaviours: [],
};

/** Parts that stand between others. */
export const BETWEEN: readonly DeviceDescription[] = [
  RESISTOR,
  strip(5),
  strip(10),
  strip(20),
  SPLICE,
  {
    id: 'barrier-1ch',
    name: 'Resistive barrier, one channel, 240 Ω',
    title: 'barrier',
    group: 'Between others',
    part: true,
    inline: true,
    terminals: [
      { name: 'S1', words: 'safe side' },
      { name: 'H1', words: 'field side' },
    ],
    outputs: [],
    behaviours: [
      { model: 'diode', id: 'way', anode: 'S1', cathode: '~b', drop: exact('V', 0.7), ohms: exact('Ω', 1) },
      { model: 'resistor', id: 'barrier', a: '~b', b: 'H1', ohms: tolerant('Ω', 240, 5) },
    ],
    cautions: {
      isolate: 'Barriers belong to an explosion-protection design: change nothing without its author.',
    },
  },
  {
    id: 'namur-amplifier-1ch',
    name: 'Switching amplifier for a NAMUR sensor, relay output',
    title: 'switching amplifier',
    group: 'Between others',
    part: true,
    inline: true,
    amplifier: { fed: 'fed', whole: 'some', shorted: 'shorted', plus: 'A1', minus: 'A2' },
    terminals: [
      { name: '1+', words: 'sensor plus' },
      { name: '3-', words: 'sensor minus' },
      { name: 'A1', role: 'plus', words: 'supply plus' },
      { name: 'A2', role: 'minus', words: 'supply minus' },
      { name: '11', words: 'common' },
      { name: '12', words: 'NC' },
      { name: '14', words: 'NO' },
    ],
    supply: { plus: 'A1', minus: 'A2', volts: between('V', 18, 30) },
    settings: [
      {
        key: 'direction',
        label: 'Direction switch',
        place: 'switch',
        choices: [
          { value: 'normal', label: 'Relay in while the sensor takes much' },
          { value: 'turned', label: 'Relay in while the sensor takes little' },
        ],
      },
    ],
    outputs: [],
    behaviours: [
      {
        model: 'supply',
        id: 'supply',
        plus: 'A1',
        minus: 'A2',
        ohms: tolerant('Ω', 800, 20),
        minimum: atLeast('V', 18),
      },
      {
        model: 'source',
        id: 'eight',
        plus: '~8',
        minus: '3-',
        volts: tolerant('V', 8.2, 3, 'IEC 60947-5-6'),
        internal: exact('Ω', 1),
        limit: exact('A', 0.05),
      },
      { model: 'contact', id: 'live', a: '~8', b: '~9', closed: { on: 'fed' }, ohms: exact('Ω', 0.1) },
      { model: 'resistor', id: 'sense', a: '~9', b: '1+', ohms: tolerant('Ω', 1000, 2, 'IEC 60947-5-6') },
      // Switching point between 1.2 and 2.1 mA, break below 0.2 mA, short above 6 mA (IEC 60947-5-6).
      {
        model: 'threshold',
        id: 'much',
        a: '~9',
        b: '1+',
        on: exact('V', 1.75, 'IEC 60947-5-6'),
        off: exact('V', 1.55, 'IEC 60947-5-6'),
      },
      {
        model: 'threshold',
        id: 'some',
        a: '~9',
        b: '1+',
        on: exact('V', 0.2, 'IEC 60947-5-6'),
        off: exact('V', 0.1, 'IEC 60947-5-6'),
      },
      {
        model: 'threshold',
        id: 'shorted',
        a: '~9',
        b: '1+',
        on: exact('V', 6.5, 'IEC 60947-5-6'),
        off: exact('V', 6, 'IEC 60947-5-6'),
      },
      {
        model: 'latch',
        id: 'coil',
        set: true,
        hold: {
          all: [
            { on: 'fed' },
            { on: 'some' },
            { not: { on: 'shorted' } },
            {
              any: [
                { all: [{ setting: 'direction', is: 'turned' }, { not: { on: 'much' } }] },
                { all: [{ not: { setting: 'direction', is: 'turned' } }, { on: 'much' }] },
              ],
            },
          ],
        },
      },
      { model: 'changeover', id: 'poles', poles: 1, follows: 'coil' },
    ],
    face: [
      { a: '1+', b: '3-', glyph: { kind: 'resistor', id: 'sense', text: '8.2 V, 1 kΩ' } },
      { a: 'A1', b: 'A2', glyph: { kind: 'line', id: 'supply' } },
      { a: '11', b: '14', glyph: { kind: 'slot', id: 'no1' } },
      { a: '11', b: '12', glyph: { kind: 'slot', id: 'nc1' } },
    ],
    contacts: rating(1, 2, 4, 5, 0.001),
    indicators: [
      { id: 'coil', label: 'Amplifier', kind: 'coil' },
      { id: 'some', label: 'Line whole', kind: 'state' },
    ],
  },
];
