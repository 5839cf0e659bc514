import type { Parameter } from '../parameters.ts';

const same = (...values: string[]): Parameter['choices'] => values.map((value) => ({ value, label: value }));
export const choices = (words: Readonly<Record<string, string>>): Parameter['choices'] =>
  Object.entries(words).map(([value, label]) => ({ value, label }));

export const FLOW_UNITS = same('m³/h', 'l/min', 'l/h', 'l/s', 'gal/min');
export const PRESSURE_UNITS = same('bar', 'mbar', 'kPa', 'MPa', 'psi');
export const TEMPERATURE_UNITS = same('°C', '°F', 'K');
export const LENGTH_UNITS = same('mm', 'cm', 'm', 'in', 'ft');
export const MASS_UNITS = same('kg', 'g', 't', 'lb');
export const ANY_UNITS = same(
  '%',
  'bar',
  'mbar',
  'kPa',
  'psi',
  '°C',
  '°F',
  'm³/h',
  'l/min',
  'l/s',
  'mm',
  'cm',
  'm',
  'kg',
  't',
  'mg/l',
  'Hz',
);
const ON_OFF = choices({ off: 'off', on: 'on' });

/** Frequency that is filtered out of the measurement: the site's mains. */
export const MAINS: Parameter = {
  key: 'mains',
  label: 'Mains frequency',
  kind: 'choice',
  place: 'parameter',
  choices: choices({ '50': '50 Hz', '60': '60 Hz' }),
  factory: '60',
  from: 'mains',
};

export const LANGUAGE: Parameter = {
  key: 'language',
  label: 'Language',
  kind: 'choice',
  place: 'parameter',
  choices: same('English', 'Deutsch', 'Français', 'Español', '日本語'),
  factory: 'English',
};

export const CLOCK: Parameter = {
  key: 'clock',
  label: 'Date and time',
  kind: 'choice',
  place: 'parameter',
  choices: choices({ unset: 'not set', local: 'set to local time' }),
  factory: 'unset',
  usual: { value: 'local', why: 'so that its own log can be read against the job’s' },
};

export const COLOUR: Parameter = {
  key: 'colour',
  label: 'Display colour',
  kind: 'choice',
  place: 'parameter',
  choices: choices({ green: 'always green', red: 'always red', change: 'red on alarm' }),
  factory: 'green',
};

/** Whether its menu is locked, and whether a password is set. What the password is never enters the job. */
export const LOCK: Parameter = {
  key: 'lock',
  label: 'Keypad lock',
  kind: 'choice',
  place: 'parameter',
  choices: ON_OFF,
  factory: 'off',
  last: true,
  usual: { value: 'on', why: 'so that a wrong button changes nothing' },
};

export const PASSWORD: Parameter = {
  key: 'password',
  label: 'Password',
  kind: 'presence',
  place: 'parameter',
  choices: choices({ none: 'none set', set: 'set, kept elsewhere' }),
  factory: 'none',
  last: true,
};

export const DAMPING: Parameter = {
  key: 'damping',
  label: 'Damping',
  kind: 'number',
  place: 'parameter',
  unit: 's',
  min: 0,
  max: 100,
  factory: '1',
  usual: { value: '3', why: 'a start; more only if the reading is restless' },
};

/** A unit that a device or program only shows: any text will do. */
export const unitOfAny = (factory: string): Parameter => ({ ...unitOf(ANY_UNITS, factory), free: true });

/** The unit in which its range is asked; a change of it puts the range back. */
export const unitOf = (units: Parameter['choices'], factory: string): Parameter => ({
  key: 'unit',
  label: 'Unit',
  kind: 'choice',
  place: 'parameter',
  choices: units,
  factory,
  from: 'range.unit',
  wipes: ['low', 'high'],
});

