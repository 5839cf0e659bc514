import { nth } from '../../lists/index.ts';
import { CLEARERS } from '../../model/index.ts';
import { isBeyond, isPassedOver, turnsOf } from './ladder.ts';
import type { Action, Clearer, Ladder, Level } from './ladder.ts';

/** How one level stands: called for but not long enough yet, acting, or kept though nothing calls for it any more. */
type Phase = 'rests' | 'waits' | 'acts' | 'kept';

/** A ladder at one moment, without its times: which zone the value is in, and how each level stands. */
export interface LadderState {
  readonly zone: number;
  readonly fault: boolean;
  readonly starting: boolean;
  readonly bypassed: boolean;
  readonly phases: readonly Phase[];
}

/** What can happen next; times come as events of their own, so every order of them is gone through. */
export type LadderEvent =
  | { readonly is: 'value'; readonly zone: number; readonly value: number }
  | { readonly is: 'fault' | 'mended' | 'started' | 'power' | 'bypass' | 'bypassOver' }
  | { readonly is: 'delay'; readonly level: number; readonly name: string }
  | { readonly is: 'clear'; readonly by: Exclude<Clearer, 'itself'> };

/** A value of each zone in which nothing turns: between limits and the ends of their hysteresis, within the range. */
function zoneValues({ levels, range }: Ladder): number[] {
  const inside = levels
    .flatMap((level) => {
      const { on, back } = turnsOf(level);
      return [on, back];
    })
    .filter((value) => value > range.low && value < range.high);
  const ends = [...new Set([range.low, ...inside, range.high])].sort((a, b) => a - b);
  return ends.slice(1).map((end, i) => (end + nth(ends, i)) / 2);
}

/** The machine of a ladder, without its times: every delay may end at any moment. */
export class LadderMachine {
  readonly #ladder: Ladder;
  readonly #values: readonly number[];
  constructor(ladder: Ladder) {
    this.#ladder = ladder;
    this.#values = zoneValues(ladder);
  }

  /** A zone in which no level is called for; nothing where there is none. */
  restZone(): number | undefined {
    const at = this.#values.findIndex((_, zone) =>
      this.#ladder.levels.every((level) => !this.#isBeyond(level, zone, false)),
    );
    return at < 0 ? undefined : at;
  }

  first(zone: number): LadderState {
    const { levels, startUp } = this.#ladder;
    const rest: LadderState = {
      zone,
      fault: false,
      starting: startUp > 0,
      bypassed: false,
      phases: levels.map(() => 'rests'),
    };
    return this.#settled(rest);
  }

  /** What is done now: a bypass passes over all levels but those that lock. */
  actionsOf({ phases, bypassed }: LadderState): ReadonlySet<Action> {
    const { levels, bypass } = this.#ladder;
    return new Set([
      ...(bypassed && bypass.shown ? (['show'] as const) : []),
      ...levels.flatMap((level, i) =>
        isOn(nth(phases, i)) && !isPassedOver(level, bypassed) ? level.does : [],
      ),
    ]);
  }

  events({ zone, fault, starting, bypassed, phases }: LadderState): LadderEvent[] {
    const { bypass, levels } = this.#ladder;
    return [
      ...[zone - 1, zone + 1]
        .filter((next) => next >= 0 && next < this.#values.length)
        .map((next): LadderEvent => ({ is: 'value', zone: next, value: nth(this.#values, next) })),
      { is: fault ? 'mended' : 'fault' },
      ...(starting ? [{ is: 'started' } as const] : []),
      { is: 'power' },
      ...(bypass.seconds > 0 && !bypassed ? [{ is: 'bypass' } as const] : []),
      ...(bypassed ? [{ is: 'bypassOver' } as const] : []),
      ...phases.flatMap((phase, level): LadderEvent[] =>
        phase === 'waits' ? [{ is: 'delay', level, name: nth(levels, level).name }] : [],
      ),
      ...(phases.includes('kept') || phases.includes('acts')
        ? CLEARERS.flatMap((by): LadderEvent[] => (by === 'itself' ? [] : [{ is: 'clear', by }]))
        : []),
    ];
  }

  after(state: LadderState, event: LadderEvent): LadderState {
    const { levels, startUp } = this.#ladder;
    switch (event.is) {
      case 'value':
        return this.#settled({ ...state, zone: event.zone });
      case 'fault':
      case 'mended':
        return this.#settled({ ...state, fault: event.is === 'fault' });
      case 'started':
        return this.#settled({ ...state, starting: false });
      case 'bypass':
      case 'bypassOver':
        return { ...state, bypassed: event.is === 'bypass' };
      case 'delay':
        return { ...state, phases: state.phases.map((phase, i) => (i === event.level ? 'acts' : phase)) };
      case 'power':
        return this.#settled({
          ...state,
          starting: startUp > 0,
          bypassed: false,
          phases: state.phases.map((phase, i) =>
            isOn(phase) && nth(levels, i).keptOverPowerCut ? 'kept' : 'rests',
          ),
        });
      case 'clear':
        return {
          ...state,
          phases: state.phases.map((phase, i) =>
            phase === 'kept' && mayClear(event.by, nth(levels, i).clearedBy) ? 'rests' : phase,
          ),
        };
    }
  }

  #isBeyond(level: Level, zone: number, was: boolean): boolean {
    return isBeyond(level, nth(this.#values, zone), was);
  }

  #settled(state: LadderState): LadderState {
    const { levels, faultsWaitToo } = this.#ladder;
    const phases = state.phases.map((phase, i): Phase => {
      const level = nth(levels, i);
      if (state.fault && !(state.starting && faultsWaitToo)) {
        if (level.onFault === 'holds') return phase;
        // A fault acts at once: its delay is for values that come and go.
        if (level.onFault === 'acts') return 'acts';
        return released(phase, level);
      }
      const called =
        !state.fault &&
        !state.starting &&
        this.#isBeyond(level, state.zone, phase !== 'rests' && phase !== 'kept');
      if (!called) return released(phase, level);
      if (phase === 'acts' || phase === 'kept') return 'acts';
      return level.delay > 0 ? 'waits' : 'acts';
    });
    return { ...state, phases };
  }
}

/** A level that nothing calls for any more: it goes, or is kept until somebody clears it. */
const released = (phase: Phase, { clearedBy }: Level): Phase =>
  (phase === 'acts' && clearedBy !== 'itself') || phase === 'kept' ? 'kept' : 'rests';

export const isOn = (phase: Phase): boolean => phase === 'acts' || phase === 'kept';

/** The key opens what an operator may, and an operator what anyone may. */
export const mayClear = (by: Clearer, wanted: Clearer): boolean =>
  CLEARERS.indexOf(by) >= CLEARERS.indexOf(wanted);
