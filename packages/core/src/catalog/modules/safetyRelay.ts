import type { Expression } from '../description/expression.ts';
import { atLeast, atMost, exact, span, tolerant } from '../description/figure.ts';
import type { ModuleDescription, PortDescription } from '../description/moduleDescription.ts';
import type { PartTerminal } from '../description/terminals.ts';

type Behaviour = ModuleDescription['behaviours'][number];

const LEVELS: readonly PartTerminal['stacking'][] = [
  { row: 'top', level: 'front' },
  { row: 'top', level: 'back' },
  { row: 'bottom', level: 'front' },
  { row: 'bottom', level: 'back' },
];

/** Terminals of the safety relay in the order of its blocks: four places a block. */
const TERMINALS: readonly (readonly [string, string])[] = [
  ['A1', 'supply plus'],
  ['T1', 'test output 1'],
  ['A2', 'supply minus'],
  ['T2', 'test output 2'],
  ['1A', 'input 1, channel A'],
  ['1B', 'input 1, channel B'],
  ['2A', 'input 2, channel A'],
  ['2B', 'input 2, channel B'],
  ['RI', 'reset input'],
  ['FB', 'feedback input'],
  ['41', 'status contact NC'],
  ['42', 'status contact NC'],
  ['13', 'safe contact'],
  ['14', 'safe contact'],
  ['23', 'safe contact'],
  ['24', 'safe contact'],
];

/** What holds while a setting stands at each of its choices. */
const bySetting = (setting: string, choices: Readonly<Record<string, Expression>>): Expression => ({
  any: Object.entries(choices).map(([is, holds]) => ({ all: [{ setting, is }, holds] })),
});

const DEMAND = bySetting('selector', {
  '1': { on: 'in1' },
  either: { any: [{ on: 'in1' }, { on: 'in2' }] },
  both: { all: [{ on: 'in1' }, { on: 'in2' }] },
});
const RESET = bySetting('reset', {
  automatic: true,
  manual: { on: 'reset' },
  monitored: { all: [{ was: 'reset' }, { not: { on: 'reset' } }] },
});

const safetyInput = (id: string, terminal: string): Behaviour[] => [
  { model: 'resistor', id: `${id}-load`, a: terminal, b: 'A2', ohms: span('Ω', 4200, 4700, 5200) },
  { model: 'threshold', id, a: terminal, b: 'A2', on: exact('V', 15), off: exact('V', 5) },
];

const safetyPort = (n: 1 | 2): PortDescription => ({
  kind: 'safety',
  channel: n - 1,
  label: `input ${n}`,
  name: `in${n}`,
  terminal: `${n}A`,
  common: 'A2',
  roles: { channel1: 'T1', channel1Return: `${n}A`, channel2: 'T2', channel2Return: `${n}B` },
  detectors: [`in${n}a`, `in${n}b`],
  both: `in${n}`,
  released: 'released',
  gives: ['safe1', 'safe2'],
  starts: { from: 'T1', reset: 'RI', feedback: 'FB' },
});

