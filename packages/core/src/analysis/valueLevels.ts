import { SIGNALS } from '../catalog/index.ts';
import { elementOf } from '../network/index.ts';
import { ownFunction } from '../job/index.ts';
import type { PointContext } from '../network/index.ts';
import { unlessRefused } from '../model/index.ts';
import {
  SQUARE,
  TRANSMITTER_STOPS,
  tableInForce,
  tablesOf,
  thermocoupleCurve,
  thermometerCurve,
} from '../sensing/index.ts';
import type { Curve } from '../sensing/index.ts';

/** A sensor's value to its signal, and its signal to the level of the circuit. */
interface Sensed {
  readonly curve: Curve;
  /** The signal at the levels 0 and 1. */
  readonly low: number;
  readonly high: number;
}

/** Range over which the levels 0 and 1 of thermometers and couples are given. */
const CELSIUS = { low: 0, high: 100, unit: '°C' };

/**
 * Level of the circuit at a share of the point's range: by the sensor's standard, by the table in force or by its
 * square, as the chain of the point has it; in proportion where none of these is known. A share at which the sensor
 * gives nothing stands at the nearest of the range's middle and ends at which it does.
 */
export function levelsOf(context: PointContext): (share: number) => number {
  const range = context.point.range ?? CELSIUS;
  const sensed = unlessRefused(() => sensedOf(context, range.unit));
  if (!sensed) return transmitted(context);
  const { curve, low, high } = sensed;
  const at = (share: number): number | undefined =>
    unlessRefused(() => (curve.at(range.low + share * (range.high - range.low)) - low) / (high - low));
  return (share) => at(share) ?? at(0.5) ?? at(0) ?? at(1) ?? share;
}

function sensedOf(context: PointContext, unit: string): Sensed | undefined {
  const { index, point, output } = context;
  const { thermocouple, signal } = output;
  if (thermocouple)
    return { curve: thermocoupleCurve(thermocouple.letter, unit), low: 0, high: thermocouple.millivolts };
  const element = elementOf(context);
  if (element?.kind === 'rtd' && element.name)
    return { curve: thermometerCurve(element.name, unit), low: element.lowOhms, high: element.highOhms };
  const curve = point.scaling && tableInForce(tablesOf(index.job, point.id), point.scaling.sensor);
  if (!curve) return undefined;
  if (element) return { curve, low: element.lowOhms, high: element.highOhms };
  return signal && { curve, low: SIGNALS[signal].low, high: SIGNALS[signal].high };
}

/** Where a transmitter's current stops below and above its range, as levels. */
const STOPS = { low: (TRANSMITTER_STOPS.low - 4) / 16, high: (TRANSMITTER_STOPS.high - 4) / 16 };

/** A transmitter's level, over its own range where that was seen to be another than the point's. */
function transmitted({ index, point, device, output }: PointContext): (share: number) => number {
  const shape = output.signal && point.scaling?.sensor.shape === 'square' ? SQUARE.at : (x: number) => x;
  const { range } = point;
  const own = output.signal && range && ownFunction(index, device, range);
  if (!own) return shape;
  const stops = output.signal === '4-20 mA' ? STOPS : { low: 0, high: 1 };
  return (share) => {
    const value = range.low + share * (range.high - range.low);
    const level = shape((value - own.low) / (own.high - own.low));
    return Math.min(Math.max(own.root ? SQUARE.inverse(level) : level, stops.low), stops.high);
  };
}
