export { besideEachOther, calibrationsOf, tablesOf } from './calibrationTable.ts';
export type { CalibrationTables, FieldPoint } from './calibrationTable.ts';
export { SQUARE, beyondTable, checkTable, problemOfCurve, rootOf, straight, tableOf, then } from './curve.ts';
export type { Curve } from './curve.ts';
export {
  ELEMENTS,
  METALS,
  ohmsOf,
  ohmsPerKelvin,
  temperatureOf,
  thermometerElement,
  thermometerTolerance,
} from './rtd.ts';
export type { ThermometerClass } from './rtd.ts';
export {
  COLD_JUNCTION,
  TRANSMITTER_STOPS,
  tableInForce,
  thermocoupleCurve,
  thermometerCurve,
} from './sensorCurve.ts';
export { thermistorOhms, thermistorTemperature } from './thermistor.ts';
export {
  hotEnd,
  seebeck,
  thermocoupleMillivolts,
  thermocoupleRange,
  thermocoupleTemperature,
  thermocoupleTolerance,
  thermocoupleVoltage,
} from './thermocouple.ts';
export { THERMOCOUPLE_TYPES } from './thermocoupleFunctions.ts';
export type { ThermocoupleType } from './thermocoupleFunctions.ts';
export { hertzPerUnit, pulseLaw } from './pulseLaw.ts';
export type { PulseLaw } from './pulseLaw.ts';
