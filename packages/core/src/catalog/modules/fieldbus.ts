import { atLeast, atMost, exact, span, tolerant } from '../description/figure.ts';
import type { ModuleDescription, PortDescription } from '../description/moduleDescription.ts';
import { LINE_FRAME } from '../handling/fieldbus.ts';
import { portMode, portParameters } from './parameters.ts';
import { iecInput, moduleSupply, signalRoles, SUPPLY_TERMINALS } from './parts.ts';

type Behaviour = ModuleDescription['behaviours'][number];

/** A port of a master as one that talks. */
const masterPort = (n: number, portClass: 'A' | 'B'): PortDescription => ({
  kind: 'io-link',
  when: { setting: `P${n}.mode`, is: ['iolink', 'undefined', 'off', 'output'] },
  channel: n - 1,
  label: `port ${n}, class ${portClass}`,
  name: `P${n}`,
  terminal: `${n}.4`,
  common: `${n}.3`,
  portClass,
  roles: {
    plus: `${n}.1`,
    minus: `${n}.3`,
    dataLine: `${n}.4`,
    ...(portClass === 'A' ? { complement: `${n}.2` } : { extraPlus: `${n}.2`, extraMinus: `${n}.5` }),
  },
});

/** The same port as an input for any sensor that switches plus: its pin 4 senses then. */
const inputPort = (n: number, portClass: 'A' | 'B'): PortDescription => ({
  kind: 'digital',
  when: { setting: `P${n}.mode`, is: ['input'] },
  channel: n - 1,
  label: `port ${n}, class ${portClass}, as an input`,
  name: `P${n}`,
  terminal: `${n}.4`,
  common: `${n}.3`,
  inside: { rail: '-', volts: 24 },
  roles: {
    ...signalRoles(`${n}.4`),
    plus: `${n}.1`,
    minus: `${n}.3`,
    sideA: `${n}.1`,
    ...(portClass === 'A' && { complement: `${n}.2` }),
  },
  input: 'pin4',
  sense: 'sink',
  iecType: 1,
});

function portBehaviours(n: number, portClass: 'A' | 'B'): Behaviour[] {
  const pin = (p: number): string => `${n}.${p}`;
  return [
    { model: 'resistor', id: `feed${n}`, a: 'L+', b: pin(1), ohms: exact('Ω', 0.3) },
    { model: 'resistor', id: `back${n}`, a: pin(3), b: 'M', ohms: exact('Ω', 0.05) },
    {
      model: 'transistor-output',
      id: `driver${n}`,
      onlyIf: { not: { setting: `P${n}.mode`, is: 'input' } },
      plus: pin(1),
      minus: pin(3),
      out: pin(4),
      style: 'pushpull',
      active: { forced: `P${n}` },
      drop: span('V', 0.5, 1, 2),
      leakage: span('A', 0, 0.00001, 0.0001),
      rated: atMost('A', 0.25),
      minimum: atLeast('V', 18),
    },
    ...(portClass === 'A'
      ? []
      : [
          { model: 'resistor' as const, id: `power${n}`, a: 'P+', b: pin(2), ohms: exact('Ω', 0.1) },
          { model: 'resistor' as const, id: `return${n}`, a: pin(5), b: 'P-', ohms: exact('Ω', 0.05) },
        ]),
  ];
}

function ioLinkMaster(classes: readonly ('A' | 'B')[]): ModuleDescription {
  const ports = classes.map((portClass, n) => masterPort(n + 1, portClass));
  const inputs = classes.map((portClass, n) => inputPort(n + 1, portClass));
  const withPower = classes.includes('B');
  const classA = classes.flatMap((portClass, n) => (portClass === 'A' ? [n + 1] : []));
  return {
    id: `iol-${classes.join('').toLowerCase()}`,
    name: `IO-Link master, ${classes.length} ports${withPower ? `, class B from port ${classes.indexOf('B') + 1}` : ', class A'}`,
    title: 'io-link master',
    group: 'IO-Link master',
    terms: ['smart sensor', 'gateway', 'C/Q', 'port'],
    tag: 'IOL',
    fieldbus: 'io-link',
    settings: ports.map(({ name }) => portMode(name, `Port ${name.slice(1)}`)),
    parameters: ports.flatMap(({ name }) => portParameters(name, `Port ${name.slice(1)}`)),
    groups: [],
    ports: [...ports, ...inputs],
    terminals: [
      ...classes.flatMap((portClass, n) =>
        ['1', '2', '3', '4', ...(portClass === 'B' ? ['5'] : [])].map((pin) => ({ name: `${n + 1}.${pin}` })),
      ),
      ...SUPPLY_TERMINALS,
      ...(withPower
        ? [
            { name: 'P+', role: 'extraPlus' as const, words: 'power plus' },
            { name: 'P-', role: 'extraMinus' as const, words: 'power minus' },
          ]
        : []),
    ],
    behaviours: [
      ...classes.flatMap((portClass, n) => portBehaviours(n + 1, portClass)),
      { model: 'optocoupler-input', id: 'pin4', ...iecInput(1) },
      {
        model: 'optocoupler-input',
        id: 'pin2',
        ...iecInput(3),
        at: classA.map((n) => ({
          id: `I${n}`,
          terminal: `${n}.2`,
          common: `${n}.3`,
          sense: 'sink' as const,
        })),
      },
      moduleSupply(400),
    ],
  };
}

