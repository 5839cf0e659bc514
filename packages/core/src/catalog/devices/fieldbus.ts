import type { DeviceDescription, OutputDescription } from '../description/deviceDescription.ts';
import { atLeast, atMost, between, exact, span, tolerant } from '../description/figure.ts';
import type { FaceRow, PartTerminal } from '../description/terminals.ts';
import type { Setting } from '../parameters.ts';
import { IO_LINK, POWER_ETHERNET, POWER_SERIAL } from '../handling/fieldbus.ts';

type Behaviour = DeviceDescription['behaviours'][number];

const GROUP = 'Fieldbus';

const communicating = (
  kind: 'io-link' | 'serial' | 'ethernet',
  terminals: string[],
  more: Partial<OutputDescription> = {},
): OutputDescription => ({
  id: 'data',
  label: 'Communication',
  drivenBy: 'communication',
  terminals,
  kinds: ['none'],
  logics: ['none'],
  landsOn: kind,
  rule: kind,
  words: { present: 'Line driven high', away: 'Line driven low' },
  stimulus: 'its own communication',
  ...more,
});

const fed = (plus: string, minus: string, ohms: number): Behaviour => ({
  model: 'supply',
  id: 'supply',
  plus,
  minus,
  ohms: tolerant('Ω', ohms, 20),
  minimum: atLeast('V', 18),
});
const SUPPLY = between('V', 18, 30);

/** The device reads its line as high above 13 V and as low below 8 V, and pulls a small current (IEC 61131-9). */
const CQ: Behaviour[] = [
  { model: 'resistor', id: 'cq', a: '4', b: '3', ohms: span('Ω', 8000, 10000, 12000, 'IEC 61131-9') },
  {
    model: 'threshold',
    id: 'hears',
    a: '4',
    b: '3',
    on: exact('V', 13, 'IEC 61131-9'),
    off: exact('V', 8, 'IEC 61131-9'),
  },
];

const CLASS_A: DeviceDescription = {
  id: 'io-link-a',
  name: 'IO-Link device, port class A',
  title: 'IO-Link, class A',
  group: GROUP,
  handling: IO_LINK,
  terminals: [
    { name: '1', role: 'plus', pin: 1, colour: 'BN', words: 'L+' },
    { name: '2', role: 'complement', pin: 2, colour: 'WH', words: 'switching output' },
    { name: '3', role: 'minus', pin: 3, colour: 'BU', words: 'L−' },
    { name: '4', role: 'dataLine', pin: 4, colour: 'BK', words: 'C/Q' },
  ],
  supply: { plus: '1', minus: '3', volts: SUPPLY },
  outputs: [
    communicating('io-link', ['4'], {
      element: 'hears',
      across: ['4', '3'],
      expects: { always: ['fed'], present: ['hears'] },
    }),
    {
      id: 'second',
      label: 'Switching output',
      drivenBy: 'value',
      switchesAt: 0.5,
      terminals: ['2'],
      kinds: ['pushpull'],
      logics: ['nc'],
      landsOn: 'switched',
      rule: 'by-kind',
      element: 'complement',
      rated: atMost('A', 0.1),
      fightsClass: 'B',
      words: { present: 'Value past the switch point', away: 'Value short of the switch point' },
      stimulus: 'the real value, or its switch point moved past it',
    },
  ],
  behaviours: [
    fed('1', '3', 600),
    ...CQ,
    {
      model: 'transistor-output',
      id: 'complement',
      output: 'second',
      plus: '1',
      minus: '3',
      out: '2',
      drop: span('V', 0.5, 1, 2),
      leakage: span('A', 0, 0.00001, 0.0001),
      rated: atMost('A', 0.1),
      minimum: atLeast('V', 18),
    },
  ],
  face: [
    { a: '1', b: '3', glyph: { kind: 'line', id: 'supply' } },
    { a: '4', b: '2', glyph: { kind: 'state', id: 'hears', text: 'C/Q' } },
  ],
  indicators: [{ id: 'fed', label: 'Device LED', kind: 'lamp' }],
};

