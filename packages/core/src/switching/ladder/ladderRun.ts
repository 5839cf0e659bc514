import { nth } from '../../lists/index.ts';
import { isBeyond, isPassedOver, turnsOf } from './ladder.ts';
import type { Action, Clearer, Ladder, Level } from './ladder.ts';
import { mayClear } from './machine.ts';

/** What a ladder is given at one moment. */
export interface LadderInput {
  readonly value: number;
  /** A break, a short or an invalid value: there is nothing to measure. */
  readonly fault?: boolean;
  readonly clear?: Exclude<Clearer, 'itself'>;
  readonly bypass?: 'on' | 'off';
  /** Power comes back after it was gone. */
  readonly power?: boolean;
}

/** How one level stands: called for, since when, and whether it acts or is kept. */
export interface LevelStand {
  called: boolean;
  since: number;
  on: boolean;
  /** When the present flash of its lamp began. */
  flashFrom: number;
}

/** A lamp flashes twice in a second where nothing else is said; ms. */
const USUAL_RHYTHM = { lit: 500, dark: 500 };

/** Whole milliseconds of a time in s. */
export const milliseconds = (seconds: number): number => Math.round(seconds * 1000);

/** The rhythm of a level's lamp, ms. */
export const rhythmOf = ({ rhythm }: Level): { lit: number; dark: number } =>
  rhythm ? { lit: milliseconds(rhythm.lit), dark: milliseconds(rhythm.dark) } : USUAL_RHYTHM;

/** Rounds a number as the type does in which a controller holds it. */
export type Held = (value: number) => number;

/**
 * A ladder with its times. It is asked at moments that never go back, ms, and goes by the value there: at the corners of a
 * signal, at crossings and at the ends of its times the answer is exact; once a cycle, it is a controller's.
 */
export class LadderRun {
  readonly #ladder: Ladder;
  readonly #turns: readonly { readonly on: number; readonly back: number }[];
  readonly levels: readonly LevelStand[];
  fault = false;
  bypassed = false;
  starting = false;
  #startedAt = 0;
  #bypassedAt = 0;
  #at = -Infinity;

  /** @param held what a controller makes of the numbers that it keeps. */
  constructor(ladder: Ladder, held: Held = (value) => value) {
    this.#ladder = ladder;
    this.#turns = ladder.levels.map((level) => {
      const { on, back } = turnsOf(level);
      return { on: held(on), back: held(back) };
    });
    this.levels = ladder.levels.map(() => ({ called: false, since: 0, on: false, flashFrom: 0 }));
  }

  step(at: number, { value, fault = false, clear, bypass, power = false }: LadderInput): void {
    const { startUp, faultsWaitToo, levels } = this.#ladder;
    if (power || this.#at === -Infinity) this.#powerUp(at);
    this.#at = at;
    this.fault = fault;
    if (this.starting && at >= this.#startedAt + milliseconds(startUp)) this.starting = false;
    this.#bypass(at, bypass);
    const faulted = fault && !(this.starting && faultsWaitToo);
    levels.forEach((level, i) => {
      const stand = nth(this.levels, i);
      const was = stand.called;
      if (faulted) {
        if (level.onFault !== 'holds') stand.called = level.onFault === 'acts';
      } else stand.called = !fault && !this.starting && isBeyond(level, value, was, this.#turns[i]);
      if (stand.called && !was) stand.since = at;
      this.#follow(level, stand, at, { direct: faulted && level.onFault === 'acts', clear });
    });
  }

  /** Whether a level acts now: a bypass passes over all but those that lock. */
  acts(i: number): boolean {
    return nth(this.levels, i).on && !isPassedOver(nth(this.#ladder.levels, i), this.bypassed);
  }

  /** Whether a level's lamp is lit now, flashing or not. */
  isLit(i: number): boolean {
    const level = nth(this.#ladder.levels, i);
    if (!this.acts(i)) return false;
    if (!level.does.includes('flash')) return level.does.includes('lamp');
    return this.#at - nth(this.levels, i).flashFrom < rhythmOf(level).lit;
  }

  actions(): ReadonlySet<Action> {
    return new Set([
      ...(this.bypassed && this.#ladder.bypass.shown ? (['show'] as const) : []),
      ...this.#ladder.levels.flatMap(({ does }, i) => (this.acts(i) ? does : [])),
    ]);
  }

  /** When a time of it ends next, ms; Infinity where none runs. A rhythm is none. */
  nextEnd(): number {
    const { levels, startUp, bypass } = this.#ladder;
    return Math.min(
      this.starting ? this.#startedAt + milliseconds(startUp) : Infinity,
      this.bypassed && bypass.ends ? this.#bypassedAt + milliseconds(bypass.seconds) : Infinity,
      ...this.levels.map(({ called, on, since }, i) =>
        called && !on ? since + milliseconds(nth(levels, i).delay) : Infinity,
      ),
    );
  }

  #powerUp(at: number): void {
    this.starting = this.#ladder.startUp > 0;
    this.#startedAt = at;
    this.bypassed = false;
    this.levels.forEach((stand, i) => {
      stand.called = false;
      stand.on &&= nth(this.#ladder.levels, i).keptOverPowerCut;
      stand.flashFrom = at;
    });
  }

  #bypass(at: number, asked: 'on' | 'off' | undefined): void {
    const { seconds, ends } = this.#ladder.bypass;
    if (asked === 'on' && seconds > 0 && !this.bypassed) {
      this.bypassed = true;
      this.#bypassedAt = at;
    }
    if (asked === 'off' || (ends && at >= this.#bypassedAt + milliseconds(seconds))) this.bypassed = false;
  }

  #follow(
    level: Level,
    stand: LevelStand,
    at: number,
    { direct, clear }: { direct: boolean; clear: LadderInput['clear'] },
  ): void {
    const was = stand.on;
    if (stand.called) stand.on ||= direct || at >= stand.since + milliseconds(level.delay);
    else if (level.clearedBy === 'itself' || (clear && mayClear(clear, level.clearedBy))) stand.on = false;
    if (!stand.on) return;
    const { lit, dark } = rhythmOf(level);
    if (!was || at >= stand.flashFrom + lit + dark) stand.flashFrom = at;
  }
}
