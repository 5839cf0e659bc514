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

/**
 * A part of a signal within which it does not turn: y(s) = a + b·s + c·e^(−s/τ), s seconds after `from`. One is used
 * again for every part, since a day has many.
 */
export class Piece {
  from = 0;
  to = 0;
  begin = 0;
  end = 0;
  fault: SignalFault | undefined;
  #a = 0;
  #b = 0;
  #c = 0;
  #tau = 0;

  /** From a moment to another along u + b·s, behind a damping that stands at y. */
  set(from: number, to: number, u: number, b: number, y: number, tau: number): void {
    this.from = from;
    this.to = to;
    this.#b = b;
    this.#tau = tau;
    this.#a = u - b * tau;
    this.#c = tau > 0 ? y - this.#a : 0;
    this.begin = this.value(0);
    this.end = this.value(to - from);
  }

  value(s: number): number {
    return this.#c === 0 ? this.#a + this.#b * s : this.#a + this.#b * s + this.#c * Math.exp(-s / this.#tau);
  }

  /** Seconds after `from` at which it turns, where b = (c/τ)·e^(−s/τ); nothing where it does not. */
  turn(): number | undefined {
    const share = (this.#b * this.#tau) / this.#c;
    if (!(share > 0 && share < 1)) return undefined;
    const s = -this.#tau * Math.log(share);
    return s < this.to - this.from ? s : undefined;
  }
}

/**
 * Goes through a signal behind a damping of first order, part by part, each of them monotone.
 * @param tau time constant of the damping, s; 0 for none.
 * @param visit gets the same object each time.
 */
export function eachPiece(
  { at, values, faults = [] }: Signal,
  tau: number,
  visit: (piece: Piece) => void,
): void {
  const piece = new Piece();
  let y = values[0] ?? 0;
  let next = 0;
  for (let i = 0; i + 1 < at.length; i++) {
    const start = at[i] ?? 0;
    const stop = at[i + 1] ?? 0;
    const first = values[i] ?? 0;
    const slope = ((values[i + 1] ?? 0) - first) / (stop - start);
    let from = start;
    while (from < stop) {
      while (next < faults.length && nth(faults, next).to <= from) next++;
      const fault = faults[next];
      const inFault = fault !== undefined && fault.from <= from;
      const until = fault ? Math.min(stop, inFault ? fault.to : fault.from) : stop;
      piece.fault = inFault ? fault.is : undefined;
      const u = first + slope * (from - start);
      piece.set(from, until, u, slope, y, tau);
      const turn = tau > 0 ? piece.turn() : undefined;
      if (turn === undefined || turn <= 0) visit(piece);
      else {
        const middle = from + turn;
        piece.set(from, middle, u, slope, y, tau);
        visit(piece);
        piece.set(middle, until, u + slope * turn, slope, piece.end, tau);
        visit(piece);
      }
      y = piece.end;
      from = until;
    }
  }
}
