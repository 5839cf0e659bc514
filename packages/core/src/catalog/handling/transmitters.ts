import type { Parameter } from '../parameters.ts';
import type { Handling } from './handling.ts';
import { PRESSURE_CAUTION, SERIAL } from './handling.ts';
import { BORE, LOWEST, PROCESS_TEMPERATURE, straightLengths } from './flowParts.ts';
import {
  ALARM,
  choices,
  CURRENT_OUT,
  CUTOFF,
  DAMPING,
  FLOW_UNITS,
  LANGUAGE,
  LOCK,
  MASS_UNITS,
  MAINS,
  PASSWORD,
  POLL,
  PRESSURE_UNITS,
  rangeOf,
  SHAPE,
  TEMPERATURE_UNITS,
  unitOf,
  unitOfAny,
} from './menu.ts';

/** Pressure transmitter with a display. */
export const PRESSURE: Handling = {
  fit: [
    {
      key: 'valve',
      title: 'Behind a shut-off and a vent, so that zero can be checked',
      reason: 'Zero is only true when it is vented.',
      caution: PRESSURE_CAUTION,
    },
    {
      key: 'height',
      title: 'Height against the tapping noted',
      reason: '1 m of water is 98 mbar; the zero has to take it up.',
    },
    {
      key: 'line',
      title: 'Impulse line falling, without pockets',
      reason: 'Air in liquid and water in gas shift the reading.',
    },
  ],
  plate: [
    SERIAL,
    {
      key: 'limit',
      label: 'Upper limit of its cell',
      kind: 'number',
      unit: 'bar',
      min: 0.001,
      max: 10000,
      example: '10 bar or 150 psi',
    },
  ],
  parameters: [LANGUAGE, unitOf(PRESSURE_UNITS, 'kPa'), ...rangeOf('100'), SHAPE, ALARM, DAMPING, POLL, LOCK],
};

/** Differential-pressure transmitter at an orifice: the flow goes with the root of what it measures. */
export const DP_FLOW: Handling = {
  fit: [
    {
      key: 'plate',
      title: 'Orifice plate with its sharp edge upstream',
      reason: 'Turned round, it reads a tenth to a fifth too low.',
      caution: PRESSURE_CAUTION,
    },
    straightLengths(20, 5),
    {
      key: 'lines',
      title: 'Impulse lines alike and falling, no pockets',
      reason: 'A column of water in one of them is a flow that is not there.',
    },
    {
      key: 'zero',
      title: 'Both sides open to each other by the manifold, and zero seen',
      reason: 'Near zero the root makes much of little: 1 % of pressure is 10 % of flow.',
      caution: PRESSURE_CAUTION,
    },
  ],
  plate: [
    SERIAL,
    BORE,
    {
      key: 'dpFull',
      label: 'Differential pressure at full flow',
      kind: 'number',
      unit: 'mbar',
      min: 0.1,
      max: 20000,
      example: '250 mbar',
    },
    {
      key: 'density',
      label: 'Density for which the orifice was made',
      kind: 'number',
      unit: 'kg/m³',
      min: 0.01,
      max: 20000,
      example: '998 kg/m³',
    },
    PROCESS_TEMPERATURE,
    LOWEST,
  ],
  parameters: [
    unitOf(FLOW_UNITS, 'm³/h'),
    ...rangeOf('100', 0, 1e7),
    {
      key: 'dpFull',
      label: 'Differential pressure at top of range',
      kind: 'number',
      place: 'parameter',
      unit: 'mbar',
      min: 0.1,
      max: 20000,
      factory: '100',
      needs: ['high'],
      from: 'plate.dpFull',
    },
    {
      ...SHAPE,
      usual: { value: 'root', why: 'flow goes with the root; once only, here or in the controller' },
    },
    ALARM,
    DAMPING,
    CUTOFF,
    POLL,
    LOCK,
  ],
};

