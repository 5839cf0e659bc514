import type { Handling } from './handling.ts';
import { SERIAL } from './handling.ts';
import { choices, DAMPING, LENGTH_UNITS, LOCK, rangeOf, unitOf } from './menu.ts';

/** Ultrasonic distance sensor with a switching and an analog wire. */
export const ULTRASONIC_DISTANCE: Handling = {
  fit: [
    {
      key: 'blind',
      title: 'Highest level stays out of the blind zone before its face',
      reason: 'An echo that comes too soon is not seen; the value then means nothing.',
    },
    {
      key: 'square',
      title: 'Square to the surface, clear of walls, ladders and the inflow',
      reason: 'The first strong echo counts, wherever it comes from.',
    },
    {
      key: 'bracket',
      title: 'Bracket stiff, face hanging free, not in a socket longer than wide',
      reason: 'A socket rings and gives a level of its own.',
    },
  ],
  plate: [
    SERIAL,
    {
      key: 'blind',
      label: 'Blind zone',
      kind: 'number',
      unit: 'mm',
      min: 0,
      max: 5000,
      example: '200 mm',
    },
    {
      key: 'reach',
      label: 'Longest distance',
      kind: 'number',
      unit: 'mm',
      min: 10,
      max: 100000,
      example: '2000 mm',
    },
  ],
  parameters: [
    {
      key: 'mode',
      label: 'Operating mode',
      kind: 'choice',
      place: 'parameter',
      choices: choices({ distance: 'distance', level: 'level from the bottom' }),
      factory: 'level',
      wipes: 'all',
      usual: { value: 'distance', why: 'the point’s range is a distance' },
    },
    unitOf(LENGTH_UNITS, 'mm'),
    ...rangeOf('1000', 0, 1e5),
    {
      key: 'signal',
      label: 'Analog output',
      kind: 'choice',
      place: 'parameter',
      choices: choices({ '0-10 V': '0-10 V', '4-20 mA': '4-20 mA' }),
      factory: '0-10 V',
      from: 'signal.kind',
    },
    {
      key: 'output1',
      label: 'Switching output',
      kind: 'choice',
      place: 'parameter',
      choices: choices({ npn: 'NPN', pnp: 'PNP' }),
      factory: 'pnp',
      from: 'output.kind',
    },
    {
      key: 'logic1',
      label: 'Switching output, logic',
      kind: 'choice',
      place: 'parameter',
      choices: choices({ no: 'normally open', nc: 'normally closed' }),
      factory: 'no',
      from: 'output.logic',
    },
    {
      key: 'echo',
      label: 'Output without an echo',
      kind: 'choice',
      place: 'parameter',
      choices: choices({ hold: 'hold the last', low: 'low', high: 'high' }),
      factory: 'hold',
      usual: { value: 'low', why: 'so that a lost echo is seen' },
    },
    DAMPING,
    LOCK,
  ],
};
