import type { DeviceDescription } from '../description/deviceDescription.ts';
import { atLeast, atMost, between, exact, span } from '../description/figure.ts';
import { ARC_HANDLING, ARC_LINK_HANDLING } from '../handling/arc.ts';
import { SERIAL_LINK } from './fieldbus.ts';

export const ARC_COIL: DeviceDescription = {
  id: 'arc-coil',
  name: 'Coil sensor for arc protection, closed round a conductor',
  title: 'coil sensor',
  group: 'Between others',
  part: true,
  inline: true,
  terminals: [
    { name: 'k', words: 'winding' },
    { name: 'l', words: 'winding' },
  ],
  settings: [
    {
      key: 'make',
      label: 'Coil',
      place: 'version',
      choices: [
        { value: 'phase', label: 'For a phase, slipped over the conductor' },
        { value: 'split', label: 'For a phase, split: hinged shut until it locks' },
        { value: 'neutral', label: 'For the neutral or the screen of a cable' },
      ],
    },
  ],
  outputs: [],
  behaviours: [{ model: 'resistor', id: 'winding', a: 'k', b: 'l', ohms: span('Ω', 20, 30, 40) }],
  face: [{ a: 'k', b: 'l', glyph: { kind: 'coil' } }],
  cautions: {
    isolate:
      'Switchgear: isolate, earth and prove dead under the local rules before the coil sensors go round a conductor. Only authorised people open switchgear.',
  },
};

export const ARC_UNIT: DeviceDescription = {
  id: 'arc-unit',
  name: 'Current unit for arc protection, chained by fibre',
  title: 'arc protection',
  group: 'Safety',
  safety: true,
  chain: {
    address: 'address',
    last: 'last',
    coils: [1, 2, 3].map((phase) => ({ a: `k${phase}`, b: `l${phase}`, inside: `burden${phase}` })),
  },
  handling: ARC_HANDLING,
  terminals: [
    { name: 'A1', role: 'plus', words: 'supply plus' },
    { name: 'A2', role: 'minus', words: 'supply minus' },
    { name: '11', role: 'sideA', words: 'common' },
    { name: '12', words: 'NC' },
    { name: '14', role: 'sideB', words: 'NO' },
    ...[1, 2, 3].flatMap((phase) => [
      { name: `k${phase}`, words: `coil sensor ${phase}` },
      { name: `l${phase}`, words: `coil sensor ${phase}` },
    ]),
    { name: 'SH', role: 'earth', words: 'screen' },
  ],
  supply: { plus: 'A1', minus: 'A2', volts: between('V', 18, 30) },
  settings: [
    {
      key: 'failSafe',
      usual: { value: 'safe', why: 'fail-safe: it falls off on trip and on loss of supply' },
      label: 'Contact at rest',
      place: 'switch',
      caution: {
        value: 'trip',
        text: 'Without supply nothing trips, and nobody is told. Only where the supply itself is watched.',
        doubtful: true,
      },
      choices: [
        { value: 'safe', label: 'Falls off on trip and on loss of supply' },
        { value: 'trip', label: 'Pulls in on trip' },
      ],
    },
    {
      key: 'address',
      from: 'arc.address',
      label: 'Address switches',
      place: 'switch',
      choices: Array.from({ length: 30 }, (_, i) => ({ value: String(i + 1), label: String(i + 1) })),
    },
    {
      key: 'last',
      from: 'arc.last',
      label: 'Switch for the last unit',
      place: 'switch',
      choices: [
        { value: 'on', label: 'On: it ends the chain' },
        { value: 'off', label: 'Off: another follows' },
      ],
    },
  ],
  outputs: [
    {
      id: 'trip',
      label: 'Trip contact',
      drivenBy: 'target',
      terminals: ['14', '11'],
      kinds: ['contact'],
      logics: ['no'],
      landsOn: 'switched',
      rule: 'trip',
      element: 'coil',
      carries: [],
      words: { present: 'Arc or over-current seen', away: 'Idle' },
      stimulus: 'its own test function; never a real arc',
    },
  ],
  behaviours: [
    {
      model: 'supply',
      id: 'supply',
      plus: 'A1',
      minus: 'A2',
      ohms: span('Ω', 200, 250, 300),
      minimum: atLeast('V', 18),
    },
    {
      model: 'latch',
      id: 'coil',
      set: true,
      hold: {
        all: [
          { on: 'fed' },
          {
            any: [
              { all: [{ setting: 'failSafe', is: 'trip' }, { present: true }] },
              { all: [{ not: { setting: 'failSafe', is: 'trip' } }, { not: { present: true } }] },
            ],
          },
        ],
      },
    },
    { model: 'changeover', id: 'poles', poles: 1, follows: 'coil' },
    ...[1, 2, 3].map((phase) => ({
      model: 'resistor' as const,
      id: `burden${phase}`,
      a: `k${phase}`,
      b: `l${phase}`,
      ohms: exact('Ω', 10000),
    })),
    { model: 'resistor', id: 'screen', a: 'SH', b: 'A2', ohms: exact('Ω', 1e6) },
  ],
  face: [
    { a: 'A1', b: 'A2', glyph: { kind: 'line', id: 'supply' } },
    { a: '11', b: '14', glyph: { kind: 'slot', id: 'no1' } },
    { a: '11', b: '12', glyph: { kind: 'slot', id: 'nc1' } },
    { a: 'k1', b: 'l1', glyph: { kind: 'coil', text: 'coil 1' } },
    { a: 'k2', b: 'l2', glyph: { kind: 'coil', text: 'coil 2' } },
    { a: 'k3', b: 'l3', glyph: { kind: 'coil', text: 'coil 3' } },
    { b: 'SH', glyph: { kind: 'line', text: 'screen' } },
  ],
  contacts: {
    poles: 1,
    amps: exact('A', 5),
    inrush: exact('A', 10),
    maxVolts: exact('V', 250),
    minVolts: exact('V', 5),
    minAmps: exact('A', 0.01),
  },
  indicators: [
    { id: 'coil', label: 'Trip relay', kind: 'coil' },
    { id: 'fed', label: 'Power LED', kind: 'state' },
  ],
  cautions: {
    isolate:
      'Switchgear: isolate, earth and prove dead under the local rules before the coil sensors go round a conductor. Only authorised people open switchgear. Arc flash can kill.',
    follow: 'Never open the secondary of a current transformer that carries current.',
  },
};

