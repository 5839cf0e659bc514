import { convert } from '../units/index.ts';
import type { CalibrationTables } from './calibrationTable.ts';
import { straight, tableOf, then } from './curve.ts';
import type { Curve } from './curve.ts';
import { ohmsOf, temperatureOf, thermometerElement } from './rtd.ts';
import { thermocoupleMillivolts, thermocoupleTemperature, thermocoupleVoltage } from './thermocouple.ts';
import type { ThermocoupleType } from './thermocoupleFunctions.ts';

/** Where the current of a transmitter stops below and above its range (NAMUR NE 43), mA. */
export const TRANSMITTER_STOPS = { low: 3.8, high: 20.5 };

/** Temperature of the cold junction at which a couple is reckoned, °C: the circuit takes it as compensated. */
export const COLD_JUNCTION = 20;

/** Temperatures in a unit of their own, to °C. */
const toCelsius = (unit: string): Curve => ({
  at: (t) => convert(t, unit, '°C') ?? t,
  inverse: (t) => convert(t, '°C', unit) ?? t,
});

/** Temperature in a unit to Ω, by the standard of the element's metal (IEC 60751, DIN 43760). */
export function thermometerCurve(name: string, unit: string): Curve {
  const element = thermometerElement(name);
  return then(toCelsius(unit), {
    at: (t) => ohmsOf(element, t),
    inverse: (ohms) => temperatureOf(element, ohms),
  });
}

/** Temperature in a unit to the mV at the terminals, which are at 20 °C (IEC 60584-1). */
export function thermocoupleCurve(letter: ThermocoupleType, unit: string): Curve {
  return then(toCelsius(unit), {
    at: (t) => thermocoupleVoltage(letter, t, COLD_JUNCTION),
    inverse: (mV) => thermocoupleTemperature(letter, mV + thermocoupleMillivolts(letter, COLD_JUNCTION)),
  });
}

/**
 * Value to signal by the table in force, where the sensor is known by one; nothing otherwise.
 * @param multiplier how many times the sensor's own value the wanted one is.
 */
export function tableInForce(
  { points }: CalibrationTables,
  { shape, multiplier }: { readonly shape: string; readonly multiplier: number },
): Curve | undefined {
  if (shape !== 'table' || points.length < 2) return undefined;
  const table = tableOf(points);
  const own: Curve = { at: (value) => table.inverse(value), inverse: (signal) => table.at(signal) };
  return multiplier === 1 ? own : then(straight(0, 0, multiplier, 1), own);
}