/** Head or rail transmitter for a temperature sensor. */
export const TEMPERATURE: Handling = {
  fit: [
    {
      key: 'depth',
      title: 'Sensor tip to the bottom of its well, spring pressing',
      reason: 'Air in the well makes it slow and low.',
    },
    {
      key: 'length',
      title: 'Immersion at least ten times the tip’s diameter',
      reason: 'Less, and the pipe’s wall is measured too.',
    },
    {
      key: 'head',
      title: 'Head away from heat, lid and gland tight',
      reason: 'Above 70 °C the transmitter drifts; water in it reads low.',
    },
  ],
  plate: [
    SERIAL,
    { key: 'element', label: 'Element', kind: 'text', example: 'Pt100' },
    { key: 'leads', label: 'Wires of the element', kind: 'number', min: 2, max: 4, example: '3' },
  ],
  parameters: [
    {
      key: 'element',
      label: 'Sensor type',
      kind: 'choice',
      place: 'parameter',
      choices: choices({
        none: 'none chosen',
        Pt100: 'Pt100',
        Pt1000: 'Pt1000',
        Ni100: 'Ni100',
        K: 'thermocouple K',
        J: 'thermocouple J',
      }),
      factory: 'none',
      from: 'plate.element',
      wipes: ['leads', 'low', 'high'],
    },
    unitOf(TEMPERATURE_UNITS, '°F'),
    ...rangeOf('100', -273.15, 3000),
    MAINS,
    DAMPING,
    LOCK,
  ],
};

/** How many wires its element has, and what it gives when one of them is off: of one with its element, its circuit hangs on both. */
export const ELEMENT_LEADS = { '2': 'two wires', '3': 'three wires', '4': 'four wires' };

export const ELEMENT_PARAMETERS: readonly Parameter[] = [
  {
    key: 'leads',
    label: 'Connection',
    kind: 'choice',
    place: 'parameter',
    choices: choices(ELEMENT_LEADS),
    factory: '2',
    needs: ['element'],
    from: 'plate.leads',
  },
  ALARM,
];

/** Any other transmitter with a range. */
export const TRANSMITTER: Handling = {
  fit: [
    {
      key: 'place',
      title: 'Place and direction as its manual shows',
      reason: 'What it sees must be what the point is for.',
    },
    {
      key: 'screen',
      title: 'Cable screen on at one end',
      reason: 'On both ends it carries currents of its own, on none it shields nothing.',
    },
  ],
  plate: [SERIAL],
  parameters: [unitOfAny('%'), ...rangeOf('100'), ALARM, DAMPING],
};

/** Lever that gives its way to both sides of the middle. */
export const JOYSTICK: Handling = {
  fit: [
    {
      key: 'middle',
      title: 'Let go, it springs to the middle from both sides',
      reason: 'One that hangs to a side drives what it commands without a hand on it.',
      caution: 'Whether letting go must also stop is for a competent person to say, under the local law.',
    },
    { key: 'boot', title: 'Boot whole and seated', reason: 'Water in the lever shows as a slow drift.' },
  ],
  plate: [SERIAL],
  parameters: [],
};

/** Tension link in a rope. */
export const ROPE_LINK: Handling = {
  fit: [
    {
      key: 'dead',
      title: 'On the dead end of the rope, not on a part that runs',
      reason: 'On the running part it wears, and the sheaves’ friction is in the reading.',
    },
    {
      key: 'pins',
      title: 'Pins and shackles of the rated size, secured',
      reason: 'Side load bends the link and reads low.',
      caution: 'Suspended loads: nobody underneath; lifting gear only by those authorised for it.',
    },
    { key: 'lines', title: 'Number of lines counted', reason: 'The load is the tension times the lines.' },
  ],
  plate: [
    SERIAL,
    {
      key: 'rated',
      label: 'Rated load',
      kind: 'number',
      unit: 'kg',
      min: 1,
      max: 1e6,
      example: '1000 kg',
    },
    { key: 'factor', label: 'Correction factor', kind: 'number', min: 0.1, max: 10, example: '0.987' },
  ],
  parameters: [
    unitOfAny('%'),
    ...rangeOf('100'),
    {
      key: 'factor',
      label: 'Correction factor',
      kind: 'number',
      place: 'parameter',
      min: 0.1,
      max: 10,
      factory: '1',
      from: 'plate.factor',
    },
    ALARM,
    DAMPING,
  ],
};

