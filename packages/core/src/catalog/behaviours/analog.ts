import { exactly, percent, within } from '../../circuit/index.ts';
import type { Condition, Element } from '../../circuit/index.ts';
import type { Settings } from '../../model/index.ts';
import type { PartNow, ResistanceElement, SignalKind } from '../types.ts';
import { contact, resistor } from './switching.ts';

/** Ends of each signal: mA or V. */
export const SIGNALS: Readonly<
  Record<SignalKind, { readonly unit: 'mA' | 'V'; readonly low: number; readonly high: number }>
> = {
  '4-20 mA': { unit: 'mA', low: 4, high: 20 },
  '0-20 mA': { unit: 'mA', low: 0, high: 20 },
  '0-10 V': { unit: 'V', low: 0, high: 10 },
  '2-10 V': { unit: 'V', low: 2, high: 10 },
};

/** Value of a signal at a share of its range, in its own unit (mA or V). */
const signalAt = (kind: SignalKind, level: number): number =>
  SIGNALS[kind].low + level * (SIGNALS[kind].high - SIGNALS[kind].low);

/** Accuracy of a transmitter's output, % of its value at full scale. */
const OUTPUT_PERCENT = 0.1;

const amps = (kind: SignalKind, level: number) => {
  const value = Math.max(signalAt(kind, level), 0.005) / 1000;
  const off = (SIGNALS[kind].high / 1000) * (OUTPUT_PERCENT / 100);
  return within(Math.max(value - off, 1e-6), value, value + off);
};

/** Two-wire transmitter: it takes its power from the loop and needs `liftVolts` across it (V). */
export const loopPowered =
  (plus: string, minus: string, kind: SignalKind, liftVolts: number) =>
  ({ level }: PartNow): Element[] => [
    {
      kind: 'transmitter',
      id: 'signal',
      plus,
      minus,
      amps: amps(kind, level),
      liftVolts: within(liftVolts * 0.98, liftVolts, liftVolts * 1.02),
    },
  ];

/** Most current that a voltage output gives, A, and the voltage up to which a current output can push, V. */
const VOLTAGE_LIMIT_AMPS = 0.01;
const COMPLIANCE_VOLTS = 16;

/**
 * An active output between `out` and `back`, alive while the detector `alive` is on: it pushes its current out, or
 * holds its voltage, from a supply of its own.
 */
export function activeSignal(
  id: string,
  out: string,
  back: string,
  kind: SignalKind,
  level: number,
  alive: Condition,
): Element[] {
  const source = (volts: number, inner: number, limit: number): Element => ({
    kind: 'source',
    id: `${id}-source`,
    plus: `~${id}`,
    minus: back,
    volts: percent(volts, OUTPUT_PERCENT),
    innerOhms: exactly(inner),
    limitAmps: exactly(limit),
  });
  if (SIGNALS[kind].unit === 'V') {
    const value = Math.max(signalAt(kind, level), 0.001);
    return [source(value, 1, VOLTAGE_LIMIT_AMPS), contact(id, `~${id}`, out, alive, exactly(0.1))];
  }
  return [
    source(COMPLIANCE_VOLTS + 3, 1, 0.05),
    {
      kind: 'transmitter',
      id: `${id}-amps`,
      plus: `~${id}`,
      minus: `~${id}-2`,
      amps: amps(kind, level),
      liftVolts: exactly(3),
    },
    contact(id, `~${id}-2`, out, alive, exactly(0.1)),
  ];
}

/** The electronics' own supply as a load, with the detector `fed` that says whether it is enough. */
export const fed = (plus: string, minus: string, ohms: number, least: number): Element[] => [
  resistor('supply', plus, minus, percent(ohms, 20)),
  { kind: 'detector', id: 'fed', a: plus, b: minus, onVolts: least, offVolts: least * 0.9 },
];

/** Ohms of a resistance element at a share of its range. */
export const ohmsAt = ({ lowOhms, highOhms }: ResistanceElement, level: number): number =>
  lowOhms + level * (highOhms - lowOhms);

/** A resistance between two nodes that stands for the value. */
export const resistive =
  (a: string, b: string, element: ResistanceElement | ((settings: Settings) => ResistanceElement)) =>
  ({ level, settings }: PartNow): Element[] => {
    const own = typeof element === 'function' ? element(settings) : element;
    return [resistor('signal', a, b, percent(Math.max(ohmsAt(own, level), 0.01), 0.05))];
  };

/** A potentiometer: the wiper `w` between its ends. */
export const potentiometer =
  (a: string, w: string, b: string, ohms: number) =>
  ({ level }: PartNow): Element[] => {
    const share = Math.min(Math.max(level, 0.001), 0.999);
    return [
      resistor('upper', a, w, percent(ohms * (1 - share), 0.5)),
      resistor('signal', w, b, percent(ohms * share, 0.5)),
    ];
  };
