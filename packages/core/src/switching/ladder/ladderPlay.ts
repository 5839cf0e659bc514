import { nth } from '../../lists/index.ts';
import type { Signal } from '../signal.ts';
import { turnsOf } from './ladder.ts';
import type { Ladder } from './ladder.ts';
import { LadderRun } from './ladderRun.ts';
import type { LadderInput } from './ladderRun.ts';

/** Something that somebody does while a ladder is played, s. */
export interface LadderAct {
  readonly at: number;
  readonly is: 'anyone' | 'operator' | 'key' | 'power' | 'bypass' | 'bypassOff';
}

/** How a ladder stands from a moment on, s, until the next. */
export interface LadderFrame {
  readonly at: number;
  /** Of each level whether it is called for, whether it stands, and since when it stands. */
  readonly levels: readonly { readonly called: boolean; readonly on: boolean; readonly onSince: number }[];
  readonly fault: boolean;
  readonly starting: boolean;
  readonly bypassed: boolean;
  /** What was done at this moment. */
  readonly act?: LadderAct['is'];
}

const INPUT_OF: Readonly<Record<LadderAct['is'], Omit<LadderInput, 'value'>>> = {
  anyone: { clear: 'anyone' },
  operator: { clear: 'operator' },
  key: { clear: 'key' },
  power: { power: true },
  bypass: { bypass: 'on' },
  bypassOff: { bypass: 'off' },
};

/**
 * What a ladder makes of a signal: exact, since each crossing is solved and each time ends at its own moment.
 * @param acts what is done meanwhile, in order.
 */
export function playLadder(ladder: Ladder, signal: Signal, acts: readonly LadderAct[] = []): LadderFrame[] {
  const player = new Player(ladder);
  let next = 0;
  const { at, values } = signal;
  const faults = (signal.faults ?? []).map(({ from, to }) => ({ from: 1000 * from, to: 1000 * to }));
  const moments = [
    ...new Set([...faults.flatMap(({ from, to }) => [from, to]), ...acts.map((act) => 1000 * act.at)]),
  ].sort((a, b) => a - b);
  let moment = 0;
  for (let i = 0; i + 1 < at.length; i++) {
    const [from, to] = [1000 * (at[i] ?? 0), 1000 * (at[i + 1] ?? 0)];
    const [first, last] = [values[i] ?? 0, values[i + 1] ?? 0];
    const valueAt = (t: number): number =>
      t === to ? last : first + ((last - first) * (t - from)) / (to - from);
    let start = from;
    while (start < to) {
      while (moment < moments.length && nth(moments, moment) <= start) moment++;
      const end = Math.min(to, moments[moment] ?? Infinity);
      const [a, b] = [start, end];
      const fault = faults.some((one) => one.from <= a && a < one.to);
      const begin = player.now(a, valueAt(a), fault);
      for (; next < acts.length && 1000 * nth(acts, next).at <= a; next++) begin(nth(acts, next).is);
      player.follow({ from: a, to: b, first: valueAt(a), last: valueAt(b), fault });
      start = end;
    }
  }
  return player.frames;
}

/** A straight piece of the signal; times in ms. */
interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly first: number;
  readonly last: number;
  readonly fault: boolean;
}

class Player {
  readonly frames: LadderFrame[] = [];
  readonly #ladder: Ladder;
  readonly #run: LadderRun;
  readonly #onSince: number[];
  constructor(ladder: Ladder) {
    this.#ladder = ladder;
    this.#run = new LadderRun(ladder);
    this.#onSince = ladder.levels.map(() => 0);
  }

  /** Takes the value at a moment; what it gives back does something there. */
  now(at: number, value: number, fault: boolean): (act: LadderAct['is']) => void {
    this.#step(at, { value, fault });
    return (act) => this.#step(at, { value, fault, ...INPUT_OF[act] }, act);
  }

  /** Goes along a straight piece to its end, from one turn to the next. */
  follow({ from, to, first, last, fault }: Stretch): void {
    let at = from;
    for (;;) {
      const timer = this.#run.nextEnd();
      const crossing = fault ? undefined : this.#crossing({ from, to, first, last, fault }, at);
      const next = Math.min(timer > at ? timer : Infinity, crossing?.at ?? Infinity);
      if (!(next < to)) return;
      const value =
        next === crossing?.at ? crossing.value : first + ((last - first) * (next - from)) / (to - from);
      this.#step(next, { value, fault });
      at = next;
    }
  }

  /** The next moment after another at which a level is called for or no more. */
  #crossing({ from, to, first, last }: Stretch, after: number): { at: number; value: number } | undefined {
    if (first === last || this.#run.starting) return undefined;
    const rising = last > first;
    let found: { at: number; value: number } | undefined;
    this.#ladder.levels.forEach((level, i) => {
      const { called } = nth(this.#run.levels, i);
      const upper = level.direction === 'above';
      if (upper !== (called ? !rising : rising)) return;
      const { on, back } = turnsOf(level);
      const edge = called ? back : on;
      const at = from + ((edge - first) / (last - first)) * (to - from);
      // Without hysteresis a level is called for at its limit, and no more just beyond it.
      const value =
        called && level.hysteresis === 0
          ? edge + (rising ? 1 : -1) * (1e-12 * Math.abs(edge) + 1e-300)
          : edge;
      if (at > after && at < (found?.at ?? Infinity)) found = { at, value };
    });
    return found;
  }

  #step(at: number, input: LadderInput, act?: LadderAct['is']): void {
    this.#run.step(at, input);
    const last = this.frames.at(-1);
    this.#run.levels.forEach(({ on }, i) => {
      if (on && !last?.levels[i]?.on) this.#onSince[i] = at / 1000;
    });
    const frame: LadderFrame = {
      at: at / 1000,
      levels: this.#run.levels.map(({ called, on }, i) => ({ called, on, onSince: nth(this.#onSince, i) })),
      fault: this.#run.fault,
      starting: this.#run.starting,
      bypassed: this.#run.bypassed,
      ...(act && { act }),
    };
    if (!last || act || !isSame(last, frame)) this.frames.push(frame);
  }
}

const isSame = (a: LadderFrame, b: LadderFrame): boolean =>
  a.fault === b.fault &&
  a.starting === b.starting &&
  a.bypassed === b.bypassed &&
  a.levels.every(({ called, on }, i) => called === b.levels[i]?.called && on === b.levels[i].on);