/** The same on mains, with a coil for the neutral, an input from outside, protective earth and a serial link. */
export const ARC_UNIT_LINKED: DeviceDescription = {
  ...ARC_UNIT,
  id: 'arc-unit-linked',
  name: 'Current unit for arc protection on mains, with neutral coil, second input and serial link',
  title: 'arc protection, RS-485',
  fed: 'ac',
  handling: ARC_LINK_HANDLING,
  terminals: [
    ...ARC_UNIT.terminals.map((terminal) =>
      terminal.name === 'A1'
        ? { ...terminal, words: 'supply line' }
        : terminal.name === 'A2'
          ? { ...terminal, words: 'supply neutral' }
          : terminal,
    ),
    { name: 'PE', role: 'protectiveEarth', words: 'protective earth' },
    { name: 'kN', words: 'neutral coil' },
    { name: 'lN', words: 'neutral coil' },
    { name: 'B1', words: 'second input' },
    { name: 'B2', words: 'second input' },
    ...SERIAL_LINK.terminals,
  ],
  supply: { plus: 'A1', minus: 'A2', volts: between('V', 85, 264) },
  settings: [...(ARC_UNIT.settings ?? []), ...SERIAL_LINK.settings],
  outputs: [...ARC_UNIT.outputs, SERIAL_LINK.output],
  behaviours: [
    {
      model: 'supply',
      id: 'supply',
      plus: 'A1',
      minus: 'A2',
      ohms: span('Ω', 8000, 10000, 12000),
      minimum: atLeast('V', 85),
      either: true,
    },
    ...ARC_UNIT.behaviours.filter(({ id }) => id !== 'supply' && id !== 'screen'),
    { model: 'resistor', id: 'screen', a: 'SH', b: 'PE', ohms: exact('Ω', 0.05) },
    { model: 'resistor', id: 'burdenN', a: 'kN', b: 'lN', ohms: exact('Ω', 10000) },
    { model: 'resistor', id: 'second-load', a: 'B1', b: 'B2', ohms: span('Ω', 4000, 4700, 5400) },
    {
      model: 'threshold',
      id: 'second',
      a: 'B1',
      b: 'B2',
      on: atMost('V', 15),
      off: atLeast('V', 5),
      either: true,
    },
    ...SERIAL_LINK.behaviours,
  ],
  face: [
    ...(ARC_UNIT.face ?? []).filter(({ b }) => b !== 'SH'),
    { a: 'kN', b: 'lN', glyph: { kind: 'coil', text: 'coil N' } },
    { a: 'B1', b: 'B2', glyph: { kind: 'state', id: 'second', text: 'second input' } },
    { a: 'PE', b: 'SH', glyph: { kind: 'line', id: 'screen' } },
    SERIAL_LINK.face,
  ],
  indicators: [...(ARC_UNIT.indicators ?? []), { id: 'second', label: 'Second input LED', kind: 'state' }],
  cautions: {
    ...ARC_UNIT.cautions,
    isolate: `Fed with mains. ${ARC_UNIT.cautions?.isolate ?? ''}`,
  },
};
