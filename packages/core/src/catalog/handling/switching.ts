import type { Parameter } from '../parameters.ts';
import type { FitCheck, Handling } from './handling.ts';
import { choices } from './menu.ts';

const bracket: FitCheck = {
  key: 'bracket',
  title: 'Bracket stiff, nuts on both sides tight',
  reason: 'A sensor that moves switches somewhere else.',
};
const cable: FitCheck = {
  key: 'cable',
  title: 'Cable with a drip loop, clear of what moves',
  reason: 'Water follows a cable, and a hatch cuts it.',
};

const teachable = (factory: string): readonly Parameter[] => [
  {
    key: 'logic',
    label: 'Output logic',
    kind: 'choice',
    place: 'switch',
    choices: choices({ no: 'normally open', nc: 'normally closed', light: 'light-on', dark: 'dark-on' }),
    factory,
    from: 'output.logic',
  },
  {
    key: 'level',
    label: 'Sensitivity',
    kind: 'choice',
    place: 'switch',
    choices: choices({ factory: 'as it came', adjusted: 'adjusted between object and background' }),
    factory: 'factory',
    usual: { value: 'adjusted', why: 'with the real object and the real background' },
    needs: ['logic'],
  },
];

export const OPTICAL: Handling = {
  fit: [
    bracket,
    {
      key: 'background',
      title: 'Nothing shiny behind the object, or tilted away',
      reason: 'The background is seen as the object.',
    },
    { key: 'lens', title: 'Lens clean, out of spray and sun', reason: 'Dirt dims it until it lets go.' },
    cable,
  ],
  plate: [],
  parameters: teachable('dark'),
};

export const CAPACITIVE: Handling = {
  fit: [
    bracket,
    {
      key: 'free',
      title: 'Face clear of walls and of foam that stays',
      reason: 'What clings to it is seen as the medium.',
    },
    cable,
  ],
  plate: [],
  parameters: teachable('nc'),
};

export const PROXIMITY: Handling = {
  fit: [
    bracket,
    {
      key: 'gap',
      title: 'Gap to the target at most 80 % of the rated distance, target as wide as the face',
      reason: 'At the edge of its reach heat and wear decide (IEC 60947-5-2: assured distance 81 %).',
    },
    {
      key: 'metal',
      title: 'Metal beside it as far off as its kind needs: flush or not',
      reason: 'Metal at the side holds it on.',
    },
    cable,
  ],
  plate: [],
  parameters: [],
};

export const ULTRASONIC_SWITCH: Handling = {
  fit: [
    bracket,
    { key: 'blind', title: 'Object stays out of the blind zone', reason: 'Too near it is not seen.' },
    { key: 'square', title: 'Square to the object', reason: 'A slanting face sends the echo elsewhere.' },
    cable,
  ],
  plate: [],
  parameters: [
    ...teachable('nc'),
    {
      key: 'distance',
      label: 'Switching distance',
      kind: 'number',
      place: 'parameter',
      unit: 'mm',
      min: 30,
      max: 6000,
      factory: '500',
      needs: ['level'],
    },
  ],
};

export const CONTACT: Handling = {
  fit: [
    {
      key: 'throw',
      title: 'Actuated to the middle of its overtravel, not to its stop',
      reason: 'At the stop it breaks, at the edge it chatters.',
    },
    cable,
  ],
  plate: [],
  parameters: [],
};

export const GUARD: Handling = {
  fit: [
    {
      key: 'gap',
      title: 'Actuator facing the sensor, gap within the assured distance',
      reason: 'A sagging door opens the circuit by itself.',
    },
    {
      key: 'hidden',
      title: 'Fitted so that it cannot be bridged or moved with ordinary tools',
      reason: 'A guard that is easily beaten is beaten (ISO 14119).',
      caution:
        'Function check only. Choice, place and validation are for a competent person under the local law.',
    },
    cable,
  ],
  plate: [],
  parameters: [],
};

export const THERMOMETER: Handling = {
  fit: [
    {
      key: 'depth',
      title: 'Tip to the bottom of the well, at least ten diameters deep',
      reason: 'Less, and the pipe’s wall is measured too.',
    },
    { key: 'head', title: 'Head dry, gland tight', reason: 'Moisture across the terminals reads low.' },
  ],
  plate: [],
  parameters: [],
};

export const FLOAT: Handling = {
  fit: [
    {
      key: 'swing',
      title: 'Float swings free of walls, ladder and pump',
      reason: 'A float that hangs up shows yesterday’s level.',
    },
    cable,
  ],
  plate: [],
  parameters: [],
};

export const ESTOP: Handling = {
  fit: [
    {
      key: 'reach',
      title: 'In reach from every place where somebody stands, nothing before it',
      reason: 'It is hit without looking (ISO 13850).',
      caution:
        'Function check only. Choice, place and validation are for a competent person under the local law.',
    },
    cable,
  ],
  plate: [],
  parameters: [],
};

/** Mats and edges that press two plates together; what they stop must stand before somebody is there. */
export const MAT: Handling = {
  fit: [
    {
      key: 'distance',
      title: 'As far from the danger as the stopping time asks',
      reason: 'Who steps over its edge is quicker than the machine stops (ISO 13855).',
      caution: 'The distance is for a competent person to work out under the local law.',
    },
    {
      key: 'joint',
      title: 'Joints between mats covered, no dead edge to step on',
      reason: 'A foot on a joint is seen by neither mat.',
    },
    cable,
  ],
  plate: [],
  parameters: [],
};
