import { Comparator } from './comparator.ts';
import { eachPiece } from './signal.ts';
import type { Signal } from './signal.ts';
import { checkFunction } from './switchFunction.ts';
import type { SwitchFunction } from './switchFunction.ts';
import { delayed, held, latched, offUntil, turned } from './timing.ts';
import type { Course, Turn } from './timing.ts';

/**
 * What a switching function makes of a signal: exact, since each crossing is solved and none is sampled. The damping
 * begins settled at the signal's first value.
 * @param resets moments at which a latch is reset, in order.
 * @throws JobProblem for a function that cannot be.
 */
export function switchedBy(signal: Signal, own: SwitchFunction, resets: readonly number[] = []): Course {
  checkFunction(own);
  const start = signal.at[0] ?? 0;
  const called = held(
    delayed(offUntil(compared(signal, own), start + own.startUp, start), own.onDelay, own.offDelay),
    own.leastPulse,
    start,
  );
  const kept = own.latches ? latched(called, resets) : called;
  return own.logic === 'nc' ? turned(kept) : kept;
}

function compared(signal: Signal, { mode, damping, faults }: SwitchFunction): Course {
  const start = signal.at[0] ?? 0;
  const comparator = new Comparator(mode, signal.values[0] ?? 0);
  const [blindAt] = signal.faults ?? [];
  const blindly = blindAt && blindAt.from <= start && blindAt.to > start ? faults[blindAt.is] : undefined;
  if (blindly) comparator.on = blindly === 'on';
  const first = comparator.on;
  const turns: Turn[] = [];
  const put = (at: number): void => {
    if (comparator.on !== (turns.at(-1)?.on ?? first)) turns.push({ at, on: comparator.on });
  };
  let last = signal.values[0];
  let blind = false;
  eachPiece(signal, damping, (piece) => {
    const does = piece.fault && faults[piece.fault];
    if (does) {
      if (does !== 'hold') comparator.on = does === 'on';
      put(piece.from);
    } else {
      // After a jump or a time without a signal the value is taken anew.
      if (blind || piece.begin !== last) {
        comparator.take(piece.begin);
        put(piece.from);
      }
      comparator.follow(piece, put);
    }
    last = piece.end;
    blind = does !== undefined;
  });
  return { first, turns };
}
