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
    const { begin, end } = piece;
    if (begin === end) return;
    let value = begin;
    for (;;) {
      const edge = metIn(this.on ? this.#edges.on : this.#edges.off, value, end);
      if (!edge) return;
      this.on = !this.on;
      tell(piece.from + momentOf(piece, edge.level));
      value = edge.level;
    }
  }
}

/** The edge that a value meets on its way to another. */
function metIn(edges: readonly Edge[], from: number, to: number): Edge | undefined {
  const rising = to > from;
  for (const edge of edges) {
    const { level, up, beyond } = edge;
    if (up !== rising) continue;
    // How far it is to the edge, and how far the way goes past it.
    const before = up ? level - from : from - level;
    const past = up ? to - level : level - to;
    if (before >= 0 && (beyond === true || before === 0 ? past > 0 : past >= 0)) return edge;
  }
  return undefined;
}

/** When a monotone piece has a value, s after its begin: by halving and the secant, to the last digits. */
function momentOf(piece: Piece, level: number): number {
  const { from, to, begin, end } = piece;
  let [low, high] = [0, to - from];
  let [atLow, atHigh] = [begin - level, end - level];
  if (atLow === 0) return 0;
  for (let turn = 0; turn < 80 && high - low > 1e-15 * Math.max(1, to); turn++) {
    const secant = low - (atLow * (high - low)) / (atHigh - atLow);
    const middle = turn % 3 === 2 || !(secant > low && secant < high) ? (low + high) / 2 : secant;
    const at = piece.value(middle) - level;
    if (at === 0) return middle;
    if (at > 0 === atLow > 0) [low, atLow] = [middle, at];
    else [high, atHigh] = [middle, at];
  }
  return high;
}
