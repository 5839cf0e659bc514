import { measuring } from './analog.ts';
import type { DeviceDescription, OutputDescription } from '../description/deviceDescription.ts';
import { exact } from '../description/figure.ts';
import type { PartTerminal } from '../description/terminals.ts';
import { THERMOMETER } from '../handling/switching.ts';

type Behaviour = DeviceDescription['behaviours'][number];

/** R(100 °C) / R(0 °C) and Ω for each K at 0 °C and Ω: IEC 60751 for platinum, DIN 43760 for nickel. */
const METALS = { Pt: [1.385055, 3.90802e-3], Ni: [1.61778, 5.485e-3] } as const;

const THERMOMETERS = ['Pt100', 'Pt200', 'Pt500', 'Pt1000', 'Ni100', 'Ni500', 'Ni1000'];

/** A resistance thermometer from 0 to 100 °C, by its usual name, such as `Pt100`. */
function thermometer(name: string) {
  const ohms = Number(name.slice(2));
  const [ratio, slope] = METALS[name.startsWith('Ni') ? 'Ni' : 'Pt'];
  return {
    lowOhms: ohms,
    highOhms: Number((ohms * ratio).toPrecision(7)),
    low: 0,
    high: 100,
    unit: '°C',
    perUnit: ohms * slope,
  };
}

/** Colours of resistance thermometers: red at one end, white at the other (IEC 60751). */
const A: PartTerminal = { name: '1', role: 'element', colour: 'RD' };
const SENSE_A: PartTerminal = { name: '2', role: 'sense', colour: 'RD' };
const B: PartTerminal = { name: '3', role: 'elementReturn', colour: 'WH' };
const SENSE_B: PartTerminal = { name: '4', role: 'senseReturn', colour: 'WH' };

const ELEMENTS = 'Resistance and thermocouple';

const element = (
  terminals: string[],
  across: [string, string],
  stimulus: string,
  more: Partial<OutputDescription> = {},
): OutputDescription =>
  measuring(
    terminals,
    { stimulus },
    { id: 'element', label: 'Element', landsOn: 'resistance', rule: 'resistance', across, ...more },
  );

function rtd(wires: 2 | 3 | 4): DeviceDescription {
  const terminals = wires === 2 ? [A, B] : wires === 3 ? [A, B, SENSE_B] : [A, SENSE_A, B, SENSE_B];
  const joint = (id: string, a: string, b: string): Behaviour => ({
    model: 'resistor',
    id,
    a,
    b,
    ohms: exact('Ω', 0.001),
  });
  return {
    id: `rtd-${wires}w`,
    name: `Resistance thermometer, ${['two', 'three', 'four'][wires - 2]} wires`,
    title: 'resistance thermometer',
    group: ELEMENTS,
    handling: THERMOMETER,
    terminals,
    settings: [
      {
        key: 'element',
        label: 'Element',
        place: 'version',
        choices: THERMOMETERS.map((value) => ({ value, label: value })),
      },
    ],
    outputs: [
      element(
        terminals.map(({ name }) => name),
        ['1', '3'],
        'a bath or block of known temperature, or a resistance decade in place of the element',
      ),
    ],
    behaviours: [
      {
        model: 'thermometer',
        id: 'signal',
        output: 'element',
        a: '1',
        b: '3',
        setting: 'element',
        elements: Object.fromEntries(THERMOMETERS.map((name) => [name, thermometer(name)])),
      },
      ...(wires > 2 ? [joint('joint3', '3', '4')] : []),
      ...(wires > 3 ? [joint('joint1', '1', '2')] : []),
    ],
    face: [
      { a: '1', b: '3', glyph: { kind: 'resistor', id: 'signal' } },
      ...(wires === 4 ? [{ a: '2', b: '4', glyph: { kind: 'line' as const } }] : []),
      ...(wires === 3 ? [{ b: '4', glyph: { kind: 'line' as const } }] : []),
    ],
  };
}

/** Colour of the plus lead of each type; the minus lead is white (IEC 60584-3); mV from 0 to 100 °C (IEC 60584-1). */
const THERMOCOUPLE_LEADS = [
  ['K', 'GN', 4.096],
  ['J', 'BK', 5.269],
  ['T', 'BN', 4.279],
  ['N', 'PK', 2.774],
  ['E', 'VT', 6.319],
  ['S', 'OG', 0.646],
  ['R', 'OG', 0.647],
  ['B', 'GY', 0.033],
] as const;

const THERMOCOUPLES = THERMOCOUPLE_LEADS.map(([letter, colour, millivolts]): DeviceDescription => ({
  id: `thermocouple-${letter.toLowerCase()}`,
  name: `Thermocouple, type ${letter}`,
  title: `thermocouple ${letter}`,
  group: ELEMENTS,
  handling: THERMOMETER,
  terminals: [
    { name: '+', role: 'element', colour },
    { name: '-', role: 'elementReturn', colour: 'WH' },
  ],
  outputs: [
    element(['+', '-'], ['+', '-'], 'a block of known temperature, or a millivolt source with compensation', {
      landsOn: 'thermocouple',
      rule: 'thermocouple',
    }),
  ],
  behaviours: [
    {
      model: 'thermocouple',
      id: 'signal',
      output: 'element',
      plus: '+',
      minus: '-',
      letter,
      emf: exact('mV', millivolts, 'IEC 60584-1'),
      ohms: exact('Ω', 20),
    },
  ],
  face: [{ a: '+', b: '-', glyph: { kind: 'signal', id: 'lead', text: `type ${letter}` } }],
}));

export const RESISTANCE_SENSORS: readonly DeviceDescription[] = [
  rtd(2),
  rtd(3),
  rtd(4),
  {
    id: 'sender-2w',
    name: 'Resistive level sender, 10 to 180 Ω',
    title: 'resistive sender',
    group: ELEMENTS,
    terminals: [
      { name: 'S', role: 'element', colour: 'YE' },
      { name: 'M', role: 'elementReturn', colour: 'BK' },
    ],
    outputs: [element(['S', 'M'], ['S', 'M'], 'the float moved by hand from stop to stop')],
    behaviours: [
      {
        model: 'linear-resistance',
        id: 'signal',
        output: 'element',
        a: 'S',
        b: 'M',
        lowOhms: exact('Ω', 10),
        highOhms: exact('Ω', 180),
        low: 0,
        high: 100,
        unit: '%',
      },
    ],
  },
  {
    id: 'potentiometer-3w',
    name: 'Potentiometer, 5 kΩ',
    title: 'potentiometer',
    group: ELEMENTS,
    terminals: [
      { name: '1', role: 'excitation', colour: 'BN' },
      { name: '2', role: 'wiper', colour: 'BK' },
      { name: '3', role: 'elementReturn', colour: 'BU' },
    ],
    outputs: [
      element(['2', '1', '3'], ['2', '3'], 'the shaft or slide, moved from stop to stop', {
        landsOn: 'ratio',
      }),
    ],
    behaviours: [
      {
        model: 'potentiometer',
        id: 'signal',
        output: 'element',
        a: '1',
        wiper: '2',
        b: '3',
        ohms: exact('Ω', 5000),
      },
    ],
    face: [
      {
        a: '1',
        b: '3',
        middle: '2',
        glyph: { kind: 'resistor', id: 'upper' },
        second: { kind: 'resistor', id: 'signal' },
      },
    ],
  },
  ...THERMOCOUPLES,
];
