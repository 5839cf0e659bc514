export { pulseHertz } from './flow.ts';
export {
  UNITS,
  convert,
  digitsForSpan,
  dimensionOf,
  fixed,
  formatMilliamps,
  formatVoltBand,
  formatVolts,
  parseIn,
  plain,
} from './quantity.ts';
export type { Dimension } from './quantity.ts';
export { awgToMm2, parseSection } from './section.ts';
