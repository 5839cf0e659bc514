import { sure } from '../lists/index.ts';
import { perUnit, SIGNALS, switchedTo } from '../catalog/index.ts';
import type { AnalogPort, SignalKind } from '../catalog/index.ts';
import type { Quantity, Span } from '../circuit/index.ts';
import type { Settings } from '../model/index.ts';
import { elementId } from '../network/index.ts';
import type { PointContext } from '../network/index.ts';

/** What an analog input makes of its terminals: a value in its own unit, and where that stands in its range. */
export interface Measured {
  readonly unit: 'mA' | 'V' | 'Ω' | 'mV';
  readonly value: Span;
  /** Share of the range, 0 at its bottom and 1 at its top; absent where the range is the device's business. */
  readonly share?: Span;
}

/** The volts from which an analog port of a module reckons. */
export function measuredQuantity(moduleId: string, port: AnalogPort, settings: Settings): Quantity {
  const node = (name: string): string => `${moduleId}:${name}`;
  const between = (a: string, b: string, factor = 1) => ({ a: node(a), b: node(b), factor });
  if (port.measures !== 'resistance') return { kind: 'volts', a: node(port.terminal), b: node(port.common) };
  const { terminal, common, roles } = port;
  const { sense = terminal, senseReturn = common } = roles;
  switch (settings[port.wiresKey ?? '']) {
    case '4':
      return { kind: 'sum', terms: [between(sense, senseReturn)] };
    case '3':
      // The drop of the return lead counts off that of the other, which is as long.
      return {
        kind: 'sum',
        terms: [between(terminal, senseReturn), between(senseReturn, common, -1)],
      };
    default:
      return { kind: 'sum', terms: [between(terminal, common)] };
  }
}

const scaled = ({ nom, min, max }: Span, factor: number, offset = 0): Span => ({
  nom: nom * factor + offset,
  min: min * factor + offset,
  max: max * factor + offset,
});

/**
 * What a port reads from its volts. The converter always sees volts; its range parameter alone says what they mean,
 * so a switch or signal that does not agree reads what it truly would.
 */
export function measuredOf(port: AnalogPort, settings: Settings, volts: Span): Measured {
  if (port.measures === 'resistance')
    return { unit: 'Ω', value: scaled(volts, 1 / sure(port.excitationAmps)) };
  if (port.measures === 'thermocouple') return { unit: 'mV', value: scaled(volts, 1000) };
  const kind = settings[sure(port.rangeKey)] as SignalKind;
  const { unit, low, high } = SIGNALS[kind];
  const value = scaled(volts, 1 / perUnit(kind) / (unit === 'mA' ? port.shuntOhms : 1));
  return { unit, value, share: scaled(value, 1 / (high - low), -low / (high - low)) };
}

/** What a device gets of an analog output, mA or V as the signal is that it takes; nothing for one that takes none. */
export function givenQuantity({
  device,
  output,
}: PointContext): Exclude<Quantity, { kind: 'sum' }> | undefined {
  if (output.landsOn !== 'load' || !output.signal || !output.across) return undefined;
  const [a, b] = output.across;
  return switchedTo(output.signal) === 'V'
    ? { kind: 'volts', a: `${device.id}:${a}`, b: `${device.id}:${b}` }
    : { kind: 'amps', element: elementId(device.id, `${output.element ?? ''}-part`) };
}
