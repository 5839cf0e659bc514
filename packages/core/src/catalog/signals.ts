/** The analog signals that are known. */
export const SIGNAL_KINDS = [
  '4-20 mA',
  '0-20 mA',
  '0-10 V',
  '2-10 V',
  '0-5 V',
  '1-5 V',
  '±10 V',
  '0-60 mV',
] as const;
export type SignalKind = (typeof SIGNAL_KINDS)[number];

/** Ends of each signal: mA, V or mV. */
export const SIGNALS: Readonly<
  Record<SignalKind, { readonly unit: 'mA' | 'V' | 'mV'; readonly low: number; readonly high: number }>
> = {
  '4-20 mA': { unit: 'mA', low: 4, high: 20 },
  '0-20 mA': { unit: 'mA', low: 0, high: 20 },
  '0-10 V': { unit: 'V', low: 0, high: 10 },
  '2-10 V': { unit: 'V', low: 2, high: 10 },
  '0-5 V': { unit: 'V', low: 0, high: 5 },
  '1-5 V': { unit: 'V', low: 1, high: 5 },
  '±10 V': { unit: 'V', low: -10, high: 10 },
  '0-60 mV': { unit: 'mV', low: 0, high: 60 },
};

/** Value of a signal at a share of its range, in its own unit. */
export const signalAt = (kind: SignalKind, level: number): number =>
  SIGNALS[kind].low + level * (SIGNALS[kind].high - SIGNALS[kind].low);

/** To which of its two an input is switched for a signal. */
export const switchedTo = (kind: SignalKind): 'mA' | 'V' => (SIGNALS[kind].unit === 'mA' ? 'mA' : 'V');

/** Volts or amperes of a signal for one of its unit. */
export const perUnit = (kind: SignalKind): number => (SIGNALS[kind].unit === 'V' ? 1 : 0.001);
