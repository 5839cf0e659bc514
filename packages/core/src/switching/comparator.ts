import type { Piece } from './signal.ts';
import type { SwitchMode } from './switchFunction.ts';

/** A value at which a comparator turns, on the way up or down; `beyond` where it has to be passed, not only reached. */
interface Edge {
  readonly level: number;
  readonly up: boolean;
  readonly beyond?: boolean;
}

/** Where a comparator turns, by whether it is on. */
function edgesOf(mode: SwitchMode): Readonly<Record<'on' | 'off', readonly Edge[]>> {
  if (mode.kind === 'points') {
    const up = mode.set > mode.reset;
    return { off: [{ level: mode.set, up }], on: [{ level: mode.reset, up: !up }] };
  }
  const { low, high, hysteresis } = mode;
  return {
    off: [
      { level: low, up: true },
      { level: high, up: false },
    ],
    on: [
      { level: high + hysteresis, up: true, beyond: true },
      { level: low - hysteresis, up: false, beyond: true },
    ],
  };
}

/** Whether a comparator is on at a value, after it was on or off. */
function isOnAt(mode: SwitchMode, value: number, was: boolean): boolean {
  if (mode.kind === 'window')
    return was
      ? value >= mode.low - mode.hysteresis && value <= mode.high + mode.hysteresis
      : value >= mode.low && value <= mode.high;
  const { set, reset } = mode;
  return set > reset ? (was ? value > reset : value >= set) : was ? value < reset : value <= set;
}

/** Compares a signal piece by piece, each of them monotone, and tells every turn with its moment. */
export class Comparator {
  readonly #mode: SwitchMode;
  readonly #edges: ReturnType<typeof edgesOf>;
  on: boolean;
  constructor(mode: SwitchMode, value: number) {
    this.#mode = mode;
    this.#edges = edgesOf(mode);
    this.on = isOnAt(mode, value, false);
  }

  /** Takes a value anew, after a jump or a time without one. */
  take(value: number): void {
    this.on = isOnAt(this.#mode, value, this.on);
  }

  /** Follows a piece. @param tell gets the moment of each turn, at which `on` stands already. */
  follow(piece: Piece, tell: (at: number) => void): void {
    const up = piece.end > piece.begin;
    let value = piece.begin;
    for (;;) {
      const edge = this.#edges[this.on ? 'on' : 'off'].find((one) => isMet(one, up, value, piece.end));
      if (!edge) return;
      this.on = !this.on;
      tell(piece.from + momentOf(piece, edge.level));
      value = edge.level;
    }
  }
}

function isMet({ level, up, beyond }: Edge, rising: boolean, from: number, to: number): boolean {
  if (up !== rising || from === to) return false;
  const [a, b, l] = up ? [from, to, level] : [-from, -to, -level];
  return a <= l && (beyond === true || a === l ? b > l : b >= l);
}

/** When a monotone piece has a value, s after its begin: by halving and the secant, to the last digits. */
function momentOf({ from, to, begin, end, value }: Piece, level: number): number {
  let [low, high] = [0, to - from];
  let [atLow, atHigh] = [begin - level, end - level];
  if (atLow === 0) return 0;
  for (let turn = 0; turn < 80 && high - low > 1e-15 * Math.max(1, to); turn++) {
    const secant = low - (atLow * (high - low)) / (atHigh - atLow);
    const middle = turn % 3 === 2 || !(secant > low && secant < high) ? (low + high) / 2 : secant;
    const at = value(middle) - level;
    if (at === 0) return middle;
    if (at > 0 === atLow > 0) [low, atLow] = [middle, at];
    else [high, atHigh] = [middle, at];
  }
  return high;
}
