import type { Parameter } from '../parameters.ts';
import type { Handling } from './handling.ts';
import { SERIAL } from './handling.ts';
import { choices, DAMPING, LENGTH_UNITS, LOCK, rangeOf, unitOf } from './menu.ts';

/** What it gives while it hears no echo. */
const withoutEcho = (label: string): Parameter => ({
  key: 'echo',
  label,
  kind: 'choice',
  place: 'parameter',
  choices: choices({ hold: 'hold the last', low: 'low', high: 'high' }),
  factory: 'hold',
  usual: { value: 'low', why: 'so that a lost echo is seen' },
});

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
    withoutEcho('Output without an echo'),
    DAMPING,
    LOCK,
  ],
};

/** Laser distance sensor with a switching and an analog wire. */
export const LASER_DISTANCE: Handling = {
  fit: [
    {
      key: 'beam',
      title: 'Beam where no eye comes, its class read on the label',
      reason: 'A beam that is reflected goes further than one thinks.',
      caution: 'Laser light: never look into the beam; what its class asks for holds, with the local rules.',
    },
    {
      key: 'target',
      title: 'Target matt and square to the beam, no glass or water between',
      reason: 'A mirror, a window or a wet surface gives the distance of something else.',
    },
    {
      key: 'window',
      title: 'Its window clean, with air or a hood where it gets dirty',
      reason: 'Dirt reads as a near target.',
    },
  ],
  plate: ULTRASONIC_DISTANCE.plate,
  parameters: ULTRASONIC_DISTANCE.parameters,
};

/** Radar level transmitter in a two-wire loop. */
export const RADAR_LEVEL: Handling = {
  fit: [
    {
      key: 'nozzle',
      title: 'Antenna reaches through its nozzle, clear of wall and inflow',
      reason: 'Nozzle, ladder and inflow give echoes of their own.',
      caution: 'Vessels: open nothing that may be under pressure or hold gas; only those authorised enter.',
    },
    {
      key: 'plumb',
      title: 'Upright, at a third of the radius from the wall',
      reason: 'In the middle of a round top all echoes come together.',
    },
    {
      key: 'false',
      title: 'Echo curve looked at with the vessel empty, false echoes stored',
      reason: 'What is inside the vessel is told apart from the level only then.',
    },
  ],
  plate: [
    SERIAL,
    {
      key: 'reach',
      label: 'Longest distance',
      kind: 'number',
      unit: 'm',
      min: 0.1,
      max: 200,
      example: '10 m',
    },
  ],
  parameters: [
    unitOf(LENGTH_UNITS, 'm'),
    {
      key: 'empty',
      label: 'Distance to the empty level',
      kind: 'number',
      place: 'parameter',
      unit: 'm',
      min: 0,
      max: 200,
      factory: '10',
    },
    ...rangeOf('10', 0, 1e5),
    withoutEcho('Current without an echo'),
    DAMPING,
    LOCK,
  ],
};
