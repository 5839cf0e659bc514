import { nth } from '../../lists/index.ts';
import { coil, DC, rating, SUPPRESSOR } from './relays.ts';
import type { DeviceDescription, OutputDescription } from '../description/deviceDescription.ts';
import { exact } from '../description/figure.ts';
import type { PartTerminal } from '../description/terminals.ts';
import type { Setting } from '../parameters.ts';

const DUTY: Setting = {
  key: 'duty',
  label: 'It is to be on',
  place: 'version',
  choices: [
    { value: 'present', label: 'With the target' },
    { value: 'away', label: 'Without the target' },
  ],
};

/** An output of which a device is the load. */
export const commanded = (terminals: string[], more: Partial<OutputDescription> = {}): OutputDescription => ({
  id: 'load',
  label: 'Load',
  drivenBy: 'command',
  terminals,
  kinds: ['none'],
  logics: ['none'],
  landsOn: 'load',
  rule: 'load',
  element: 'load',
  carries: [],
  across: [nth(terminals, 0), nth(terminals, 1)],
  expects: { present: ['load'] },
  words: { present: 'Output on', away: 'Output off' },
  stimulus: 'the output, switched by the program or forced',
  ...more,
});

interface Load {
  readonly kind: 'resistive' | 'motor' | 'filament' | 'led' | 'coil';
  readonly volts: number;
  readonly watts: number;
  readonly current: 'dc' | 'ac' | 'any';
  readonly inrush: number;
  /** Its energy moves or heats something. */
  readonly moves?: true;
}

const figures = ({ volts, watts, inrush }: Load) => ({
  volts: exact('V', volts, 'rated'),
  watts: exact('W', watts, 'rated'),
  inrush: exact('', inrush),
});

export function load(id: string, name: string, title: string, rated: Load): DeviceDescription {
  return {
    id,
    name,
    title,
    group: 'Loads',
    part: true,
    ...(rated.moves && { moves: 'load' }),
    terminals: [
      { name: '1', role: 'loadPlus' },
      { name: '2', role: 'loadMinus' },
    ],
    settings: [DUTY],
    outputs: [commanded(['1', '2'])],
    behaviours: [
      {
        model: 'load',
        id: 'load',
        a: '1',
        b: '2',
        kind: rated.kind,
        current: rated.current,
        ...figures(rated),
      },
    ],
    indicators: [{ id: 'load', label: name.split(',')[0] ?? name, kind: 'load' }],
    ...((rated.volts > 60 || rated.kind === 'motor') && {
      cautions: {
        ...(rated.volts > 60 && { isolate: 'This load is on mains.' }),
        ...(rated.kind === 'motor' && { follow: 'The drive turns as soon as the contact closes.' }),
      },
    }),
  };
}

export const POLAR: PartTerminal[] = [
  { name: '+', role: 'loadPlus' },
  { name: '-', role: 'loadMinus' },
];
const LED_24: Load = { kind: 'led', volts: 24, watts: 0.36, current: 'dc', inrush: 1 };
const TIER: Load = { ...LED_24, watts: 1 };

const CONTACTOR: DeviceDescription = {
  id: 'contactor-24dc',
  name: 'Contactor, coil 24 V DC, with mirror contact',
  title: 'contactor',
  group: 'Loads',
  part: true,
  welds: 'welded',
  mirror: ['21', '22'],
  moves: 'load',
  terminals: [
    { name: 'A1', role: 'loadPlus', words: 'coil' },
    { name: 'A2', role: 'loadMinus', words: 'coil' },
    { name: '1', words: 'main' },
    { name: '2', words: 'main' },
    { name: '21', words: 'mirror NC' },
    { name: '22', words: 'mirror NC' },
  ],
  settings: [SUPPRESSOR, DUTY],
  outputs: [commanded(['A1', 'A2'])],
  behaviours: [
    coil('load', { ...DC, words: '', volts: 24, ohms: 190 }),
    {
      model: 'contact',
      id: 'main',
      a: '1',
      b: '2',
      closed: { any: [{ forced: 'welded' }, { on: 'load' }] },
      ohms: exact('Ω', 0.002),
    },
    {
      model: 'contact',
      id: 'mirror',
      a: '21',
      b: '22',
      closed: { all: [{ not: { forced: 'welded' } }, { not: { on: 'load' } }] },
    },
  ],
  contacts: rating(1, 12, 120, 17, 0.05, 400),
  indicators: [{ id: 'load', label: 'Contactor', kind: 'load' }],
};

