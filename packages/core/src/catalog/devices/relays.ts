import { exactly, percent } from '../../circuit/index.ts';
import { fed } from '../behaviours/analog.ts';
import { changeover, coil, ledLamp, load, relay } from '../behaviours/relays.ts';
import { contact, resistor } from '../behaviours/switching.ts';
import { INDICATOR } from '../handling/transmitters.ts';
import type { CoilRating, ContactRating, DeviceType, LoadRating, PartTerminal } from '../types.ts';
import type { Setting } from '../parameters.ts';

const none = {
  outputs: ['none'],
  logics: ['none'],
  stimulated: 'none',
  words: { present: 'on', away: 'off' },
  stimulus: '',
} as const satisfies Partial<DeviceType>;

/** Numbers on the sockets of plug-in relays, by number of poles: coil, then common, NC, NO of each pole. */
const SOCKETS: Readonly<Record<number, readonly string[]>> = {
  1: ['13', '14', '9', '1', '5'],
  2: ['13', '14', '9', '1', '5', '12', '4', '8'],
  3: ['2', '10', '1', '4', '3', '6', '5', '7', '11', '8', '9'],
  4: ['13', '14', '9', '1', '5', '10', '2', '6', '11', '3', '7', '12', '4', '8'],
};

function relayTerminals(poles: number, sockets: boolean): PartTerminal[] {
  const names = [
    'A1',
    'A2',
    ...Array.from({ length: poles }, (_, p) => [`${p + 1}1`, `${p + 1}2`, `${p + 1}4`]).flat(),
  ];
  const words = ['coil', 'coil', ...Array.from({ length: poles }, () => ['common', 'NC', 'NO']).flat()];
  return names.map((name, i) => ({
    name,
    words: words[i]!,
    ...(i === 0 && { role: 'sideA' as const }),
    ...(i === 1 && { role: 'sideB' as const }),
    ...(sockets && { other: SOCKETS[poles]![i]! }),
  }));
}

const SUPPRESSOR: Setting = {
  key: 'suppressor',
  label: 'Suppressor at the coil',
  place: 'version',
  choices: [
    { value: 'none', label: 'None' },
    { value: 'diode', label: 'Diode, cathode at A1' },
    { value: 'diode-turned', label: 'Diode, cathode at A2' },
    { value: 'varistor', label: 'Varistor' },
  ],
};
const AC_SUPPRESSOR: Setting = {
  ...SUPPRESSOR,
  choices: SUPPRESSOR.choices.filter(({ value }) => value === 'none' || value === 'varistor'),
};

/** Pick-up and drop-out of IEC 61810-1: in from 75 % (DC) or 80 % (AC), out below 10 % or 15 %. */
const DC = { kind: 'dc', pickUp: 0.75, dropOut: 0.1 } as const;
const AC = { kind: 'ac', pickUp: 0.8, dropOut: 0.15 } as const;

const COILS: Readonly<Record<string, { words: string; rating: CoilRating }>> = {
  '24dc': { words: '24 V DC', rating: { ...DC, volts: 24, ohms: 650 } },
  '24ac': { words: '24 V AC', rating: { ...AC, volts: 24, ohms: 430 } },
  '230ac': { words: '230 V AC', rating: { ...AC, volts: 230, ohms: 38000 } },
};

const CONTACTS: Readonly<Record<number, ContactRating>> = {
  1: { poles: 1, amps: 10, inrushAmps: 30, mostVolts: 250, leastVolts: 5, leastAmps: 0.005 },
  2: { poles: 2, amps: 8, inrushAmps: 15, mostVolts: 250, leastVolts: 5, leastAmps: 0.005 },
  3: { poles: 3, amps: 8, inrushAmps: 15, mostVolts: 250, leastVolts: 5, leastAmps: 0.005 },
  4: { poles: 4, amps: 5, inrushAmps: 12, mostVolts: 250, leastVolts: 5, leastAmps: 0.005 },
};

const POLE_WORDS = ['', 'one pole', 'two poles', 'three poles', 'four poles'];