export const SAFETY_RELAY: ModuleDescription = {
  id: 'safety-relay-2',
  name: 'Safety relay: two inputs of two channels, selector, reset, feedback, two safe contacts',
  title: 'safety relay',
  group: 'Safety relay',
  terms: ['E-stop', 'guard', 'interlock', 'two channels', 'reset'],
  tag: 'SR',
  safety: true,
  groups: [],
  ports: [safetyPort(1), safetyPort(2)],
  terminals: TERMINALS.map(([name, words], i) => ({
    name,
    words,
    stacking: LEVELS[i % 4],
    ...(name === 'A1' && { role: 'plus' as const }),
    ...(name === 'A2' && { role: 'minus' as const }),
  })),
  settings: [
    {
      key: 'selector',
      label: 'Function selector',
      from: 'safety.selector',
      place: 'switch',
      choices: [
        { value: '1', label: '1: input 1 only, input 2 does not count' },
        { value: 'either', label: '2: either input releases' },
        { value: 'both', label: '3: both inputs must be there' },
      ],
    },
    {
      key: 'reset',
      label: 'Reset',
      place: 'switch',
      usual: {
        value: 'monitored',
        why: 'manual and monitored wherever a person can stand behind the guard; the risk assessment decides',
      },
      caution: {
        value: 'automatic',
        text: 'The machine can start by itself as soon as the guard closes. Only where nobody can stand behind it, and only as the risk assessment of a competent person says.',
      },
      choices: [
        { value: 'monitored', label: 'Manual, monitored: on release of the button' },
        { value: 'manual', label: 'Manual: on press' },
        { value: 'automatic', label: 'Automatic' },
      ],
    },
  ],
  behaviours: [
    {
      model: 'supply',
      id: 'supply',
      plus: 'A1',
      minus: 'A2',
      ohms: tolerant('Ω', 300, 20),
      minimum: atLeast('V', 20),
      drops: atMost('V', 18),
    },
    // The test outputs carry plus; each is switched off in turn, so that a joint between the channels shows.
    ...[1, 2].map((n): Behaviour => ({
      model: 'contact',
      id: `test${n}`,
      a: 'A1',
      b: `~t${n}`,
      closed: { all: [{ not: { forced: `test${n}` } }, { on: 'fed' }] },
    })),
    ...[1, 2].map((n): Behaviour => ({
      model: 'resistor',
      id: `testline${n}`,
      a: `~t${n}`,
      b: `T${n}`,
      ohms: span('Ω', 15, 22, 30),
    })),
    ...safetyInput('in1a', '1A'),
    ...safetyInput('in1b', '1B'),
    ...safetyInput('in2a', '2A'),
    ...safetyInput('in2b', '2B'),
    ...safetyInput('reset', 'RI'),
    ...safetyInput('feedback', 'FB'),
    ...[1, 2].map((n): Behaviour => ({
      model: 'latch',
      id: `in${n}`,
      set: true,
      hold: { all: [{ on: `in${n}a` }, { on: `in${n}b` }] },
    })),
    {
      model: 'latch',
      id: 'released',
      set: { all: [{ on: 'feedback' }, RESET] },
      hold: { all: [{ on: 'fed' }, DEMAND] },
    },
    { model: 'contact', id: 'safe1', a: '13', b: '14', closed: { on: 'released' } },
    { model: 'contact', id: 'safe2', a: '23', b: '24', closed: { on: 'released' } },
    { model: 'contact', id: 'status', a: '41', b: '42', closed: { not: { on: 'released' } } },
  ],
  face: [
    { a: 'A1', b: 'A2', glyph: { kind: 'line', id: 'supply' } },
    { a: 'T1', b: '1A', glyph: { kind: 'state', id: 'in1a', text: 'channel 1' } },
    { a: 'T2', b: '1B', glyph: { kind: 'state', id: 'in1b', text: 'channel 2' } },
    { b: '2A', glyph: { kind: 'state', id: 'in2a', text: 'input 2' } },
    { b: '2B', glyph: { kind: 'state', id: 'in2b', text: 'input 2' } },
    { a: 'RI', glyph: { kind: 'state', id: 'reset', text: 'reset' } },
    { a: 'FB', glyph: { kind: 'state', id: 'feedback', text: 'feedback' } },
    { a: '13', b: '14', glyph: { kind: 'slot', id: 'safe1' } },
    { a: '23', b: '24', glyph: { kind: 'slot', id: 'safe2' } },
    { a: '41', b: '42', glyph: { kind: 'slot', id: 'status', text: 'display only' } },
  ],
  indicators: [
    { id: 'fed', label: 'Supply LED', kind: 'lamp' },
    { id: 'in1', label: 'Input 1', kind: 'state' },
    { id: 'in2', label: 'Input 2', kind: 'state' },
    { id: 'released', label: 'Safe contacts', kind: 'coil' },
  ],
  cautions: { follow: 'What the safe contacts release can move. Clear the machine before reset.' },
};