const STACK_LIGHT: DeviceDescription = {
  id: 'stack-light-3',
  name: 'Stack light, three tiers, 24 V DC',
  title: 'stack light',
  group: 'Loads',
  part: true,
  tiers: { terminals: ['1', '2', '3'], common: 'C', setting: 'common' },
  terminals: [
    { name: 'C', words: 'common' },
    { name: '1', words: 'lowest tier' },
    { name: '2', words: 'middle tier' },
    { name: '3', words: 'top tier' },
  ],
  settings: [
    {
      key: 'common',
      label: 'Common of the tiers',
      place: 'version',
      choices: [
        { value: 'minus', label: 'Common minus' },
        { value: 'plus', label: 'Common plus' },
      ],
    },
    ...[1, 2, 3].map((tier) => ({
      ...DUTY,
      key: `duty${tier}`,
      label: `Tier ${tier} is to be on`,
      choices: [...DUTY.choices, { value: 'unused', label: 'Unused' }],
    })),
  ],
  outputs: [],
  behaviours: ['1', '2', '3'].map((tier) => ({
    model: 'led-lamp',
    id: `tier${tier}`,
    plus: tier,
    minus: 'C',
    reversed: { setting: 'common', is: 'plus' },
    kind: 'led',
    current: 'dc',
    ...figures(TIER),
  })),
  indicators: [1, 2, 3].map((tier) => ({ id: `tier${tier}`, label: `Tier ${tier}`, kind: 'load' })),
};

export const LOADS: readonly DeviceDescription[] = [
  {
    ...load('lamp-led-24', 'Indicator lamp, LED, 24 V DC', 'lamp', LED_24),
    terminals: POLAR,
    outputs: [commanded(['+', '-'])],
    behaviours: [
      {
        model: 'led-lamp',
        id: 'load',
        plus: '+',
        minus: '-',
        kind: 'led',
        current: 'dc',
        ...figures(LED_24),
      },
    ],
  },
  load('lamp-230', 'Indicator lamp, 230 V AC', 'lamp', {
    kind: 'led',
    volts: 230,
    watts: 2.6,
    current: 'ac',
    inrush: 2,
  }),
  load('lamp-filament-24', 'Filament lamp, 24 V, 5 W', 'lamp', {
    kind: 'filament',
    volts: 24,
    watts: 5,
    current: 'any',
    inrush: 10,
  }),
  load('fan-230', 'Fan, 230 V AC, 45 W', 'fan', {
    kind: 'motor',
    volts: 230,
    watts: 45,
    current: 'ac',
    inrush: 6,
    moves: true,
  }),
  load('pump-230', 'Pump, 230 V AC, 750 W', 'pump', {
    kind: 'motor',
    volts: 230,
    watts: 750,
    current: 'ac',
    inrush: 6,
    moves: true,
  }),
  load('heater-230', 'Heater, 230 V AC, 1.5 kW', 'heater', {
    kind: 'resistive',
    volts: 230,
    watts: 1500,
    current: 'ac',
    inrush: 1,
    moves: true,
  }),
  load('valve-24', 'Solenoid valve, 24 V DC, 8 W', 'valve', {
    kind: 'coil',
    volts: 24,
    watts: 8,
    current: 'dc',
    inrush: 1,
    moves: true,
  }),
  load('valve-230', 'Solenoid valve, 230 V AC, 12 W', 'valve', {
    kind: 'coil',
    volts: 230,
    watts: 12,
    current: 'ac',
    inrush: 2,
    moves: true,
  }),
  load('beacon-230', 'Beacon, LED, 230 V AC, 6 W', 'beacon', {
    kind: 'led',
    volts: 230,
    watts: 6,
    current: 'ac',
    inrush: 4,
  }),
  load('horn-230', 'Horn, 230 V AC, 5 W', 'horn', {
    kind: 'resistive',
    volts: 230,
    watts: 5,
    current: 'ac',
    inrush: 1,
  }),
  load('horn-24', 'Horn, 24 V DC, 3 W', 'horn', {
    kind: 'resistive',
    volts: 24,
    watts: 3,
    current: 'dc',
    inrush: 1,
  }),
  STACK_LIGHT,
  CONTACTOR,
];
