import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { SIGNALS } from '../catalog/index.ts';
import type { ResistanceElement } from '../catalog/index.ts';
import { elementOf } from '../network/index.ts';
import type { Range, Scaling } from '../model/index.ts';
import { convert } from '../units/index.ts';
import type { PointContext } from '../network/index.ts';
import type { CalibrationTables } from '../sensing/index.ts';
import type { SensorPart } from './chain.ts';
import { SQUARE, straight, tableOf, then } from '../sensing/index.ts';
import type { Curve } from '../sensing/index.ts';
import { ohmsOf, temperatureOf, thermometerElement } from '../sensing/index.ts';
import { thermocoupleTemperature, thermocoupleVoltage, thermocoupleMillivolts } from '../sensing/index.ts';
import { effective, effectiveRange } from './effective.ts';

/** A sensor's part of a chain, and the level of the circuit at each of its signals. */
export interface SensedBy {
  readonly part: SensorPart;
  readonly levelOf: (signal: number) => number;
  readonly signalOf: (level: number) => number;
  readonly notes: readonly Message[];
}

/** Temperature of the cold junction at which a couple is reckoned, °C: the circuit takes it as compensated. */
export const COLD_JUNCTION = 20;

/** Where transmitters stop (NAMUR NE 43), mA. */
const TRANSMITTER_STOPS = { low: 3.8, high: 20.5 };

/** A signal as a share of the circuit's own range, and back. */
const levels = (low: number, high: number): Pick<SensedBy, 'levelOf' | 'signalOf'> => {
  const line = straight(low, 0, high, 1);
  return { levelOf: line.at, signalOf: line.inverse };
};

const lineWithin = (low: number, high: number): Curve => straight(low, 0, high, 1);

/** Temperatures in a point's own unit, to °C. */
const toCelsius = (unit: string): Curve => ({
  at: (t) => convert(t, unit, '°C') ?? t,
  inverse: (t) => convert(t, '°C', unit) ?? t,
});

export function sensedBy(
  context: PointContext,
  range: Range,
  scaling: Scaling,
  tables: CalibrationTables,
): SensedBy {
  const element = elementOf(context);
  if (context.output.thermocouple) return thermocoupleSensor(context, range, context.output.thermocouple);
  if (element?.kind === 'rtd') return thermometerSensor(context, range, element);
  if (element) {
    const { lowOhms, highOhms } = element;
    return {
      part: {
        ...named(context, range),
        curve: tabled(tables, scaling) ?? straight(range.low, lowOhms, range.high, highOhms),
        signal: { unit: 'Ω', low: lowOhms, high: highOhms },
      },
      ...levels(lowOhms, highOhms),
      notes: [],
    };
  }
  return transmitter(context, range, scaling, tables);
}

const named = ({ device }: PointContext, { unit, low, high }: Range) => ({
  label: device.tag,
  unit,
  low,
  high,
});

/** The value to signal by the table in force, where the sensor is known by one. */
function tabled({ points }: CalibrationTables, { sensor }: Scaling): Curve | undefined {
  if (sensor.shape !== 'table' || points.length < 2) return undefined;
  const table = tableOf(points);
  const own: Curve = { at: (value) => table.inverse(value), inverse: (signal) => table.at(signal) };
  return sensor.multiplier === 1 ? own : then(straight(0, 0, sensor.multiplier, 1), own);
}

function thermometerSensor(
  context: PointContext,
  range: Range,
  { name = 'Pt100', lowOhms, highOhms }: ResistanceElement,
): SensedBy {
  const element = thermometerElement(name);
  const curve = then(toCelsius(range.unit), {
    at: (t) => ohmsOf(element, t),
    inverse: (ohms) => temperatureOf(element, ohms),
  });
  return {
    part: {
      ...named(context, range),
      label: `${context.device.tag} ${element.id}`,
      curve,
      signal: { unit: 'Ω', low: curve.at(range.low), high: curve.at(range.high) },
    },
    ...levels(lowOhms, highOhms),
    notes: [],
  };
}

function thermocoupleSensor(
  context: PointContext,
  range: Range,
  { letter, millivolts }: NonNullable<PointContext['output']['thermocouple']>,
): SensedBy {
  const curve = then(toCelsius(range.unit), {
    at: (t) => thermocoupleVoltage(letter, t, COLD_JUNCTION),
    inverse: (mV) => thermocoupleTemperature(letter, mV + thermocoupleMillivolts(letter, COLD_JUNCTION)),
  });
  return {
    part: {
      ...named(context, range),
      label: say('scaling.type', { device: context.device.tag, letter }),
      curve,
      signal: { unit: 'mV', low: curve.at(range.low), high: curve.at(range.high) },
    },
    ...levels(0, millivolts),
    notes: [say('scaling.terminals-input-taken-c', { coldJunction: COLD_JUNCTION })],
  };
}

function transmitter(
  context: PointContext,
  range: Range,
  scaling: Scaling,
  tables: CalibrationTables,
): SensedBy {
  const { index, device, output } = context;
  const kind = output.signal ?? '4-20 mA';
  const signal = SIGNALS[kind];
  const own = effectiveRange(index, device.id, range.unit) ?? { ...range, assumed: false };
  const times = scaling.sensor.multiplier;
  const [low, high] = [own.low * times, own.high * times];
  const share = lineWithin(low, high);
  const root = effective(index, device.id, 'shape')?.value === 'root';
  const shaped = then(
    scaling.sensor.shape === 'square' ? then(share, SQUARE) : share,
    root ? { at: SQUARE.inverse, inverse: SQUARE.at } : straight(0, 0, 1, 1),
  );
  const cutoff = Number(effective(index, device.id, 'cutoff')?.value ?? 0);
  const off = effective(index, device.id, 'current');
  return {
    part: {
      label: device.tag,
      unit: range.unit,
      low,
      high,
      curve: tabled(tables, scaling) ?? then(shaped, straight(0, signal.low, 1, signal.high)),
      signal: { unit: signal.unit, low: signal.low, high: signal.high },
      ...(kind === '4-20 mA' && { stops: TRANSMITTER_STOPS }),
      ...(cutoff > 0 && { cutBelow: (cutoff / 100) * Math.max(Math.abs(low), Math.abs(high)) }),
    },
    ...levels(signal.low, signal.high),
    notes: [
      ...(own.assumed ? [say('scaling.nobody-looked-range-yet', { device: device.tag })] : []),
      ...(off?.value === 'off' && !off.assumed
        ? [say('scaling.current-output-stands-off', { device: device.tag })]
        : []),
    ],
  };
}