function plugIn(poles: number, coilKey: string): DeviceType {
  const { words, rating } = COILS[coilKey]!;
  return {
    ...none,
    id: `relay-${poles}co-${coilKey}`,
    name: `Plug-in relay, ${POLE_WORDS[poles]}, coil ${words}`,
    family: 'relay',
    principle: 'relay',
    terminals: relayTerminals(poles, true),
    settings: [rating.kind === 'dc' ? SUPPRESSOR : AC_SUPPRESSOR],
    circuit: relay(poles, rating),
    coil: rating,
    contacts: CONTACTS[poles]!,
    indicators: [{ id: 'coil', label: 'Relay', kind: 'coil' }],
  };
}

function slim(coilKey: string, words: string, rating: CoilRating): DeviceType {
  return {
    ...none,
    id: `relay-slim-${coilKey}`,
    name: `Slim interface relay, one pole, ${words}`,
    family: 'relay',
    principle: 'relay',
    terminals: relayTerminals(1, false),
    circuit: relay(1, rating),
    coil: rating,
    contacts: { poles: 1, amps: 6, inrushAmps: 10, mostVolts: 250, leastVolts: 12, leastAmps: 0.01 },
    indicators: [{ id: 'coil', label: 'Relay', kind: 'coil' }],
  };
}

export const RELAYS: readonly DeviceType[] = [
  ...[1, 2, 3, 4].flatMap((poles) => Object.keys(COILS).map((key) => plugIn(poles, key))),
  slim('24dc', '24 V DC', { ...DC, volts: 24, ohms: 3400 }),
  slim('230', '230 V AC or DC', { kind: 'any', volts: 230, ohms: 60000, pickUp: 0.75, dropOut: 0.15 }),
];

const LOAD_TERMINALS: readonly PartTerminal[] = [
  { name: '1', role: 'loadPlus' },
  { name: '2', role: 'loadMinus' },
];
const POLAR_TERMINALS: readonly PartTerminal[] = [
  { name: '+', role: 'loadPlus' },
  { name: '-', role: 'loadMinus' },
];

const DUTY: Setting = {
  key: 'duty',
  label: 'It is to be on',
  place: 'version',
  choices: [
    { value: 'present', label: 'With the target' },
    { value: 'away', label: 'Without the target' },
  ],
};

function loadType(
  id: string,
  name: string,
  principle: string,
  rating: LoadRating,
  circuit: DeviceType['circuit'] = () => load('load', '1', '2', rating),
  terminals = LOAD_TERMINALS,
): DeviceType {
  return {
    ...none,
    id,
    name,
    family: 'load',
    principle,
    stimulated: 'command',
    words: { present: 'Output on', away: 'Output off' },
    stimulus: 'the output, switched by the program or forced',
    terminals,
    settings: [DUTY],
    circuit,
    load: rating,
    follows: { present: ['load'] },
    indicators: [{ id: 'load', label: name.split(',')[0]!, kind: 'load' }],
    cautions: {
      isolate: rating.volts > 60 ? 'This load is on mains.' : undefined,
      follow: rating.kind === 'motor' ? 'The drive turns as soon as the contact closes.' : undefined,
    },
  };
}

const LED_24: LoadRating = { kind: 'led', volts: 24, watts: 0.36, current: 'dc', inrush: 1 };
const led = (rating: LoadRating) => () => ledLamp('load', '+', '-', rating);

