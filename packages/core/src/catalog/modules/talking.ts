import { exactly, IEC_61131_2, percent, within } from '../../circuit/index.ts';
import type { Element } from '../../circuit/index.ts';
import { contact, resistor, transistorOutput } from '../behaviours/switching.ts';
import type { ModuleType, Port } from '../types.ts';
import { moduleSupply, SUPPLY_TERMINALS_OF_MODULE } from './analog.ts';
import { LINE_FRAME } from '../handling/talking.ts';
import { inputElement, NETWORK } from './inputs.ts';
import { portParameters } from './parameters.ts';

function talkingPort(n: number, portClass: 'A' | 'B'): Port {
  return {
    kind: 'io-link',
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
  };
}

function ioLinkMaster(classes: readonly ('A' | 'B')[]): ModuleType {
  const ports = classes.map((portClass, n) => talkingPort(n + 1, portClass));
  const withPower = classes.includes('B');
  return {
    id: `iol-${classes.join('').toLowerCase()}`,
    name: `IO-Link master, ${classes.length} ports${withPower ? `, class B from port ${classes.indexOf('B') + 1}` : ', class A'}`,
    family: 'io-link master',
    parameters: ports.flatMap(({ name }) => portParameters(name, `Port ${name.slice(1)}`)),
    groups: [],
    ports: () => ports,
    terminals: [
      ...classes.flatMap((portClass, n) =>
        ['1', '2', '3', '4', ...(portClass === 'B' ? ['5'] : [])].map((pin) => ({ name: `${n + 1}.${pin}` })),
      ),
      ...SUPPLY_TERMINALS_OF_MODULE,
      ...(withPower
        ? [
            { name: 'P+', role: 'extraPlus' as const, words: 'power plus' },
            { name: 'P-', role: 'extraMinus' as const, words: 'power minus' },
          ]
        : []),
    ],
    circuit: ({ forced }) => [
      ...classes.flatMap((portClass, n): Element[] => {
        const pin = (p: number): string => `${n + 1}.${p}`;
        return [
          resistor(`feed${n + 1}`, 'L+', pin(1), exactly(0.3)),
          resistor(`back${n + 1}`, pin(3), 'M', exactly(0.05)),
          transistorOutput(
            `P${n + 1}`,
            { plus: pin(1), out: pin(4), minus: pin(3) },
            'pushpull',
            forced.has(`P${n + 1}`),
            { dropVolts: within(0.5, 1, 2), ratedAmps: 0.25, leastVolts: 18 },
          ),
          ...(portClass === 'A'
            ? [inputElement(`I${n + 1}`, pin(2), pin(3), 'sink', NETWORK[3], IEC_61131_2[3])]
            : [
                resistor(`power${n + 1}`, 'P+', pin(2), exactly(0.1)),
                resistor(`return${n + 1}`, pin(5), 'P-', exactly(0.05)),
              ]),
        ];
      }),
      ...moduleSupply(400),
    ],
  };
}

const serialModule: ModuleType = {
  id: 'serial-master',
  name: 'Serial port (RS-485, two wires and common), with switchable bias and terminator',
  family: 'serial master',
  parameters: LINE_FRAME,
  groups: [],
  ports: () => [
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
    ...SUPPLY_TERMINALS_OF_MODULE,
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
  circuit: ({ settings, forced }) => [
    {
      kind: 'source',
      id: 'five',
      plus: '~5',
      minus: 'C',
      volts: percent(5, 2),
      innerOhms: exactly(1),
      limitAmps: exactly(0.25),
    },
    // A driver pulls one line up and the other down over its own resistance; idle, it lets go of both.
    ...(['1', '0'] as const).flatMap((line): Element[] => {
      const up = forced.has('idle') ? false : forced.has('BUS') === (line === '1');
      const down = forced.has('idle') ? false : !up;
      return [
        contact(`up${line}`, '~5', `~d${line}`, up, exactly(10)),
        contact(`down${line}`, `~d${line}`, 'C', down, exactly(10)),
        resistor(`driver${line}`, `~d${line}`, `D${line}`, exactly(15)),
        resistor(`load${line}`, `D${line}`, 'C', exactly(12000)),
      ];
    }),
    ...(settings.terminator === 'off' ? [] : [resistor('terminator', 'D1', 'D0', percent(120, 1))]),
    ...(settings.bias === 'off'
      ? []
      : [resistor('bias1', '~5', 'D1', exactly(390)), resistor('bias0', 'D0', 'C', exactly(390))]),
    resistor('tie', 'C', 'M', exactly(100)),
    ...moduleSupply(600),
  ],
};

const SOCKETS = [1, 2, 3, 4, 5].map((n) => `X${n}`);

const switchModule: ModuleType = {
  id: 'net-switch-5',
  name: 'Ethernet switch, five sockets',
  family: 'switch',
  groups: [],
  ports: () =>
    SOCKETS.map((name, n) => ({
      kind: 'ethernet' as const,
      channel: n,
      label: `socket ${n + 1}`,
      name,
      terminal: name,
      common: 'M',
      roles: { socket: name },
    })),
  terminals: [...SOCKETS.map((name) => ({ name, words: 'network socket' })), ...SUPPLY_TERMINALS_OF_MODULE],
  // A carrier of 1 V stands for the link; see the devices on Ethernet.
  circuit: ({ forced }) => [
    {
      kind: 'source',
      id: 'one',
      plus: '~1',
      minus: 'M',
      volts: exactly(1),
      innerOhms: exactly(1),
      limitAmps: exactly(0.1),
    },
    contact('live', '~1', '~2', { on: 'fed' }),
    ...SOCKETS.map((name) => contact(name, '~2', name, forced.has(name), exactly(100))),
    ...moduleSupply(300),
  ],
};

export const TALKING_MODULES: readonly ModuleType[] = [
  ioLinkMaster(['A', 'A', 'A', 'A']),
  ioLinkMaster(['A', 'A', 'B', 'B']),
  ioLinkMaster(['A', 'A', 'A', 'A', 'B', 'B']),
  ioLinkMaster(Array.from({ length: 8 }, () => 'A' as const)),
  serialModule,
  switchModule,
];