const CLASS_B: DeviceDescription = {
  id: 'io-link-b',
  name: 'IO-Link actuator, port class B',
  title: 'IO-Link, class B',
  group: GROUP,
  handling: IO_LINK,
  terminals: [
    { name: '1', role: 'plus', pin: 1, colour: 'BN', words: 'L+' },
    { name: '2', role: 'extraPlus', pin: 2, colour: 'WH', words: 'P24' },
    { name: '3', role: 'minus', pin: 3, colour: 'BU', words: 'L−' },
    { name: '4', role: 'dataLine', pin: 4, colour: 'BK', words: 'C/Q' },
    { name: '5', role: 'extraMinus', pin: 5, colour: 'GY', words: 'N24' },
  ],
  supply: { plus: '1', minus: '3', volts: SUPPLY },
  outputs: [
    communicating('io-link', ['4'], {
      element: 'hears',
      across: ['4', '3'],
      expects: { always: ['fed', 'powered'], present: ['hears'] },
    }),
  ],
  behaviours: [
    fed('1', '3', 600),
    ...CQ,
    { model: 'resistor', id: 'power', a: '2', b: '5', ohms: tolerant('Ω', 60, 10) },
    { model: 'threshold', id: 'powered', a: '2', b: '5', on: exact('V', 20), off: exact('V', 18) },
  ],
  face: [
    { a: '1', b: '3', glyph: { kind: 'line', id: 'supply' } },
    { a: '4', glyph: { kind: 'state', id: 'hears', text: 'C/Q' } },
    { a: '2', b: '5', glyph: { kind: 'resistor', id: 'power', text: 'power' } },
  ],
  indicators: [
    { id: 'fed', label: 'Device LED', kind: 'lamp' },
    { id: 'powered', label: 'Power LED', kind: 'lamp' },
  ],
};

const LINE = 'TIA/EIA-485';

/** What takes part in a serial line: its terminals, settings, signal, and one unit load (12 kΩ from each line). */
export const SERIAL_LINK = {
  terminals: [
    { name: 'D1', role: 'lineB', words: 'positive line', colour: 'YE' },
    { name: 'D0', role: 'lineA', words: 'negative line', colour: 'GN' },
    { name: 'C', role: 'lineCommon', words: 'common', colour: 'GY' },
  ],
  settings: [
    {
      key: 'naming',
      label: 'Lettering of the two lines',
      place: 'version',
      choices: [
        { value: 'ab', label: 'D1 is marked B or +, D0 is marked A or −' },
        { value: 'ba', label: 'D1 is marked A or +, D0 is marked B or −' },
      ],
    },
    {
      key: 'terminator',
      from: 'line.terminator',
      label: 'Terminator 120 Ω',
      place: 'switch',
      choices: [
        { value: 'off', label: 'Off' },
        { value: 'on', label: 'On' },
      ],
    },
  ],
  output: communicating('serial', ['D1', 'D0', 'C'], {
    element: 'mark',
    across: ['D1', 'D0'],
    words: { present: 'Line at mark', away: 'Line at space' },
    expects: { always: ['fed'], present: ['mark'], away: ['space'] },
  }),
  behaviours: [
    { model: 'resistor', id: 'load1', a: 'D1', b: 'C', ohms: exact('Ω', 12000, LINE) },
    { model: 'resistor', id: 'load0', a: 'D0', b: 'C', ohms: exact('Ω', 12000, LINE) },
    {
      model: 'resistor',
      id: 'terminator',
      a: 'D1',
      b: 'D0',
      ohms: tolerant('Ω', 120, 1, LINE),
      onlyIf: { setting: 'terminator', is: 'on' },
    },
    {
      model: 'threshold',
      id: 'mark',
      a: 'D1',
      b: 'D0',
      on: exact('V', 0.2, LINE),
      off: exact('V', 0.199, LINE),
    },
    {
      model: 'threshold',
      id: 'space',
      a: 'D0',
      b: 'D1',
      on: exact('V', 0.2, LINE),
      off: exact('V', 0.199, LINE),
    },
  ],
  face: { a: 'D1', b: 'D0', glyph: { kind: 'state', id: 'mark', text: 'receiver' } },
} as const satisfies {
  terminals: readonly PartTerminal[];
  settings: readonly Setting[];
  output: OutputDescription;
  behaviours: readonly Behaviour[];
  face: FaceRow;
};

