import type { InputThresholds, Sense } from './netlist.ts';
import type { Span } from './span.ts';

/** What an input makes of its terminal: for certain on, for certain off, or neither. */
export type InputState = 'on' | 'off' | 'undecided';

/**
 * 24 V d.c. inputs of IEC 61131-2, table of standard operating ranges for current-sinking digital inputs.
 * Volts and amperes at the terminal against the common, in the sense in which the input takes current.
 */
export const IEC_61131_2: Readonly<Record<1 | 2 | 3, InputThresholds>> = {
  1: { onVolts: 15, onAmps: 0.002, offVolts: 5, offAmps: 0.0005, offVoltsAtLowCurrent: 15, maxVolts: 30 },
  2: { onVolts: 11, onAmps: 0.006, offVolts: 5, offAmps: 0.002, offVoltsAtLowCurrent: 11, maxVolts: 30 },
  3: { onVolts: 11, onAmps: 0.002, offVolts: 5, offAmps: 0.0015, offVoltsAtLowCurrent: 11, maxVolts: 30 },
};

/** Turns terminal-to-common volts or amperes into the sense that the input counts: what drives it is positive. */
export function driving(band: Span, sense: Sense): Span {
  const turned = { nom: -band.nom, min: -band.max, max: -band.min };
  if (sense === 'sink') return band;
  if (sense === 'source') return turned;
  return band.nom >= 0 ? band : turned;
}

/** Judges one pair of values, in V and A, both in the input's own sense. */
export function judgeInput(volts: number, amps: number, t: InputThresholds): InputState {
  if (volts >= t.onVolts && amps >= t.onAmps) return 'on';
  if (volts <= t.offVolts || (amps <= t.offAmps && volts <= t.offVoltsAtLowCurrent)) return 'off';
  return 'undecided';
}

/** Judges a whole tolerance band: on or off only when every part of the band is. */
export function judgeInputBand(volts: Span, amps: Span, t: InputThresholds): InputState {
  if (volts.min >= t.onVolts && amps.min >= t.onAmps) return 'on';
  if (volts.max <= t.offVolts || (amps.max <= t.offAmps && volts.max <= t.offVoltsAtLowCurrent)) return 'off';
  return 'undecided';
}