/** Analyser with its own display and outputs. */
export const ANALYSER: Handling = {
  fit: [
    {
      key: 'sample',
      title: 'Sample line short, its flow steady',
      reason: 'A long line shows what was there minutes ago.',
    },
    { key: 'drain', title: 'Drain free, no back pressure', reason: 'Back pressure shifts the cell.' },
  ],
  plate: [SERIAL],
  parameters: [
    LANGUAGE,
    MAINS,
    unitOfAny('%'),
    ...rangeOf('100', 0, 1e6),
    CURRENT_OUT,
    ALARM,
    DAMPING,
    PASSWORD,
    LOCK,
  ],
};

/** Pressure and vacuum sensor with a switching and an analog wire. */
export const PRESSURE_SWITCH: Handling = {
  ...PRESSURE,
  fit: [
    {
      key: 'medium',
      title: 'Its seal and body made for what it touches',
      reason: 'A seal that swells shuts its port, and it reads what was there last.',
      caution: PRESSURE_CAUTION,
    },
    {
      key: 'surge',
      title: 'Damped by a restrictor where pumps or valves hammer',
      reason: 'A peak of milliseconds bends the cell for good.',
    },
    {
      key: 'vent',
      title: 'Vented once, and zero seen, before it is set',
      reason: 'Vacuum and pressure are told apart by their zero alone.',
    },
  ],
};

/** Conductivity transmitter with a cell. */
export const CONDUCTIVITY: Handling = {
  ...ANALYSER,
  fit: [
    {
      key: 'cell',
      title: 'Cell wholly in the flow, no air in it',
      reason: 'A bubble between the electrodes reads as pure water.',
    },
    {
      key: 'constant',
      title: 'Cell constant as on the cell itself entered',
      reason: 'It multiplies every reading.',
    },
    {
      key: 'temperature',
      title: 'Temperature sensor of the cell connected',
      reason: 'Conductivity rises by about 2 % a kelvin; without it the reading follows the weather.',
    },
  ],
};

/** Load cell with its amplifier: the bridge gives millivolts for each volt that feeds it, by its own plate. */
export const LOAD_CELL: Handling = {
  fit: [
    {
      key: 'vertical',
      title: 'Load through the cell’s axis only; stays and pipes flexible',
      reason: 'What goes past it is not weighed, and what pushes from the side is.',
      caution: 'Suspended or stored loads: nobody underneath; secured against a fall if the cell breaks.',
    },
    {
      key: 'stops',
      title: 'Overload stop set, no dirt beneath the cell',
      reason: 'Half a millimetre of grit carries a part of the load.',
    },
    {
      key: 'cable',
      title: 'Cable of the cell not shortened, its screen on at the amplifier',
      reason: 'Its plate counts with its own length; four wires are off by what was cut.',
    },
  ],
  plate: [
    SERIAL,
    { key: 'rated', label: 'Rated load', kind: 'number', unit: 'kg', min: 0.1, max: 1e6, example: '500 kg' },
    { key: 'sensitivity', label: 'Sensitivity, mV/V', kind: 'number', min: 0.1, max: 10, example: '2.003' },
  ],
  parameters: [
    {
      key: 'sensitivity',
      label: 'Sensitivity, mV/V',
      kind: 'number',
      place: 'parameter',
      min: 0.1,
      max: 10,
      factory: '2',
      from: 'plate.sensitivity',
      wipes: ['low', 'high'],
    },
    {
      key: 'rated',
      label: 'Rated load of the cell',
      kind: 'number',
      place: 'parameter',
      unit: 'kg',
      min: 0.1,
      max: 1e6,
      from: 'plate.rated',
      wipes: ['low', 'high'],
    },
    { ...unitOf(MASS_UNITS, 'kg'), needs: ['rated', 'sensitivity'] },
    ...rangeOf('100', 0, 1e6),
    DAMPING,
    LOCK,
  ],
};
