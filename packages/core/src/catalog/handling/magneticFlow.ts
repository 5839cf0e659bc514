import { nth } from '../../lists/index.ts';
import type { Handling } from './handling.ts';
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
      DAMPING,
      CUTOFF,
      COLOUR,
    ]),
    PASSWORD,
    LOCK,
  ],
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