export const LOADS: readonly DeviceType[] = [
  loadType('lamp-led-24', 'Indicator lamp, LED, 24 V DC', 'lamp', LED_24, led(LED_24), POLAR_TERMINALS),
  loadType('lamp-230', 'Indicator lamp, 230 V AC', 'lamp', {
    kind: 'led',
    volts: 230,
    watts: 2.6,
    current: 'ac',
    inrush: 2,
  }),
  loadType('lamp-filament-24', 'Filament lamp, 24 V, 5 W', 'lamp', {
    kind: 'filament',
    volts: 24,
    watts: 5,
    current: 'any',
    inrush: 10,
  }),
  loadType('fan-230', 'Fan, 230 V AC, 45 W', 'fan', {
    kind: 'motor',
    volts: 230,
    watts: 45,
    current: 'ac',
    inrush: 6,
  }),
  loadType('pump-230', 'Pump, 230 V AC, 750 W', 'pump', {
    kind: 'motor',
    volts: 230,
    watts: 750,
    current: 'ac',
    inrush: 6,
  }),
  loadType('heater-230', 'Heater, 230 V AC, 1.5 kW', 'heater', {
    kind: 'resistive',
    volts: 230,
    watts: 1500,
    current: 'ac',
    inrush: 1,
  }),
  loadType('valve-24', 'Solenoid valve, 24 V DC, 8 W', 'valve', {
    kind: 'coil',
    volts: 24,
    watts: 8,
    current: 'dc',
    inrush: 1,
  }),
  loadType('horn-24', 'Horn, 24 V DC, 3 W', 'horn', {
    kind: 'resistive',
    volts: 24,
    watts: 3,
    current: 'dc',
    inrush: 1,
  }),
  {
    ...loadType(
      'indicator-ma',
      'Panel indicator for 4-20 mA',
      'indicator 4-20 mA',
      { kind: 'resistive', volts: 5, watts: 0.1, current: 'dc', inrush: 1 },
      () => [
        resistor('load-part', '+', '-', percent(250, 1)),
        { kind: 'detector', id: 'load', a: '+', b: '-', onVolts: 4.9, offVolts: 1.1 },
      ],
      POLAR_TERMINALS,
    ),
    handling: INDICATOR,
    words: { present: 'Output at 20 mA', away: 'Output at 4 mA' },
  },
  {
    ...none,
    id: 'stack-light-3',
    name: 'Stack light, three tiers, 24 V DC',
    family: 'load',
    principle: 'stack light',
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
    circuit: ({ settings }) =>
      ['1', '2', '3'].flatMap((tier) =>
        settings.common === 'plus'
          ? ledLamp(`tier${tier}`, 'C', tier, { ...LED_24, watts: 1 })
          : ledLamp(`tier${tier}`, tier, 'C', { ...LED_24, watts: 1 }),
      ),
    load: { ...LED_24, watts: 1 },
    indicators: [1, 2, 3].map((tier) => ({ id: `tier${tier}`, label: `Tier ${tier}`, kind: 'load' })),
  },
  {
    ...none,
    id: 'contactor-24dc',
    name: 'Contactor, coil 24 V DC, with mirror contact',
    family: 'load',
    principle: 'contactor',
    terminals: [
      { name: 'A1', role: 'loadPlus', words: 'coil' },
      { name: 'A2', role: 'loadMinus', words: 'coil' },
      { name: '1', words: 'main' },
      { name: '2', words: 'main' },
      { name: '21', words: 'mirror NC' },
      { name: '22', words: 'mirror NC' },
    ],
    settings: [SUPPRESSOR, DUTY],
    circuit: ({ forced }) => [
      ...coil('load', 'A1', 'A2', { ...DC, volts: 24, ohms: 190 }),
      contact('main', '1', '2', forced.has('welded') ? true : { on: 'load' }, exactly(0.002)),
      contact('mirror', '21', '22', forced.has('welded') ? false : { not: { on: 'load' } }),
    ],
    coil: { ...DC, volts: 24, ohms: 190 },
    follows: { present: ['load'] },
    stimulated: 'command',
    words: { present: 'Output on', away: 'Output off' },
    stimulus: 'the output, switched by the program or forced',
    load: { kind: 'coil', volts: 24, watts: 3, current: 'dc', inrush: 1 },
    contacts: { poles: 1, amps: 12, inrushAmps: 120, mostVolts: 400, leastVolts: 17, leastAmps: 0.05 },
    indicators: [{ id: 'load', label: 'Contactor', kind: 'load' }],
  },
];

const RESISTORS: readonly number[] = [120, 250, 470, 560, 1000, 1500, 2200, 3300, 4700, 10000, 22000];
const ohmsWords = (ohms: number): string => (ohms < 1000 ? `${ohms} Ω` : `${ohms / 1000} kΩ`);

