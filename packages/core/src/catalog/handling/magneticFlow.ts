import { nth } from '../../lists/index.ts';
import type { Parameter } from '../parameters.ts';
import type { DisplayCode, Handling } from './handling.ts';
import { mediumOf, SERIAL } from './handling.ts';
import {
  SIZE,
  FACTOR,
  LOWEST,
  arrow,
  straightLengths,
  injection,
  full,
  tighten,
  size,
  factor,
  mode,
  memory,
} from './flowParts.ts';
import {
  ALARM,
  choices,
  CLOCK,
  COLOUR,
  CURRENT_OUT,
  CUTOFF,
  DAMPING,
  DIRECTION,
  FLOW_UNITS,
  LANGUAGE,
  LOCK,
  MAINS,
  PASSWORD,
  PULSES,
  rangeOf,
  unitOf,
} from './menu.ts';

/** How often the field of its coils is turned round: a share of the mains, so that hum cancels out. */
const EXCITATION: Parameter = {
  key: 'excitation',
  label: 'Excitation frequency',
  kind: 'choice',
  place: 'parameter',
  choices: choices({
    eighth: 'an eighth of the mains: steady zero, slow',
    quarter: 'a quarter of the mains',
    half: 'half the mains: quick, for restless flow or sludge',
  }),
  factory: 'quarter',
  needs: ['mains'],
};

/** What each of its two totalisers adds up. */
const TOTALISERS: readonly Parameter[] = [1, 2].flatMap((n): Parameter[] => [
  {
    key: `total${n}Unit`,
    label: `Totaliser ${n}, unit`,
    kind: 'choice',
    place: 'parameter',
    choices: choices({ 'm³': 'm³', l: 'l', gal: 'gal' }),
    factory: 'l',
    from: 'flow.volume',
    wipes: [`total${n}Start`],
  },
  {
    key: `total${n}Direction`,
    label: `Totaliser ${n}, counts`,
    kind: 'choice',
    place: 'parameter',
    choices: choices({ forward: 'forward flow', reverse: 'reverse flow', net: 'forward less reverse' }),
    factory: 'forward',
    ...(n === 1 && { usual: { value: 'forward', why: 'as a delivery is counted' } }),
  },
  {
    key: `total${n}Start`,
    label: `Totaliser ${n}, reading when left`,
    kind: 'number',
    place: 'parameter',
    unitKey: `total${n}Unit`,
    min: -1e9,
    max: 1e9,
    needs: [`total${n}Unit`],
  },
]);

/** What its display says when it cannot measure, in words; its own number for it stands in its manual. */
const CODES: readonly DisplayCode[] = [
  {
    shows: 'Empty pipe',
    means: 'the electrodes are dry, or the medium conducts too little',
    look: 'Fill the pipe and wait; where it is full, electrodes and bonding.',
  },
  {
    shows: 'Coil open or short',
    means: 'no current in the coils that turn the field',
    look: 'Supply off and proved dead: coil resistance against the name-plate, then to earth.',
  },
  {
    shows: 'Memory',
    means: 'the memory module is missing, turned round, or of another meter',
    look: 'Supply off, seat it the right way round; its serial number against the name-plate.',
  },
  {
    shows: 'Over range',
    means: 'more flow than the current output’s range, which stays at its top',
    look: 'Range against the real flow; a unit that was exchanged shows so too.',
  },
  {
    shows: 'Pulse overflow',
    means: 'pulses follow one another quicker than their width allows; some are lost',
    look: 'A larger volume of a pulse, or a shorter width, on the meter and the counter alike.',
  },
];

/** Magnetic flow meter whose settings live in a memory module. */
export const MAGNETIC_FLOW: Handling = {
  fit: [
    arrow,
    straightLengths(5, 3),
    full,
    injection,
    {
      key: 'electrodes',
      title: 'Electrodes level, not at top and bottom',
      reason: 'Air at the top and mud at the bottom cut an electrode off.',
    },
    {
      key: 'bond',
      title: 'Bonding straps or earth rings to both pipes',
      reason: 'Without them the medium has no firm potential, and the reading swings.',
    },
    tighten,
    {
      key: 'memory',
      title: 'Memory module in its slot, the right way round',
      reason:
        'It holds size, factor and all settings; missing or turned, the display shows factory units after power-up.',
    },
    {
      key: 'screen',
      title: 'Cable screen on at the meter, as its manual says for the other end',
      reason: 'The electrodes give millivolts; a screen on both ends or on none picks up the pumps.',
    },
  ],
  plate: [
    SERIAL,
    SIZE,
    FACTOR,
    mediumOf({ water: 'water', sea: 'seawater', sludge: 'sludge' }),
    {
      key: 'coil',
      label: 'Coil resistance',
      kind: 'number',
      unit: 'Ω',
      min: 1,
      max: 1000,
      example: '58 Ω',
    },
    LOWEST,
  ],
  parameters: [
    {
      key: 'memory',
      label: 'Memory module',
      kind: 'choice',
      place: 'switch',
      choices: choices({ fitted: 'fitted', missing: 'missing' }),
      factory: 'fitted',
      usual: { value: 'fitted', why: 'it keeps every setting over a loss of supply' },
    },
    mode({ factory: 'factory test', flow: 'measure flow', batch: 'batching' }, 'flow'),
    ...memory([
      LANGUAGE,
      CLOCK,
      MAINS,
      EXCITATION,
      {
        key: 'medium',
        label: 'Medium',
        kind: 'choice',
        place: 'parameter',
        choices: choices({ none: 'none chosen', water: 'water', sea: 'seawater', sludge: 'sludge' }),
        factory: 'none',
        from: 'plate.medium',
      },
      size,
      factor,
      unitOf(FLOW_UNITS, 'l/s'),
      DIRECTION,
      ...rangeOf('10', 0, 1e6),
      CURRENT_OUT,
      ALARM,
      ...PULSES,
      ...TOTALISERS,
      DAMPING,
      CUTOFF,
      COLOUR,
    ]),
    PASSWORD,
    LOCK,
  ],
  codes: CODES,
};

/** Flow meter of which only pulses are taken. */
export const PULSE_FLOW: Handling = {
  fit: [arrow, straightLengths(5, 3), full],
  plate: [SERIAL, SIZE, FACTOR, LOWEST],
  parameters: [
    { ...size, kept: undefined, wipes: ['cutoff'] },
    { ...factor, kept: undefined },
    { ...unitOf(FLOW_UNITS, 'l/s'), wipes: ['high'] },
    nth(rangeOf('10', 0, 1e6), 1),
    ...PULSES,
    DAMPING,
    CUTOFF,
    LOCK,
  ],
};
