import type { Analysis } from '../analysis/index.ts';
import { convert } from '../units/index.ts';
import type { Curve } from '../sensing/index.ts';
import {
  ELEMENTS,
  THERMOCOUPLE_TYPES,
  ohmsOf,
  straight,
  temperatureOf,
  thermocoupleMillivolts,
  thermocoupleTemperature,
} from '../sensing/index.ts';
import type { PointChain } from './pointChainTypes.ts';
import { effective } from './effective.ts';
import type { Effective } from './effective.ts';
import type { SideRange } from './transmitterCalibration.ts';

/** What is injected into a transmitter and what it gives, and the curve between where it is none. */
export interface CalibrationSides {
  readonly injects: SideRange;
  readonly gives: SideRange;
  /** From the value to what is injected, where a source stands in for the element. */
  readonly curved?: { readonly curve: Curve; readonly low: number; readonly high: number };
  /** What must come for what was injected. */
  readonly wantedOf: (injected: number) => number;
}

/**
 * The sides of a point's transmitter: its own value, or, where it is set to an element or couple, the ohms or millivolts
 * of that (with the cold junction at 0 °C, as a source without compensation gives them).
 */
export function calibrationSides({ context }: Analysis, { chain: { sensor } }: PointChain): CalibrationSides {
  const { low, high, unit, signal } = sensor;
  const gives = { low: signal.low, high: signal.high, unit: signal.unit };
  const out = straight(low, signal.low, high, signal.high);
  const stands = (key: string) => effective(context.index, context.device.id, key);
  const curve =
    elementCurve(stands('element')?.value ?? '', unit) ??
    bridgeCurve(stands('sensitivity'), stands('rated'), unit);
  if (!curve) {
    return { injects: { low, high, unit }, gives, wantedOf: sensor.curve.at };
  }
  return {
    injects: { low: curve.curve.at(low), high: curve.curve.at(high), unit: curve.unit },
    gives,
    curved: { curve: curve.curve, low, high },
    wantedOf: (injected) => out.at(curve.curve.inverse(injected)),
  };
}

/** A load cell as its simulator stands in for it: mV for each V of its feed, in proportion to its rated load. */
function bridgeCurve(
  sensitivity: Effective | undefined,
  rated: Effective | undefined,
  unit: string,
): { curve: Curve; unit: string } | undefined {
  const top = rated && convert(Number(rated.value), rated.unit, unit);
  const gives = Number(sensitivity?.value);
  return top && gives > 0 ? { unit: 'mV/V', curve: straight(0, 0, top, gives) } : undefined;
}

function elementCurve(name: string, unit: string): { curve: Curve; unit: string } | undefined {
  const celsius = (t: number): number => convert(t, unit, '°C') ?? t;
  const own = (t: number): number => convert(t, '°C', unit) ?? t;
  const element = ELEMENTS.find(({ id }) => id === name);
  if (element)
    return {
      unit: 'Ω',
      curve: { at: (t) => ohmsOf(element, celsius(t)), inverse: (ohms) => own(temperatureOf(element, ohms)) },
    };
  const thermocouple = THERMOCOUPLE_TYPES.find((type) => type === name);
  return (
    thermocouple && {
      unit: 'mV',
      curve: {
        at: (t) => thermocoupleMillivolts(thermocouple, celsius(t)),
        inverse: (mV) => own(thermocoupleTemperature(thermocouple, mV)),
      },
    }
  );
}