export const rangeOf = (factoryHigh: string, min = -1e6, max = 1e6): readonly Parameter[] => [
  {
    key: 'low',
    label: 'Value at bottom of range',
    kind: 'number',
    place: 'parameter',
    unitKey: 'unit',
    min,
    max,
    factory: '0',
    needs: ['unit'],
    from: 'range.low',
  },
  {
    key: 'high',
    label: 'Value at top of range',
    kind: 'number',
    place: 'parameter',
    unitKey: 'unit',
    min,
    max,
    factory: factoryHigh,
    needs: ['unit'],
    from: 'range.high',
  },
];

/** What its current output is to give; off unless somebody switches it on. */
export const CURRENT_OUT: Parameter = {
  key: 'current',
  label: 'Current output',
  kind: 'choice',
  place: 'parameter',
  choices: choices({ off: 'off', '4-20 mA': '4-20 mA', '0-20 mA': '0-20 mA' }),
  factory: 'off',
  from: 'signal.current',
};

/** Which way the signal goes when the device itself fails; both are in use. */
export const FAULT_SIGNALS = [
  { value: 'high', label: 'high, 21 mA or more' },
  { value: 'low', label: 'low, 3.6 mA or less' },
];

export const ALARM: Parameter = {
  key: 'alarm',
  label: 'Signal on a fault of its own',
  kind: 'choice',
  place: 'parameter',
  choices: FAULT_SIGNALS,
  factory: 'high',
  usual: {
    value: 'low',
    why: 'so that a fault and a broken wire look alike to the controller (NAMUR NE 43)',
  },
};

/** Shape of the signal over the value. */
export const SHAPE: Parameter = {
  key: 'shape',
  label: 'Output shape',
  kind: 'choice',
  place: 'parameter',
  choices: choices({ linear: 'linear', root: 'square root' }),
  factory: 'linear',
};

/** Address at which it is spoken to over its loop (FSK). */
export const POLL: Parameter = {
  key: 'poll',
  label: 'Digital address on the loop',
  kind: 'number',
  place: 'parameter',
  min: 0,
  max: 63,
  factory: '0',
  usual: { value: '0', why: 'any other address freezes the current at 4 mA' },
};

export const CUTOFF: Parameter = {
  key: 'cutoff',
  label: 'Low-flow cut-off',
  kind: 'number',
  place: 'parameter',
  unit: '%',
  min: 0,
  max: 20,
  factory: '2',
  needs: ['high'],
  from: 'flow.cutoff',
};

export const DIRECTION: Parameter = {
  key: 'direction',
  label: 'Flow direction',
  kind: 'choice',
  place: 'parameter',
  choices: choices({ forward: 'with the arrow', reverse: 'against the arrow', both: 'both ways' }),
  factory: 'forward',
  usual: { value: 'forward', why: 'fitted with the arrow along the flow' },
};

/** Widths that are taken where any would do, ms: what pulse outputs usually offer. */
export const PULSE_WIDTHS = [0.5, 1, 2, 5, 10, 20, 50, 100, 200];

/** Pulse output of a flow meter: on, volume of a pulse, width. */
export const PULSES: readonly Parameter[] = [
  {
    key: 'pulse',
    label: 'Pulse output',
    kind: 'choice',
    place: 'parameter',
    choices: ON_OFF,
    factory: 'off',
    from: 'pulse.enabled',
  },
  {
    key: 'pulseValue',
    label: 'Volume of a pulse',
    kind: 'number',
    place: 'parameter',
    unit: 'l',
    min: 0.0001,
    max: 100000,
    factory: '1',
    needs: ['high'],
    onlyIf: { key: 'pulse', is: ['on'] },
    from: 'pulse.value',
  },
  {
    key: 'pulseWidth',
    label: 'Pulse width',
    kind: 'number',
    place: 'parameter',
    unit: 'ms',
    min: 0.05,
    max: 5000,
    factory: '100',
    needs: ['pulseValue'],
    onlyIf: { key: 'pulse', is: ['on'] },
    from: 'pulse.width',
  },
];