/** A driver pulls one line up and the other down over its own resistance; idle, it lets go of both. */
const lineDriver = (line: '1' | '0'): Behaviour[] => {
  const busy = { not: { forced: 'idle' } };
  const high = line === '1' ? { forced: 'BUS' } : { not: { forced: 'BUS' } };
  return [
    {
      model: 'contact',
      id: `up${line}`,
      a: '~5',
      b: `~d${line}`,
      closed: { all: [busy, high] },
      ohms: exact('Ω', 10),
    },
    {
      model: 'contact',
      id: `down${line}`,
      a: `~d${line}`,
      b: 'C',
      closed: { all: [busy, { not: high }] },
      ohms: exact('Ω', 10),
    },
    { model: 'resistor', id: `driver${line}`, a: `~d${line}`, b: `D${line}`, ohms: exact('Ω', 15) },
    { model: 'resistor', id: `load${line}`, a: `D${line}`, b: 'C', ohms: exact('Ω', 12000, 'TIA/EIA-485') },
  ];
};

const SERIAL_MASTER: ModuleDescription = {
  id: 'serial-master',
  name: 'Serial port (RS-485, two wires and common), with switchable bias and terminator',
  title: 'serial master',
  group: 'Serial master',
  terms: ['Modbus', 'RTU', 'RS-485', 'COM port', 'gateway'],
  tag: 'COM',
  fieldbus: 'serial',
  parameters: [...LINE_FRAME],
  groups: [],
  ports: [
    {
      kind: 'serial',
      channel: 0,
      label: 'serial port',
      name: 'BUS',
      terminal: 'D1',
      common: 'D0',
      inside: { rail: '-', volts: 0 },
      roles: { lineB: 'D1', lineA: 'D0', lineCommon: 'C' },
    },
  ],
  terminals: [
    { name: 'D1', words: 'positive line' },
    { name: 'D0', words: 'negative line' },
    { name: 'C', words: 'common' },
    ...SUPPLY_TERMINALS,
  ],
  settings: [
    {
      key: 'terminator',
      label: 'Terminator 120 Ω',
      from: 'line.terminator',
      place: 'switch',
      choices: [
        { value: 'on', label: 'On' },
        { value: 'off', label: 'Off' },
      ],
    },
    {
      key: 'bias',
      label: 'Bias',
      from: 'line.bias',
      place: 'switch',
      choices: [
        { value: 'on', label: 'On, 390 Ω each' },
        { value: 'off', label: 'Off' },
      ],
    },
  ],
  behaviours: [
    {
      model: 'source',
      id: 'five',
      plus: '~5',
      minus: 'C',
      volts: tolerant('V', 5, 2),
      internal: exact('Ω', 1),
      limit: exact('A', 0.25),
    },
    ...lineDriver('1'),
    ...lineDriver('0'),
    {
      model: 'resistor',
      id: 'terminator',
      a: 'D1',
      b: 'D0',
      ohms: tolerant('Ω', 120, 1, 'TIA/EIA-485'),
      onlyIf: { not: { setting: 'terminator', is: 'off' } },
    },
    ...(
      [
        ['bias1', '~5', 'D1'],
        ['bias0', 'D0', 'C'],
      ] as const
    ).map(([id, a, b]): Behaviour => ({
      model: 'resistor',
      id,
      a,
      b,
      ohms: exact('Ω', 390),
      onlyIf: { not: { setting: 'bias', is: 'off' } },
    })),
    { model: 'resistor', id: 'tie', a: 'C', b: 'M', ohms: exact('Ω', 100) },
    moduleSupply(600),
  ],
};

const SOCKETS = [1, 2, 3, 4, 5].map((n) => `X${n}`);

const ETHERNET_SWITCH: ModuleDescription = {
  id: 'net-switch-5',
  name: 'Ethernet switch, five sockets',
  title: 'switch',
  group: 'Switch',
  terms: ['Ethernet', 'network', 'RJ45', 'sockets'],
  tag: 'NET',
  fieldbus: 'ethernet',
  groups: [],
  ports: SOCKETS.map((name, n) => ({
    kind: 'ethernet',
    channel: n,
    label: `socket ${n + 1}`,
    name,
    terminal: name,
    common: 'M',
    roles: { socket: name },
  })),
  terminals: [...SOCKETS.map((name) => ({ name, words: 'network socket' })), ...SUPPLY_TERMINALS],
  // A carrier of 1 V stands for the link; see the devices on Ethernet.
  behaviours: [
    {
      model: 'source',
      id: 'one',
      plus: '~1',
      minus: 'M',
      volts: exact('V', 1, 'stands for the carrier'),
      internal: exact('Ω', 1),
      limit: exact('A', 0.1),
    },
    { model: 'contact', id: 'live', a: '~1', b: '~2', closed: { on: 'fed' } },
    ...SOCKETS.map((name): Behaviour => ({
      model: 'contact',
      id: name,
      a: '~2',
      b: name,
      closed: { forced: name },
      ohms: exact('Ω', 100),
    })),
    moduleSupply(300),
  ],
};

export const FIELDBUS_MODULES: readonly ModuleDescription[] = [
  ioLinkMaster(['A', 'A', 'A', 'A']),
  ioLinkMaster(['A', 'A', 'B', 'B']),
  ioLinkMaster(['A', 'A', 'A', 'A', 'B', 'B']),
  ioLinkMaster(Array.from({ length: 8 }, () => 'A' as const)),
  SERIAL_MASTER,
  ETHERNET_SWITCH,
];
