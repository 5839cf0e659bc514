import { plain } from '../../units/index.ts';
import type { BehaviourOf } from '../behaviours/behaviours.ts';
import type { DeviceDescription } from './deviceDescription.ts';
import { figuresIn } from './figure.ts';
import type { Figure } from './figure.ts';
import type { ModuleDescription } from './moduleDescription.ts';

/** A figure of a part that its own datasheet may give otherwise. */
export interface NamedFigure {
  readonly path: string;
  readonly label: string;
  readonly figure: Figure;
}

/** What the figures of a behaviour are called, by its model; models that are not here are inner workings. */
const OF_BEHAVIOUR: Partial<Record<BehaviourOf['model'], Readonly<Record<string, string>>>> = {
  supply: { ohms: 'Own consumption, as resistance', minimum: 'Minimum supply' },
  'transistor-output': {
    drop: 'Voltage drop while on',
    leakage: 'Leakage while off',
    rated: 'Output rating',
    minimum: 'Minimum supply of the output',
  },
  'two-wire-output': {
    drop: 'Voltage drop while on',
    leakage: 'Leakage while off',
    holding: 'Holding current',
    rated: 'Output rating',
  },
  'namur-output': { idle: 'Resistance at rest', busy: 'Resistance beside it when actuated' },
  'loop-transmitter': { liftOff: 'Lift-off voltage', accuracy: 'Accuracy, of span' },
  'element-transmitter': {
    liftOff: 'Lift-off voltage',
    accuracy: 'Accuracy, of span',
    excitation: 'Current through the element',
  },
  'signal-output': { accuracy: 'Accuracy, of span', compliance: 'Drives up to', limit: 'Current limit' },
  potentiometer: { ohms: 'Resistance' },
  'linear-resistance': { lowOhms: 'Resistance at the low end', highOhms: 'Resistance at the top' },
  thermocouple: { ohms: 'Resistance of the loop' },
  coil: {
    volts: 'Coil voltage',
    ohms: 'Coil resistance',
    pickUp: 'Picks up at, share of its voltage',
    dropOut: 'Drops out at, share of its voltage',
  },
  load: { volts: 'Rated voltage', watts: 'Rated power', inrush: 'Inrush, times its current' },
  'led-lamp': { volts: 'Rated voltage', watts: 'Rated power', inrush: 'Inrush, times its current' },
  'loop-load': { ohms: 'Input resistance' },
  'optocoupler-input': {
    onVolts: 'On above',
    onAmps: 'On above, current',
    offVolts: 'Off below',
    offAmps: 'Off below, current',
    seriesOhms: 'Series resistance',
    parallelOhms: 'Resistance beside the LED',
    maxVolts: 'Maximum volts at the input',
  },
  'signal-input': {
    currentOhms: 'Burden of the current input',
    voltageOhms: 'Resistance of the voltage input',
    maxCurrent: 'Maximum current of the input',
  },
  'resistance-input': { excitation: 'Measuring current' },
  'thermocouple-input': { ohms: 'Resistance of the input' },
};

const OF_PART: Readonly<Record<string, string>> = {
  'supply.volts': 'Supply range',
  'contacts.amps': 'Contact rating',
  'contacts.inrush': 'Maximum current at closing',
  'contacts.maxVolts': 'Maximum volts of a contact',
  'contacts.minVolts': 'Minimum volts of a contact',
  'contacts.minAmps': 'Minimum current of a contact',
};

const OF_OUTPUT: Readonly<Record<string, string>> = {
  rated: 'Output rating',
  volts: 'Minimum volts that keep the contact clean',
  amps: 'Minimum current that keeps the contact clean',
  minimum: 'Minimum supply of the output stage',
  digitalOhms: 'Minimum loop resistance for communication',
};

/** The figures of a description that a datasheet gives, with what they are called; its inner workings left out. */
export function namedFigures(description: DeviceDescription | ModuleDescription): NamedFigure[] {
  const outputs = 'outputs' in description ? description.outputs : [];
  return figuresIn(description).flatMap(({ path, figure }) => {
    const label = OF_PART[path] ?? ofList(description, path, outputs);
    // What a setting chooses is chosen there.
    return label && !figure.setting ? [{ path, label, figure }] : [];
  });
}

function ofList(
  { behaviours, ...rest }: DeviceDescription | ModuleDescription,
  path: string,
  outputs: DeviceDescription['outputs'],
): string | undefined {
  const [list, id = '', ...names] = path.split('.');
  const last = names.at(-1) ?? '';
  if (list === 'outputs' || list === 'ports') {
    const shadowed = behaviours.some((own) => 'output' in own && own.output === id && 'rated' in own);
    const name = last === 'rated' && shadowed ? undefined : OF_OUTPUT[last];
    const of = list === 'outputs' ? outputs.find((output) => output.id === id)?.label : undefined;
    const port = 'ports' in rest ? rest.ports[Number(id)]?.label : undefined;
    return name && said(name, port ?? (outputs.length > 1 ? of : undefined));
  }
  const own = behaviours.find((behaviour) => behaviour.id === id);
  const name = own && OF_BEHAVIOUR[own.model]?.[last];
  if (!own || !name) return undefined;
  const several = behaviours.filter(({ model }) => model === own.model).length > 1;
  const output = 'output' in own ? outputs.find((each) => each.id === own.output)?.label : undefined;
  return said(name, several ? (output ?? own.id) : undefined);
}

const said = (name: string, of: string | undefined): string => (of ? `${name}, ${of}` : name);

/** The unit in which a figure is told and asked for: milliamperes below one ampere. */
export function tellingUnit({ unit, min, nominal, max }: Figure): string {
  const largest = Math.max(...[min, nominal, max].map((value) => Math.abs(value ?? 0)));
  return unit === 'A' && largest < 1 ? 'mA' : unit;
}

/** A figure in a line: `0.3 to 2 V, usually 1.2`, `at most 200 mA`. */
export function figureText(figure: Figure): string {
  const unit = tellingUnit(figure);
  const told = (value: number): string => plain(unit === 'mA' ? value * 1000 : value, 4);
  const { min, nominal, max } = figure;
  const tail = unit ? `\u00a0${unit}` : '';
  if (min !== undefined && max !== undefined) {
    const usual = nominal === undefined ? '' : `, usually ${told(nominal)}`;
    return `${told(min)} to ${told(max)}${tail}${usual}`;
  }
  if (nominal !== undefined) {
    const limit =
      max !== undefined ? `, at most ${told(max)}` : min !== undefined ? `, at least ${told(min)}` : '';
    return `${told(nominal)}${tail}${limit}`;
  }
  return max !== undefined ? `at most ${told(max)}${tail}` : `at least ${told(min ?? 0)}${tail}`;
}
