import { nth } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';

/** Why a signal says nothing for a while. */
export type SignalFault = 'break' | 'short' | 'invalid';

/** A signal as straight pieces between its corners; two corners at one moment are a jump. */
export interface Signal {
  /** Moments of the corners, s, never falling, and the values there. */
  readonly at: ArrayLike<number>;
  readonly values: ArrayLike<number>;
  /** When it says nothing, in order, none over another. */
  readonly faults?: readonly { readonly from: number; readonly to: number; readonly is: SignalFault }[];
}

/** A row of readings that were taken at one distance in time, s. @throws JobProblem where there are fewer than two. */
export function sampledSignal(values: readonly number[], period: number): Signal {
  if (values.length < 2) refuse(say('switching.two-readings'));
  if (!(period > 0)) refuse(say('switching.period-above-zero'));
  return { at: Float64Array.from(values, (_, n) => n * period), values };
}

/** A part of a signal within which it does not turn: from one moment to another, as what it is called for. */
export interface Piece {
  readonly from: number;
  readonly to: number;
  /** Value so many seconds after `from`. */
  readonly value: (seconds: number) => number;
  readonly end: number;
  readonly begin: number;
  readonly fault?: SignalFault;
}

/**
 * The pieces of a signal behind a damping of first order, each of them monotone: between corners
 * y(s) = a + b·s + c·e^(−s/τ), which turns once at most, where b = (c/τ)·e^(−s/τ).
 * @param seconds time constant of the damping, s; 0 for none.
 */
export function* piecesOf({ at, values, faults = [] }: Signal, seconds: number): Generator<Piece> {
  let y = values[0] ?? 0;
  let next = 0;
  for (let i = 0; i + 1 < at.length; i++) {
    const [start, stop] = [at[i] ?? 0, at[i + 1] ?? 0];
    if (stop <= start) {
      if (seconds === 0) y = values[i + 1] ?? y;
      continue;
    }
    const slope = ((values[i + 1] ?? 0) - (values[i] ?? 0)) / (stop - start);
    let from = start;
    while (from < stop) {
      while (next < faults.length && nth(faults, next).to <= from) next++;
      const fault = faults[next];
      const inFault = fault !== undefined && fault.from <= from;
      const until = Math.min(stop, fault ? (inFault ? fault.to : fault.from) : stop);
      const piece = straightOrDamped(
        (values[i] ?? 0) + slope * (from - start),
        slope,
        y,
        until - from,
        seconds,
      );
      for (const { length, offset } of piece.parts) {
        const [a, b] = [from + offset, from + offset + length];
        yield {
          from: a,
          to: b,
          begin: piece.value(offset),
          end: piece.value(offset + length),
          value: (s) => piece.value(offset + s),
          ...(inFault && { fault: fault.is }),
        };
      }
      y = piece.value(until - from);
      from = until;
    }
  }
}

function straightOrDamped(
  u: number,
  b: number,
  y: number,
  length: number,
  tau: number,
): { value: (s: number) => number; parts: { offset: number; length: number }[] } {
  const whole = [{ offset: 0, length }];
  if (tau === 0) return { value: (s) => u + b * s, parts: whole };
  const a = u - b * tau;
  const c = y - a;
  const value = (s: number): number => a + b * s + c * Math.exp(-s / tau);
  const share = (b * tau) / c;
  const turn = share > 0 && share < 1 ? -tau * Math.log(share) : length;
  return {
    value,
    parts:
      turn > 0 && turn < length
        ? [
            { offset: 0, length: turn },
            { offset: turn, length: length - turn },
          ]
        : whole,
  };
}
