export { pulseHertz } from './flow.ts';
export {
  UNITS,
  canBe,
  convert,
  digitsForSpan,
  dimensionOf,
  fixed,
  inDoubt,
  formatMilliamps,
  formatOhms,
  formatVoltBand,
  isSameUnit,
  numberIn,
  formatFineBand,
  formatFineVolts,
  formatVolts,
  lowerFirst,
  parseIn,
  plain,
  withUnit,
  written,
} from './quantity.ts';
export { fileStyle, keptCell } from './fileNumbers.ts';
export { KEPT_STYLE, NUMBER_STYLES } from './number.ts';
export type { NumberStyle } from './number.ts';
export type { Dimension } from './quantity.ts';
export { awgToMm2, gaugeText, parseSection } from './section.ts';
export { UNIT_SYSTEMS, hasTwoUnits, inSystem, unitIn } from './systems.ts';
export type { UnitSystem } from './systems.ts';
