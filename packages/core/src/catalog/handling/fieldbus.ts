import type { Parameter } from '../parameters.ts';
import type { Handling } from './handling.ts';
import { SERIAL } from './handling.ts';
import { choices, LANGUAGE, MAINS, PASSWORD } from './menu.ts';

export const BAUDS = ['2400', '4800', '9600', '19200', '38400', '57600', '115200'];

/** Frames by how they are written: data bits, parity, stop bits. */
export const FRAMES = {
  '8E1': '8E1: even parity, 1 stop bit',
  '8O1': '8O1: odd parity, 1 stop bit',
  '8N2': '8N2: no parity, 2 stop bits',
  '8N1': '8N1: no parity, 1 stop bit',
} as const;
export type SerialFrame = keyof typeof FRAMES;

/** Speed and frame, which all of a line must share. */
export const LINE_FRAME: readonly Parameter[] = [
  {
    key: 'baud',
    label: 'Baud',
    kind: 'choice',
    place: 'parameter',
    choices: BAUDS.map((baud) => ({ value: baud, label: baud })),
    factory: '9600',
    from: 'line.baud',
  },
  {
    key: 'frame',
    label: 'Frame',
    kind: 'choice',
    place: 'parameter',
    choices: choices(FRAMES),
    factory: '8N1',
    from: 'line.frame',
  },
];

const UNIT_NUMBER: Parameter = {
  key: 'unit',
  label: 'Unit number',
  kind: 'number',
  place: 'parameter',
  min: 1,
  max: 247,
  factory: '1',
  from: 'line.unit',
};
export const LINE: readonly Parameter[] = [UNIT_NUMBER, ...LINE_FRAME];

const NETWORKS = [
  { value: '1p', label: 'one phase' },
  { value: '3p3w', label: 'three phases, no neutral' },
  { value: '3p4w', label: 'three phases and neutral' },
];

/** What a power monitor needs to know of its circuit, before its line. */
const POWER: readonly Parameter[] = [
  LANGUAGE,
  {
    key: 'mains',
    label: 'Mains frequency',
    kind: 'choice',
    place: 'parameter',
    choices: MAINS.choices,
    factory: '60',
    from: 'mains',
  },
  {
    key: 'system',
    label: 'Network',
    kind: 'choice',
    place: 'parameter',
    choices: [{ value: 'none', label: 'none chosen' }, ...NETWORKS],
    factory: 'none',
    wipes: ['ct', 'vt'],
    from: 'plate.system',
  },
  {
    key: 'ct',
    label: 'Current transformer, primary',
    kind: 'number',
    place: 'parameter',
    unit: 'A',
    min: 1,
    max: 6000,
    factory: '5',
    needs: ['system'],
    from: 'plate.ct',
    caution: 'Never open the secondary of a current transformer that carries current.',
  },
  {
    key: 'vt',
    label: 'Rated voltage',
    kind: 'number',
    place: 'parameter',
    unit: 'V',
    min: 50,
    max: 690,
    factory: '100',
    needs: ['system'],
    from: 'plate.volts',
  },
];

const POWER_PLATE: Handling['plate'] = [
  SERIAL,
  {
    key: 'system',
    label: 'Network',
    kind: 'choice',
    choices: NETWORKS,
    example: 'three phases and neutral',
  },
  {
    key: 'ct',
    label: 'Current transformers, primary',
    kind: 'number',
    unit: 'A',
    min: 1,
    max: 6000,
    example: '100 A',
  },
  { key: 'volts', label: 'Rated voltage', kind: 'number', unit: 'V', min: 50, max: 690, example: '400 V' },
];

const POWER_FIT: Handling['fit'] = [
  {
    key: 'ct',
    title: 'Current transformers closed, arrow towards the load, secondary shorted until it is connected',
    reason: 'Turned, one phase counts backwards.',
    caution:
      'Never open the secondary of a current transformer that carries current. Switchgear only by authorised people under the local code.',
  },
  {
    key: 'order',
    title: 'Phase of each voltage lead equals the phase of its transformer',
    reason: 'Crossed, the power is nonsense while volts and amperes look right.',
  },
];

/** Power monitor on a serial line. */
export const POWER_SERIAL: Handling = {
  fit: POWER_FIT,
  plate: POWER_PLATE,
  parameters: [...POWER, ...LINE, PASSWORD],
};

const NETWORK: readonly Parameter[] = [
  {
    key: 'address',
    label: 'IP address',
    kind: 'text',
    place: 'parameter',
    max: 20,
    factory: '0.0.0.0',
    from: 'net.address',
  },
  {
    key: 'mask',
    label: 'Mask',
    kind: 'text',
    place: 'parameter',
    max: 20,
    factory: '255.255.255.0',
    from: 'net.mask',
    needs: ['address'],
  },
  {
    key: 'gateway',
    label: 'Gateway',
    kind: 'text',
    place: 'parameter',
    max: 20,
    factory: 'none',
    from: 'net.gateway',
    needs: ['mask'],
  },
  {
    key: 'name',
    label: 'Device name',
    kind: 'text',
    place: 'bus',
    max: 240,
    factory: 'none',
    from: 'net.name',
  },
];

/** Power monitor on Ethernet. */
export const POWER_ETHERNET: Handling = {
  fit: [
    ...POWER_FIT,
    {
      key: 'label',
      title: 'Hardware address on the label noted',
      reason: 'Before it has an address of its own, it is found by that.',
    },
  ],
  plate: [
    ...POWER_PLATE,
    { key: 'mac', label: 'Hardware address', kind: 'text', example: '02-00-5E-10-00-1A' },
  ],
  parameters: [...POWER, ...NETWORK, PASSWORD],
};

/** Device behind an IO-Link master: its parameters come from its description file. */
export const IO_LINK: Handling = {
  fit: [
    {
      key: 'plug',
      title: 'Plug tightened, O-ring in',
      reason: 'A loose plug lets water in and drops out when the machine shakes.',
    },
    {
      key: 'length',
      title: 'Cable to the master 20 m or less',
      reason: 'The wake-up pulse reaches no further (IEC 61131-9).',
    },
  ],
  plate: [SERIAL, { key: 'product', label: 'Product name', kind: 'text', example: 'Distance 2 m' }],
  parameters: [],
};
