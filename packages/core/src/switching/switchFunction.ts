import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import type { SignalFault } from './signal.ts';

/**
 * At which values something is on. `points`: on from `set`, off again at `reset`; a set point below its reset point
 * switches on falling. `window`: on between two values, off again so far outside them.
 */
export type SwitchMode =
  | { readonly kind: 'points'; readonly set: number; readonly reset: number }
  | { readonly kind: 'window'; readonly low: number; readonly high: number; readonly hysteresis: number };

/** What a switching function gives while its signal says nothing. */
type InFault = 'on' | 'off' | 'hold';

/** At which value an output switches, how long that takes, and what it does without a signal. Times in s. */
export interface SwitchFunction {
  readonly mode: SwitchMode;
  /** Normally open: on while called. Normally closed: off while called. */
  readonly logic: 'no' | 'nc';
  /** Time constant of a damping of first order ahead of it. */
  readonly damping: number;
  /** So long it must be called, and not called any more, before the output follows. */
  readonly onDelay: number;
  readonly offDelay: number;
  /** So long after the start it is not called, whatever the value. */
  readonly startUp: number;
  /** Once called, it is called for so long at least. */
  readonly leastPulse: number;
  /** Once called, it stays so until it is reset while the value calls for it no more. */
  readonly latches: boolean;
  readonly faults: Readonly<Record<SignalFault, InFault>>;
}

/** A function that does nothing but compare. */
export const plainFunction = (mode: SwitchMode): SwitchFunction => ({
  mode,
  logic: 'no',
  damping: 0,
  onDelay: 0,
  offDelay: 0,
  startUp: 0,
  leastPulse: 0,
  latches: false,
  faults: { break: 'hold', short: 'hold', invalid: 'hold' },
});

/** @throws JobProblem for what cannot be: a window turned inside out, a time or a hysteresis below zero. */
export function checkFunction({
  mode,
  damping,
  onDelay,
  offDelay,
  startUp,
  leastPulse,
}: SwitchFunction): void {
  if (mode.kind === 'points' && mode.set === mode.reset) refuse(say('switching.set-is-reset'), 'reset');
  if (mode.kind === 'window' && !(mode.low < mode.high)) refuse(say('switching.window-turned'), 'high');
  if (mode.kind === 'window' && !(mode.hysteresis >= 0))
    refuse(say('switching.hysteresis-negative'), 'hysteresis');
  for (const time of [damping, onDelay, offDelay, startUp, leastPulse])
    if (!(time >= 0)) refuse(say('switching.time-negative'));
}
