/** The analog signals that are known. */
export const SIGNAL_KINDS = ['4-20 mA', '0-20 mA', '0-10 V', '2-10 V', '0-5 V', '1-5 V', '±10 V'] as const;
export type SignalKind = (typeof SIGNAL_KINDS)[number];

/** Ends of each signal: mA or V. */
export const SIGNALS: Readonly<
  Record<SignalKind, { readonly unit: 'mA' | 'V'; readonly low: number; readonly high: number }>
> = {
  '4-20 mA': { unit: 'mA', low: 4, high: 20 },
  '0-20 mA': { unit: 'mA', low: 0, high: 20 },
  '0-10 V': { unit: 'V', low: 0, high: 10 },
  '2-10 V': { unit: 'V', low: 2, high: 10 },
  '0-5 V': { unit: 'V', low: 0, high: 5 },
  '1-5 V': { unit: 'V', low: 1, high: 5 },
  '±10 V': { unit: 'V', low: -10, high: 10 },
};

/** Value of a signal at a share of its range, in its own unit (mA or V). */
export const signalAt = (kind: SignalKind, level: number): number =>
  SIGNALS[kind].low + level * (SIGNALS[kind].high - SIGNALS[kind].low);
