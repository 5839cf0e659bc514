import { nth } from '../../lists/index.ts';
import type { Parameter } from '../parameters.ts';
import type { FitCheck, PlateFact } from './handling.ts';
import { PRESSURE_CAUTION } from './handling.ts';
import { choices } from './menu.ts';

export const SIZE: PlateFact = {
  key: 'size',
  label: 'Pipe size',
  kind: 'number',
  unit: 'mm',
  min: 1,
  max: 3000,
  example: '80 mm or 3 in',
};
export const FACTOR: PlateFact = {
  key: 'factor',
  label: 'Calibration factor',
  kind: 'number',
  min: 0.01,
  max: 1000,
  example: '1.0214',
};
export const LOWEST: PlateFact = {
  key: 'lowest',
  label: 'Lowest flow that must be seen',
  kind: 'number',
  unit: 'm³/h',
  min: 0,
  example: '0.4 m³/h',
};

export const BORE: PlateFact = {
  key: 'bore',
  label: 'Inside diameter of the pipe',
  kind: 'number',
  unit: 'mm',
  min: 5,
  max: 400,
  example: '82.5 mm',
};
export const PROCESS_TEMPERATURE: PlateFact = {
  key: 'temperature',
  label: 'Process temperature',
  kind: 'number',
  unit: '°C',
  min: -50,
  max: 450,
  example: '165 °C',
};

export const arrow: FitCheck = {
  key: 'arrow',
  title: 'Arrow on the body along the flow',
  reason: 'Reversed, it counts backwards or shows nothing.',
};
export const straightLengths = (before: number, after: number): FitCheck => ({
  key: 'straight',
  title: `Straight pipe: ${before} × size before it, ${after} × size after`,
  reason: 'Bends, valves and pumps twist the flow; the reading is then off by an amount that nobody knows.',
});
export const injection: FitCheck = {
  key: 'injection',
  title: 'Upstream of any injection, or far downstream where it is mixed',
  reason: 'Gas, chemicals or cold water just injected lie in streaks, and what it sees is not the whole.',
};
export const full: FitCheck = {
  key: 'full',
  title: 'Pipe always full there: rising pipe or a low place, not the top of an arch',
  reason: 'A half-empty pipe reads too high, air reads anything.',
};
export const tighten: FitCheck = {
  key: 'tighten',
  title: 'Flange bolts tightened crosswise, evenly, to the torque of the gasket',
  reason: 'Uneven tightening breaks the lining and lets the gasket into the bore.',
  caution: PRESSURE_CAUTION,
};

export const size: Parameter = {
  key: 'size',
  label: 'Pipe size',
  kind: 'number',
  place: 'parameter',
  unit: 'mm',
  min: 1,
  max: 3000,
  factory: '50',
  from: 'plate.size',
  kept: 'memory',
  wipes: ['cutoff'],
};
export const factor: Parameter = {
  key: 'factor',
  label: 'Calibration factor',
  kind: 'number',
  place: 'parameter',
  min: 0.01,
  max: 1000,
  factory: '1',
  from: 'plate.factor',
  kept: 'memory',
};
export const mode = (words: Readonly<Record<string, string>>, wanted: string): Parameter => ({
  key: 'mode',
  label: 'Operating mode',
  kind: 'choice',
  place: 'parameter',
  choices: choices(words),
  factory: nth(Object.keys(words), 0),
  wipes: 'all',
  usual: { value: wanted, why: 'what the point is for' },
});
export const memory = (parameters: readonly Parameter[]): Parameter[] =>
  parameters.map((parameter) => (parameter.last ? parameter : { ...parameter, kept: 'memory' }));