/** Parts that stand between others. */
export const BETWEEN: readonly DeviceType[] = [
  {
    ...none,
    id: 'resistor',
    name: 'Resistor',
    family: 'between',
    principle: 'resistor',
    terminals: [{ name: '1' }, { name: '2' }],
    settings: [
      {
        key: 'ohms',
        label: 'Resistance',
        place: 'version',
        choices: RESISTORS.map((ohms) => ({ value: String(ohms), label: ohmsWords(ohms) })),
      },
      {
        key: 'watts',
        label: 'Power rating',
        place: 'version',
        choices: ['0.25', '0.5', '1', '2', '5', '10'].map((watts) => ({ value: watts, label: `${watts} W` })),
      },
    ],
    circuit: ({ settings }) => [resistor('resistor', '1', '2', percent(Number(settings.ohms), 5))],
  },
  {
    ...none,
    id: 'barrier-1ch',
    name: 'Resistive barrier, one channel, 240 Ω',
    family: 'between',
    principle: 'barrier',
    terminals: [
      { name: 'S1', words: 'safe side' },
      { name: 'H1', words: 'field side' },
    ],
    circuit: () => [
      { kind: 'diode', id: 'way', anode: 'S1', cathode: '~b', dropVolts: exactly(0.7), ohms: exactly(1) },
      resistor('barrier', '~b', 'H1', percent(240, 5)),
    ],
    cautions: {
      isolate: 'Barriers belong to an explosion-protection design: change nothing without its author.',
    },
  },
  {
    ...none,
    id: 'namur-amplifier-1ch',
    name: 'Switching amplifier for a NAMUR sensor, relay output',
    family: 'between',
    principle: 'switching amplifier',
    terminals: [
      { name: '1+', words: 'sensor plus' },
      { name: '3-', words: 'sensor minus' },
      { name: 'A1', role: 'plus', words: 'supply plus' },
      { name: 'A2', role: 'minus', words: 'supply minus' },
      { name: '11', words: 'common' },
      { name: '12', words: 'NC' },
      { name: '14', words: 'NO' },
    ],
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
    circuit: ({ settings }) => [
      ...fed('A1', 'A2', 800, 18),
      {
        kind: 'source',
        id: 'eight',
        plus: '~8',
        minus: '3-',
        volts: percent(8.2, 3),
        innerOhms: exactly(1),
        limitAmps: exactly(0.05),
      },
      contact('live', '~8', '~9', { on: 'fed' }, exactly(0.1)),
      resistor('sense', '~9', '1+', percent(1000, 2)),
      // Switching point between 1.2 and 2.1 mA, break below 0.2 mA, short above 6 mA (IEC 60947-5-6).
      { kind: 'detector', id: 'much', a: '~9', b: '1+', onVolts: 1.75, offVolts: 1.55 },
      { kind: 'detector', id: 'some', a: '~9', b: '1+', onVolts: 0.2, offVolts: 0.1 },
      { kind: 'detector', id: 'shorted', a: '~9', b: '1+', onVolts: 6.5, offVolts: 6 },
      {
        kind: 'latch',
        id: 'coil',
        set: true,
        hold: {
          all: [
            { on: 'fed' },
            { on: 'some' },
            { not: { on: 'shorted' } },
            settings.direction === 'turned' ? { not: { on: 'much' } } : { on: 'much' },
          ],
        },
      },
      ...changeover(1, 'coil'),
    ],
    face: [
      { a: '1+', b: '3-', glyph: { kind: 'resistor', id: 'sense', text: '8.2 V, 1 kΩ' } },
      { a: 'A1', b: 'A2', glyph: { kind: 'line', id: 'supply' } },
      { a: '11', b: '14', glyph: { kind: 'slot', id: 'no1' } },
      { a: '11', b: '12', glyph: { kind: 'slot', id: 'nc1' } },
    ],
    supply: { least: 18, most: 30 },
    contacts: { poles: 1, amps: 2, inrushAmps: 4, mostVolts: 250, leastVolts: 5, leastAmps: 0.001 },
    indicators: [
      { id: 'coil', label: 'Amplifier', kind: 'coil' },
      { id: 'some', label: 'Line whole', kind: 'state' },
    ],
  },
];