const SERIAL_UNIT: DeviceDescription = {
  id: 'serial-unit',
  name: 'Unit on a serial line (RS-485, two wires and common)',
  title: 'RS-485',
  group: GROUP,
  handling: POWER_SERIAL,
  terminals: [
    { name: 'V+', role: 'plus', words: 'supply plus', colour: 'BN' },
    { name: 'V-', role: 'minus', words: 'supply minus', colour: 'BU' },
    ...SERIAL_LINK.terminals,
    { name: 'SH', role: 'earth', words: 'screen' },
  ],
  supply: { plus: 'V+', minus: 'V-', volts: SUPPLY },
  settings: [...SERIAL_LINK.settings],
  outputs: [SERIAL_LINK.output],
  behaviours: [
    fed('V+', 'V-', 400),
    ...SERIAL_LINK.behaviours,
    { model: 'resistor', id: 'screen', a: 'SH', b: 'C', ohms: exact('Ω', 1e6) },
  ],
  face: [
    { a: 'V+', b: 'V-', glyph: { kind: 'line', id: 'supply' } },
    SERIAL_LINK.face,
    { a: 'C', b: 'SH', glyph: { kind: 'line' } },
  ],
  indicators: [{ id: 'fed', label: 'Unit LED', kind: 'lamp' }],
};

const ETHERNET_DEVICE: DeviceDescription = {
  id: 'net-device',
  name: 'Device on Ethernet',
  title: 'Ethernet',
  group: GROUP,
  handling: POWER_ETHERNET,
  terminals: [
    { name: 'V+', role: 'plus', words: 'supply plus', colour: 'BN' },
    { name: 'V-', role: 'minus', words: 'supply minus', colour: 'BU' },
    { name: 'X1', role: 'socket', words: 'network socket' },
  ],
  supply: { plus: 'V+', minus: 'V-', volts: SUPPLY },
  outputs: [
    communicating('ethernet', ['X1'], {
      element: 'link',
      words: { present: 'Switch on', away: 'Switch off' },
      expects: { always: ['fed'], present: ['link'] },
    }),
  ],
  // The link is no direct voltage; a carrier of 1 V stands for it, so that it can be followed along the cable.
  behaviours: [
    fed('V+', 'V-', 300),
    { model: 'resistor', id: 'terminated', a: 'X1', b: 'V-', ohms: exact('Ω', 1e5) },
    {
      model: 'threshold',
      id: 'link',
      a: 'X1',
      b: 'V-',
      on: exact('V', 0.5, 'stands for the carrier'),
      off: exact('V', 0.2, 'stands for the carrier'),
      either: true,
    },
  ],
  face: [
    { a: 'V+', b: 'V-', glyph: { kind: 'line', id: 'supply' } },
    { a: 'X1', glyph: { kind: 'state', id: 'link', text: 'link' } },
  ],
  indicators: [
    { id: 'fed', label: 'Device LED', kind: 'lamp' },
    { id: 'link', label: 'Link LED', kind: 'lamp' },
  ],
};

export const FIELDBUS_DEVICES: readonly DeviceDescription[] = [
  CLASS_A,
  CLASS_B,
  SERIAL_UNIT,
  ETHERNET_DEVICE,
];
