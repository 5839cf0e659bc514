import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { SIGNALS } from '../catalog/index.ts';
import type { ResistanceElement } from '../catalog/index.ts';
import { elementOf } from '../network/index.ts';
import type { Range, Scaling } from '../model/index.ts';
import type { PointContext } from '../network/index.ts';
import type { CalibrationTables, Curve } from '../sensing/index.ts';
import type { SensorPart } from './chain.ts';
import {
  COLD_JUNCTION,
  SQUARE,
  TRANSMITTER_STOPS,
  straight,
  tableInForce,
  then,
  thermocoupleCurve,
  thermometerCurve,
} from '../sensing/index.ts';
import { effective, effectiveRange } from './effective.ts';

/** A sensor's part of a chain, and the level of the circuit at each of its signals. */
export interface SensedBy {
  readonly part: SensorPart;
  readonly levelOf: (signal: number) => number;
  readonly signalOf: (level: number) => number;
  readonly notes: readonly Message[];
}

/** A signal as a share of the circuit's own range, and back. */
const levels = (low: number, high: number): Pick<SensedBy, 'levelOf' | 'signalOf'> => {
  const line = straight(low, 0, high, 1);
  return { levelOf: line.at, signalOf: line.inverse };
};

const lineWithin = (low: number, high: number): Curve => straight(low, 0, high, 1);

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
        curve: tableInForce(tables, scaling.sensor) ?? straight(range.low, lowOhms, range.high, highOhms),
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

function thermometerSensor(
  context: PointContext,
  range: Range,
  { name = 'Pt100', lowOhms, highOhms }: ResistanceElement,
): SensedBy {
  const curve = thermometerCurve(name, range.unit);
  return {
    part: {
      ...named(context, range),
      label: `${context.device.tag} ${name}`,
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
  const curve = thermocoupleCurve(letter, range.unit);
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
      curve: tableInForce(tables, scaling.sensor) ?? then(shaped, straight(0, signal.low, 1, signal.high)),
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
